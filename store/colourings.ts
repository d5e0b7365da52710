import { colourings, pieces } from "./piece-schema";
import { and, eq, lte, or, ne, sql } from "drizzle-orm";
import { withStore } from "./database";
import { inRoomForBytes } from "./room";
import type { Studio } from "./studio";

/** What a kept picture of a piece was made of, and its size in pixels. */
export interface ColouringFacts {
  readonly name: string;
  readonly lineId: string;
  readonly width: number;
  readonly height: number;
}

const own = (studio: Studio, pieceId: string) =>
  and(eq(colourings.studioId, studio.id), eq(colourings.pieceId, pieceId));

export async function findColouring(studio: Studio, pieceId: string): Promise<ColouringFacts | undefined> {
  const { name, lineId, width, height } = colourings;
  const [found] = await withStore((db) =>
    db.select({ name, lineId, width, height }).from(colourings).where(own(studio, pieceId)),
  );
  return found;
}

export async function colouringBytes(studio: Studio, pieceId: string): Promise<Buffer | undefined> {
  const [found] = await withStore((db) =>
    db.select({ webp: colourings.webp }).from(colourings).where(own(studio, pieceId)),
  );
  return found?.webp;
}

/**
 * Keeps the picture of a piece as it was drawn; a smaller one of the same takes the place of none. False when the piece is not there.
 * @throws StudioFull
 */
export async function keepColouring(
  studio: Studio,
  pieceId: string,
  facts: ColouringFacts,
  webp: Buffer,
): Promise<boolean> {
  return inRoomForBytes(studio, webp.length, async (tx) => {
    const there = await tx.$count(pieces, and(eq(pieces.studioId, studio.id), eq(pieces.id, pieceId)));
    if (!there) return false;
    await tx
      .insert(colourings)
      .values({ studioId: studio.id, pieceId, ...facts, webp })
      .onConflictDoUpdate({
        target: colourings.pieceId,
        set: { ...facts, webp, createdAt: sql`now()` },
        setWhere: or(
          ne(colourings.name, facts.name),
          ne(colourings.lineId, facts.lineId),
          lte(colourings.width, facts.width),
        ),
      });
    return true;
  });
}
