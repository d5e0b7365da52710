import { colourings, drawings, pictures } from "./piece-schema";
import { eq, sql, sum } from "drizzle-orm";
import type { PgColumn, PgTable } from "drizzle-orm/pg-core";
import { MOST, MOST_PICTURE_BYTES } from "@/border/room";
import { lockStudio, StudioFull, withStore, type Tx } from "./database";
import type { Studio } from "./studio";

type Table = PgTable & { readonly studioId: PgColumn };

async function roomFor(
  tx: Tx,
  studio: Studio,
  table: Table,
  what: keyof typeof MOST,
  more: number,
): Promise<void> {
  const there = await tx.$count(table, eq(table.studioId, studio.id));
  if (there + more > MOST[what]) throw new StudioFull(MOST[what], what);
}

/**
 * Adds rows to a studio that has room for them. Whoever adds at the same moment waits: the last place is given once.
 * @throws StudioFull
 */
export const inRoom = <T>(
  studio: Studio,
  table: Table,
  what: keyof typeof MOST,
  add: (tx: Tx) => Promise<T>,
  more = 1,
): Promise<T> =>
  withStore((db) =>
    db.transaction(async (tx) => {
      await lockStudio(tx, studio.id);
      await roomFor(tx, studio, table, what, more);
      return add(tx);
    }),
  );

/**
 * Adds to the bytes of a studio's pictures.
 * @throws StudioFull when they would be too many
 */
export const inRoomForBytes = <T>(studio: Studio, bytes: number, add: (tx: Tx) => Promise<T>): Promise<T> =>
  inRoom(
    studio,
    pictures,
    "pictures",
    async (tx) => {
      const [held] = await tx
        .select({ bytes: sum(pictures.bytes).mapWith(Number) })
        .from(pictures)
        .where(eq(pictures.studioId, studio.id));
      const [drawn] = await tx
        .select({ bytes: sum(sql`length(${colourings.webp})`).mapWith(Number) })
        .from(colourings)
        .where(eq(colourings.studioId, studio.id));
      const [looked] = await tx
        .select({ bytes: sum(sql`length(${drawings.packed})`).mapWith(Number) })
        .from(drawings)
        .where(eq(drawings.studioId, studio.id));
      if ((held?.bytes ?? 0) + (drawn?.bytes ?? 0) + (looked?.bytes ?? 0) + bytes > MOST_PICTURE_BYTES)
        throw new StudioFull(MOST_PICTURE_BYTES / 1e6, "MB of pictures");
      return add(tx);
    },
    0,
  );

/** Adds a picture. @throws StudioFull when there are too many, or too large ones */
export const inRoomForPicture = <T>(studio: Studio, bytes: number, add: (tx: Tx) => Promise<T>): Promise<T> =>
  inRoomForBytes(studio, bytes, async (tx) => {
    await roomFor(tx, studio, pictures, "pictures", 1);
    return add(tx);
  });
