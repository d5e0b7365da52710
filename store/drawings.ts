import { and, desc, eq, notInArray, sql } from "drizzle-orm";
import { withStore } from "./database";
import { drawings, pictures } from "./piece-schema";
import { inRoomForBytes } from "./room";
import type { Studio } from "./studio";

/** Drawings that are kept of one picture, and lights, which are larger: of a few pieces, or a few ways of looking; the oldest go first. */
const [MOST_DRAWINGS, MOST_LIGHTS] = [4, 2];
/** Whether a light is meant by a name, or a drawing. */
const isLight = (name: string) => / light-/.test(name);
const ofLight = sql<boolean>`${drawings.name} like '% light-%'`;

const own = (studio: Studio, pictureId: string) =>
  and(eq(drawings.studioId, studio.id), eq(drawings.pictureId, pictureId));

/** Names of the drawings that are kept of a picture, newest first. */
export const drawingNames = async (studio: Studio, pictureId: string): Promise<string[]> =>
  (
    await withStore((db) =>
      db
        .select({ name: drawings.name })
        .from(drawings)
        .where(own(studio, pictureId))
        .orderBy(desc(drawings.createdAt)),
    )
  ).map((row) => row.name);

export async function drawingBytes(
  studio: Studio,
  pictureId: string,
  name: string,
): Promise<Buffer | undefined> {
  const [found] = await withStore((db) =>
    db
      .select({ packed: drawings.packed })
      .from(drawings)
      .where(and(own(studio, pictureId), eq(drawings.name, name))),
  );
  return found?.packed;
}

/**
 * Keeps a drawing of a picture as somebody looked at it; what is there already is the same. False when there is no such picture.
 * @throws StudioFull
 */
export const keepDrawing = (
  studio: Studio,
  pictureId: string,
  name: string,
  packed: Buffer,
): Promise<boolean> =>
  inRoomForBytes(studio, packed.length, async (tx) => {
    const there = and(eq(pictures.studioId, studio.id), eq(pictures.id, pictureId));
    if (!(await tx.$count(pictures, there))) return false;
    await tx.insert(drawings).values({ studioId: studio.id, pictureId, name, packed }).onConflictDoNothing();
    const alike = and(own(studio, pictureId), eq(ofLight, isLight(name)));
    const latest = tx
      .select({ name: drawings.name })
      .from(drawings)
      .where(alike)
      .orderBy(desc(drawings.createdAt))
      .limit(isLight(name) ? MOST_LIGHTS : MOST_DRAWINGS);
    await tx.delete(drawings).where(and(alike, notInArray(drawings.name, latest)));
    return true;
  });
