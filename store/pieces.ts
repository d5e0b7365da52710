import { pieces } from "./piece-schema";
import { and, asc, desc, eq, inArray, isNull, ne, sql } from "drizzle-orm";
import type { Piece } from "@/core/piece/piece";
import { upgradePiece } from "@/core/piece/upgrade";
import { withStore } from "./database";
import { inRoom } from "./room";
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

export const countPieces = (studio: Studio): Promise<number> =>
  withStore((db) => db.$count(pieces, eq(pieces.studioId, studio.id)));

export async function findPiece(studio: Studio, id: string): Promise<StoredPiece | undefined> {
  const [found] = await withStore((db) => db.select(columns).from(pieces).where(own(studio, id)));
  return found && present(found);
}

export async function addPiece(studio: Studio, document: Piece): Promise<StoredPiece> {
  const [added] = await inRoom(studio, pieces, "pieces", (tx) =>
    tx.insert(pieces).values({ studioId: studio.id, document }).returning(columns),
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

/** What somebody says of a piece as a whole. */
export interface PieceMarks {
  readonly done?: boolean | undefined;
  readonly archived?: boolean | undefined;
}

/** Marks a piece; false when it is nobody's. */
export const markPiece = (studio: Studio, id: string, { done, archived }: PieceMarks): Promise<boolean> =>
  withStore(async (db) => {
    const at = (said: boolean) => (said ? sql`now()` : null);
    const set = {
      ...(done !== undefined && { doneAt: at(done) }),
      ...(archived !== undefined && { archivedAt: at(archived) }),
    };
    if (!Object.keys(set).length) return (await db.$count(pieces, own(studio, id))) > 0;
    return (await db.update(pieces).set(set).where(own(studio, id)).returning({ id: pieces.id })).length > 0;
  });

/** Calls a piece otherwise; whoever has it open is told as of any change made elsewhere. */
export const renamePiece = (studio: Studio, id: string, name: string): Promise<boolean> =>
  withStore(async (db) => {
    const set = {
      document: sql`jsonb_set(${pieces.document}, '{name}', ${JSON.stringify(name)}::jsonb)`,
      revision: sql`${pieces.revision} + 1`,
      savedBy: null,
      changedAt: sql`now()`,
    };
    return (await db.update(pieces).set(set).where(own(studio, id)).returning({ id: pieces.id })).length > 0;
  });

/** Some pieces, those that are there. */
export const findPieces = async (studio: Studio, ids: readonly string[]): Promise<StoredPiece[]> =>
  ids.length
    ? withStore(async (db) => {
        const rows = await db
          .select(columns)
          .from(pieces)
          .where(and(eq(pieces.studioId, studio.id), inArray(pieces.id, [...ids])));
        return rows.map(present);
      })
    : [];

/** Variants of one drawing that are looked at side by side: the last changed ones. */
export const MOST_VARIANTS = 12;

/** Pieces with the same line as one of them, but for that itself and what is put away, last changed first. */
export const variantsOf = (studio: Studio, id: string, lineId: string): Promise<StoredPiece[]> =>
  withStore(async (db) => {
    const rows = await db
      .select(columns)
      .from(pieces)
      .where(
        and(
          eq(pieces.studioId, studio.id),
          eq(pieces.lineId, lineId),
          ne(pieces.id, id),
          isNull(pieces.archivedAt),
        ),
      )
      .orderBy(desc(pieces.changedAt), asc(pieces.id))
      .limit(MOST_VARIANTS - 1);
    return rows.map(present);
  });

/** Names of pieces that are told at a time: the last changed ones. */
const MOST_NAMED = 300;

/** Pieces by name, last changed first. */
export const pieceNames = (studio: Studio): Promise<{ readonly id: string; readonly name: string }[]> =>
  withStore(async (db) => {
    const rows = await db
      .select({ id: pieces.id, name: pieces.name })
      .from(pieces)
      .where(and(eq(pieces.studioId, studio.id), isNull(pieces.archivedAt)))
      .orderBy(desc(pieces.changedAt))
      .limit(MOST_NAMED);
    return rows.map(({ id, name }) => ({ id, name: name ?? "" }));
  });

/** Every document of a studio, one after the other, so that no more than one is held: for what must go through all of them. */
export async function* eachPiece(studio: Studio): AsyncGenerator<StoredPiece> {
  const ids = await withStore((db) =>
    db.select({ id: pieces.id }).from(pieces).where(eq(pieces.studioId, studio.id)).orderBy(pieces.changedAt),
  );
  for (const { id } of ids) {
    const found = await findPiece(studio, id);
    if (found) yield found;
  }
}
