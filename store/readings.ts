import { and, desc, eq, inArray } from "drizzle-orm";
import type { Lab } from "@/core/colour/lab";
import type { InstrumentReading } from "@/core/formats/measured";
import type { Pressure } from "@/core/pencil/tooth";
import { inPieces, withStore } from "./database";
import { asLab } from "./papers";
import { inRoom } from "./room";
import { readings, type Backing, type ReadingSource } from "./schema";
import type { Studio } from "./studio";

/** A colour read on a paper, with where it came from and how far it can be trusted. */
export interface StoredReading extends NewReading {
  readonly id: string;
  readonly excluded: boolean;
  readonly readAt: Date;
}

export interface NewReading {
  /** Codes bottom to top, one entry a coat; none for the bare paper. */
  readonly stack: readonly string[];
  readonly lift?: boolean;
  readonly backing?: Backing;
  readonly pressure?: Pressure | null;
  readonly lab: Lab;
  readonly hex?: string | null;
  readonly measured?: InstrumentReading | null;
  readonly source: ReadingSource;
  readonly spread?: number | null;
  readonly streakiness?: number | null;
  readonly confidence?: number | null;
  readonly scanId?: string | null;
}

/** Every reading on a paper, newest first, superseded and excluded ones too. */
export async function readingsOn(studio: Studio, paperId: string): Promise<StoredReading[]> {
  const rows = await withStore((db) =>
    db
      .select()
      .from(readings)
      .where(and(eq(readings.studioId, studio.id), eq(readings.paperId, paperId)))
      .orderBy(desc(readings.readAt), readings.stack),
  );
  return rows.map(({ studioId: _, paperId: __, lab, ...r }) => ({ ...r, lab: asLab(lab) }));
}

/** Adds readings; older ones of the same stacks are superseded and stay. */
export async function addReadings(
  studio: Studio,
  paperId: string,
  added: readonly NewReading[],
  readAt = new Date(),
): Promise<number> {
  return inRoom(
    studio,
    readings,
    "readings",
    async (tx) => {
      for (const some of inPieces(added))
        await tx.insert(readings).values(
          some.map((r) => ({
            studioId: studio.id,
            paperId,
            readAt,
            ...r,
            stack: [...r.stack],
            lab: [...r.lab],
          })),
        );
      return added.length;
    },
    added.length,
  );
}

/** What may be taken back: what was typed stands until it is read anew. */
const TAKEN_BACK = ["colorimeter", "picture"] as const;

/** Takes the readings away that came in at one moment from an instrument or a photo: one step back, as long as nobody has read anything since. */
export const takeBackReadings = (studio: Studio, paperId: string, readAt: Date): Promise<number> =>
  withStore(
    async (db) =>
      (
        await db
          .delete(readings)
          .where(
            and(
              eq(readings.studioId, studio.id),
              eq(readings.paperId, paperId),
              inArray(readings.source, TAKEN_BACK),
              eq(readings.readAt, readAt),
            ),
          )
          .returning({ id: readings.id })
      ).length,
  );

/** Leaves a reading out, or takes it in again; false when it is not this studio's. */
export const excludeReading = (studio: Studio, id: string, excluded: boolean): Promise<boolean> =>
  withStore(
    async (db) =>
      (
        await db
          .update(readings)
          .set({ excluded })
          .where(and(eq(readings.studioId, studio.id), eq(readings.id, id)))
          .returning({ id: readings.id })
      ).length > 0,
  );
