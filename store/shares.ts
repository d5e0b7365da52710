import { studios } from "./studio-schema";
import { and, asc, eq } from "drizzle-orm";
import { codeHash, newCode } from "./auth";
import { lockStudio, withStore } from "./database";
import { shares } from "./schema";
import type { Shown } from "@/core/piece/shown";
import type { Studio } from "./studio";

/** A hundred and twenty-five bits. */
const LINK_LENGTH = 25;
/** Links to one piece at a time. */
export const MOST_LINKS = 10;

export interface Share {
  readonly id: string;
  readonly createdAt: Date;
  readonly shows: readonly Shown[];
}

export const sharesOf = (studio: Studio, pieceId: string): Promise<Share[]> =>
  withStore((db) =>
    db
      .select({ id: shares.id, createdAt: shares.createdAt, shows: shares.shows })
      .from(shares)
      .where(and(eq(shares.studioId, studio.id), eq(shares.pieceId, pieceId)))
      .orderBy(asc(shares.createdAt)),
  );

/** Makes a link that shows a piece to whoever has it; its code is told once. Undefined when the piece has as many as it may. */
export async function sharePiece(
  studio: Studio,
  pieceId: string,
  shows: readonly Shown[],
): Promise<string | undefined> {
  const code = newCode(LINK_LENGTH);
  return withStore((db) =>
    db.transaction(async (tx) => {
      await lockStudio(tx, studio.id);
      const there = await tx.$count(shares, and(eq(shares.studioId, studio.id), eq(shares.pieceId, pieceId)));
      if (there >= MOST_LINKS) return undefined;
      await tx
        .insert(shares)
        .values({ studioId: studio.id, pieceId, hash: codeHash(code), shows: [...shows] });
      return code;
    }),
  );
}

export const endShare = (studio: Studio, id: string): Promise<boolean> =>
  withStore(
    async (db) =>
      (
        await db
          .delete(shares)
          .where(and(eq(shares.studioId, studio.id), eq(shares.id, id)))
          .returning({ id: shares.id })
      ).length > 0,
  );

export interface SharedLink {
  readonly studio: Studio;
  readonly pieceId: string;
  readonly shows: readonly Shown[];
}

/** The one piece that a link shows, its studio, and what of it. */
export async function sharedPiece(code: string): Promise<SharedLink | undefined> {
  const [found] = await withStore((db) =>
    db
      .select({ id: studios.id, name: studios.name, pieceId: shares.pieceId, shows: shares.shows })
      .from(shares)
      .innerJoin(studios, eq(studios.id, shares.studioId))
      .where(eq(shares.hash, codeHash(code))),
  );
  if (!found) return undefined;
  const { id, name, pieceId, shows } = found;
  return { studio: { id, name }, pieceId, shows };
}
