import { pictures, pieces } from "./piece-schema";
import { and, asc, desc, eq, inArray, sql } from "drizzle-orm";
import { withStore } from "./database";
import { scans } from "./schema";
import { inRoomForPicture } from "./room";
import type { Studio } from "./studio";

export interface PictureFacts {
  readonly id: string;
  readonly name: string;
  /** Size of the working copy in pixels. */
  readonly width: number;
  readonly height: number;
}

/** A picture with the names that its file gives to shapes. */
export interface DrawingFacts extends PictureFacts {
  readonly names: readonly NamedPlace[];
  /** Drawings of it that are kept, by their names. */
  readonly drawings?: readonly string[];
}

export interface NewPicture {
  readonly name: string;
  readonly type: string;
  readonly width: number;
  readonly height: number;
  readonly original: Buffer;
  readonly working: Buffer;
  readonly workingType: string;
  readonly workingWidth: number;
  readonly workingHeight: number;
  readonly names: readonly NamedPlace[];
  /** Width on paper, mm, where the file means one. */
  readonly mm?: number;
  /** What of a drawing was not drawn, in our words. */
  readonly leftOut?: readonly string[];
}

/** What a drawing's file calls one of its shapes, with points in it, in shares of the picture. */
export interface NamedPlace {
  readonly name: string;
  readonly at: readonly (readonly [number, number])[];
}

const facts = {
  id: pictures.id,
  name: pictures.name,
  width: pictures.workingWidth,
  height: pictures.workingHeight,
};
const own = (studio: Studio, id: string) => and(eq(pictures.studioId, studio.id), eq(pictures.id, id));

const insertPicture = (studio: Studio, picture: NewPicture & { readonly id?: string }) =>
  inRoomForPicture(studio, picture.original.length + picture.working.length, (tx) =>
    tx
      .insert(pictures)
      .values({ studioId: studio.id, ...picture })
      .onConflictDoNothing()
      .returning(facts),
  );

export const addPicture = async (studio: Studio, picture: NewPicture): Promise<PictureFacts> =>
  (await insertPicture(studio, picture))[0]!;

/**
 * Adds a picture by the id by which its sender knows it: sent again it is there once.
 * @returns undefined when the id is that of somebody else's picture
 */
export async function addPictureOnce(
  studio: Studio,
  id: string,
  picture: NewPicture,
): Promise<PictureFacts | undefined> {
  const there = await findPicture(studio, id);
  if (there) return there;
  const [added] = await insertPicture(studio, { ...picture, id });
  // Sent twice at once, one came first.
  return added ?? findPicture(studio, id);
}

export async function findPicture(studio: Studio, id: string): Promise<PictureFacts | undefined> {
  const [found] = await withStore((db) => db.select(facts).from(pictures).where(own(studio, id)));
  return found;
}

/** Several pictures, those that are there. */
export const findPictures = async (studio: Studio, ids: readonly string[]): Promise<PictureFacts[]> =>
  ids.length
    ? withStore((db) =>
        db
          .select(facts)
          .from(pictures)
          .where(and(eq(pictures.studioId, studio.id), inArray(pictures.id, [...ids]))),
      )
    : [];

export async function findDrawing(studio: Studio, id: string): Promise<DrawingFacts | undefined> {
  const [found] = await withStore((db) =>
    db
      .select({ ...facts, names: pictures.names })
      .from(pictures)
      .where(own(studio, id)),
  );
  return found;
}

/** Bytes of the working copy. */
export async function pictureBytes(
  studio: Studio,
  id: string,
): Promise<{ bytes: Buffer; type: string } | undefined> {
  const [found] = await withStore((db) =>
    db.select({ bytes: pictures.working, type: pictures.workingType }).from(pictures).where(own(studio, id)),
  );
  return found;
}

/** All pictures, in the order in which they came. */
export const allPictures = (studio: Studio): Promise<{ id: string; name: string; type: string }[]> =>
  withStore((db) =>
    db
      .select({ id: pictures.id, name: pictures.name, type: pictures.type })
      .from(pictures)
      .where(eq(pictures.studioId, studio.id))
      .orderBy(asc(pictures.createdAt), asc(pictures.id)),
  );

/** A picture as it came. */
export async function originalOf(studio: Studio, id: string): Promise<Buffer | undefined> {
  const [found] = await withStore((db) =>
    db.select({ bytes: pictures.original }).from(pictures).where(own(studio, id)),
  );
  return found?.bytes;
}

/** Pictures that belong to no piece and have not been read as a chart, newest first. */
export const loosePictures = (studio: Studio): Promise<PictureFacts[]> =>
  withStore((db) =>
    db
      .select(facts)
      .from(pictures)
      .where(
        and(
          eq(pictures.studioId, studio.id),
          sql`not exists (select 1 from ${scans} where ${scans.pictureId} = ${pictures.id})`,
          sql`not exists (select 1 from ${pieces} where ${pieces.studioId} = ${pictures.studioId} and (
            ${pieces.document}->>'pictureId' = ${pictures.id}::text
            or ${pieces.document}->'setUp'->'line'->>'pictureId' = ${pictures.id}::text
            or ${pieces.document}->'references' @> jsonb_build_array(jsonb_build_object('pictureId', ${pictures.id}::text))))`,
        ),
      )
      .orderBy(desc(pictures.createdAt)),
  );
