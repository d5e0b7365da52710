import { colourings, pictures } from "./piece-schema";
import { eq, sql, sum } from "drizzle-orm";
import type { PgColumn, PgTable } from "drizzle-orm/pg-core";
import { MOST, MOST_PICTURE_BYTES } from "@/border/room";
import { withStore, StudioFull } from "./database";
import type { Studio } from "./studio";

type Table = PgTable & { readonly studioId: PgColumn };

/**
 * Sees to it that a studio has room for more rows. Two that come at the same moment may both fit in: the bound guards the server, not a count.
 * @throws StudioFull
 */
export async function roomFor(
  studio: Studio,
  table: Table,
  what: keyof typeof MOST,
  more = 1,
): Promise<void> {
  const there = await withStore((db) => db.$count(table, eq(table.studioId, studio.id)));
  if (there + more > MOST[what]) throw new StudioFull(MOST[what], what);
}

/** @throws StudioFull when a picture of so many bytes would be too much */
export async function roomForPicture(studio: Studio, bytes: number): Promise<void> {
  await roomFor(studio, pictures, "pictures");
  const [held] = await withStore((db) =>
    db
      .select({ bytes: sum(pictures.bytes).mapWith(Number) })
      .from(pictures)
      .where(eq(pictures.studioId, studio.id)),
  );
  const [drawn] = await withStore((db) =>
    db
      .select({ bytes: sum(sql`length(${colourings.webp})`).mapWith(Number) })
      .from(colourings)
      .where(eq(colourings.studioId, studio.id)),
  );
  if ((held?.bytes ?? 0) + (drawn?.bytes ?? 0) + bytes > MOST_PICTURE_BYTES)
    throw new StudioFull(MOST_PICTURE_BYTES / 1e6, "MB of pictures");
}
