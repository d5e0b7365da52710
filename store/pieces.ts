import { and, desc, eq, inArray, sql } from "drizzle-orm";
import { LRUCache } from "lru-cache";
import type { Piece } from "@/core/piece/piece";
import { upgradePiece } from "@/core/piece/upgrade";
import { withStore } from "./database";
import { pieces } from "./schema";
import { roomFor } from "./room";
import type { Studio } from "./studio";

export interface StoredPiece {
  readonly id: string;
  readonly revision: number;
  readonly document: Piece;
  /** The save that made this revision, as its sender named it. */
  readonly savedBy: string | null;
  readonly changedAt: Date;
}

const columns = {
  id: pieces.id,
  revision: pieces.revision,
  savedBy: pieces.savedBy,
  document: pieces.document,
  changedAt: pieces.changedAt,
};
const own = (studio: Studio, id: string) => and(eq(pieces.studioId, studio.id), eq(pieces.id, id));

/** A stored piece in the present shape, whatever version it was saved in. */
const present = (row: StoredPiece): StoredPiece => ({
  ...row,
  document: upgradePiece(row.document) as Piece,
});

/** Documents that are kept in memory, of all studios: a stored revision never changes. */
const MOST_KEPT = 400;
const kept = new LRUCache<string, StoredPiece>({ max: MOST_KEPT });
const keyOf = ({ id, revision }: Pick<StoredPiece, "id" | "revision">) => `${id} ${revision}`;

/** All pieces, last changed first. Only documents that are not in memory are read. */
export async function listPieces(studio: Studio): Promise<StoredPiece[]> {
  const { document: _, ...heads } = columns;
  const there = await withStore((db) =>
    db.select(heads).from(pieces).where(eq(pieces.studioId, studio.id)).orderBy(desc(pieces.changedAt)),
  );
  const missing = there.filter((p) => !kept.has(keyOf(p))).map((p) => p.id);
  const read = new Map<string, StoredPiece>();
  if (missing.length)
    for (const row of await withStore((db) =>
      db
        .select(columns)
        .from(pieces)
        .where(and(eq(pieces.studioId, studio.id), inArray(pieces.id, missing))),
    )) {
      const now = present(row);
      read.set(row.id, now);
      kept.set(keyOf(row), now);
    }
  return there.flatMap((p) => {
    // One that was saved or deleted in between is as it is now, or is not there.
    const found = read.get(p.id) ?? kept.get(keyOf(p));
    return found ? [{ ...found, changedAt: p.changedAt }] : [];
  });
}

export const countPieces = (studio: Studio): Promise<number> =>
  withStore((db) => db.$count(pieces, eq(pieces.studioId, studio.id)));

export async function findPiece(studio: Studio, id: string): Promise<StoredPiece | undefined> {
  const [found] = await withStore((db) => db.select(columns).from(pieces).where(own(studio, id)));
  return found && present(found);
}

export async function addPiece(studio: Studio, document: Piece): Promise<StoredPiece> {
  await roomFor(studio, pieces, "pieces");
  const [added] = await withStore((db) =>
    db.insert(pieces).values({ studioId: studio.id, document }).returning(columns),
  );
  return added!;
}

export type SaveOutcome =
  | { readonly saved: true; readonly revision: number }
  | { readonly saved: false; readonly theirs: StoredPiece | undefined };

/**
 * Saves a change made to a revision. Nothing is written when someone else has saved since, or when the piece is gone: `theirs` then says
 * what is stored now.
 */
export async function savePiece(
  studio: Studio,
  id: string,
  revision: number,
  document: Piece,
  savedBy: string | null = null,
): Promise<SaveOutcome> {
  const [saved] = await withStore((db) =>
    db
      .update(pieces)
      .set({ document, savedBy, revision: sql`${pieces.revision} + 1`, changedAt: sql`now()` })
      .where(and(own(studio, id), eq(pieces.revision, revision)))
      .returning({ revision: pieces.revision }),
  );
  if (saved) return { saved: true, revision: saved.revision };
  // The same document again, as after an answer that was lost: nothing would change, and nothing is in anybody's way.
  const [same] = await withStore((db) =>
    db
      .select({ revision: pieces.revision })
      .from(pieces)
      .where(and(own(studio, id), sql`${pieces.document} = ${JSON.stringify(document)}::jsonb`)),
  );
  return same
    ? { saved: true, revision: same.revision }
    : { saved: false, theirs: await findPiece(studio, id) };
}

export async function deletePiece(studio: Studio, id: string): Promise<boolean> {
  const gone = await withStore((db) => db.delete(pieces).where(own(studio, id)).returning({ id: pieces.id }));
  return gone.length > 0;
}
