import type { PieceEvents } from "@/core/log/figures";
import type { ComparedPiece } from "@/core/practice/habits";
import {
  and,
  asc,
  count,
  desc,
  eq,
  getTableColumns,
  inArray,
  isNotNull,
  ne,
  notExists,
  notInArray,
  sql,
} from "drizzle-orm";
import { alias } from "drizzle-orm/pg-core";
import { MOST_EVENTS, MOST_PHOTOS } from "@/border/work-events";
import { holding, type EventOf, type WorkEvent } from "@/core/work/record";
import { inPieces, lockStudio, StudioFull, withStore, type Db } from "./database";
import { pieces, workEvents } from "./piece-schema";
import type { Studio } from "./studio";

type Row = Pick<typeof workEvents.$inferSelect, "id" | "kind" | "at" | "undoes" | "pictureId" | "body">;

/** Photos of a piece that hold, first first. */
export const photosOf = async (studio: Studio, pieceId: string): Promise<EventOf<"photographed">[]> =>
  holding(await workEventsOf(studio, pieceId)).filter(
    (e): e is EventOf<"photographed"> => e.kind === "photographed",
  );

/** A row as an event. */
export const asEvent = ({ id, kind, at, undoes, pictureId, body }: Row): WorkEvent =>
  ({
    ...body,
    id,
    kind,
    at: at.getTime(),
    ...(undoes && { undoes }),
    ...(kind === "photographed" && { pictureId }),
  }) as unknown as WorkEvent;

/** An event as a row, but for its studio. */
export function rowOfEvent(
  pieceId: string,
  event: WorkEvent,
): Omit<typeof workEvents.$inferInsert, "studioId"> {
  const { id, kind, at, ...rest } = event;
  const { undoes, pictureId, ...body } = rest as { undoes?: string; pictureId?: string };
  return { id, pieceId, kind, at: new Date(at), undoes: undoes ?? null, pictureId: pictureId ?? null, body };
}

const ofPiece = (studio: Studio, pieceId: string) =>
  and(eq(workEvents.studioId, studio.id), eq(workEvents.pieceId, pieceId));

const eventsIn = async (db: Db, studio: Studio, pieceId: string): Promise<WorkEvent[]> =>
  (
    await db
      .select()
      .from(workEvents)
      .where(ofPiece(studio, pieceId))
      .orderBy(asc(workEvents.at), asc(workEvents.id))
  )
    .map(asEvent)
    // A photo that was thrown away is no event any more.
    .filter((e) => e.kind !== "photographed" || e.pictureId);

/** Everything that happened to a piece at the desk, first things first. */
export const workEventsOf = (studio: Studio, pieceId: string): Promise<WorkEvent[]> =>
  withStore((db) => eventsIn(db, studio, pieceId));

/** Events that a pace is learnt from at most: the newest of all pieces. */
const MOST_FOR_PACE = 5000;

/** What happened on a piece, and on which paper. */
export interface WorkOnPaper {
  readonly paperId: string | null;
  readonly events: readonly WorkEvent[];
}

/** What the record of a studio's pieces says of its hand and of its papers: pieces with work, the newest last. */
export async function workOfStudio(studio: Studio): Promise<WorkOnPaper[]> {
  const rows = await withStore((db) =>
    db
      .select({ ...getTableColumns(workEvents), paperId: pieces.paperId })
      .from(workEvents)
      .innerJoin(pieces, eq(pieces.id, workEvents.pieceId))
      .where(and(eq(workEvents.studioId, studio.id), ne(workEvents.kind, "compared")))
      .orderBy(desc(workEvents.at))
      .limit(MOST_FOR_PACE),
  );
  const byPiece = new Map<string, { paperId: string | null; events: WorkEvent[] }>();
  for (const { paperId, ...row } of rows.reverse()) {
    const own = byPiece.get(row.pieceId) ?? { paperId, events: [] };
    own.events.push(asEvent(row));
    byPiece.set(row.pieceId, own);
  }
  return [...byPiece.values()];
}

/** Photos of a piece, and what was read of them, are so many at most. @throws StudioFull */
async function roomForPhotos(
  tx: Db,
  studio: Studio,
  pieceId: string,
  events: readonly WorkEvent[],
): Promise<void> {
  for (const kind of ["photographed", "compared"] as const) {
    const more = events.filter((e) => e.kind === kind).map((e) => e.id);
    if (!more.length) continue;
    const [kept] = await tx
      .select({ n: count() })
      .from(workEvents)
      .where(
        and(
          ofPiece(studio, pieceId),
          eq(workEvents.kind, kind),
          kind === "photographed" ? isNotNull(workEvents.pictureId) : undefined,
          notInArray(workEvents.id, more),
        ),
      );
    if (kept!.n + new Set(more).size > MOST_PHOTOS) throw new StudioFull(MOST_PHOTOS, "photos of a piece");
  }
}

/**
 * Writes down what happened: what is there already stays as it is, so that sending twice is sending once. Gives all that is known of the piece
 * then; undefined when it is nobody's.
 * @throws StudioFull
 */
export const addWorkEvents = (
  studio: Studio,
  pieceId: string,
  events: readonly WorkEvent[],
): Promise<WorkEvent[] | undefined> =>
  withStore((db) =>
    db.transaction(async (tx) => {
      const [own] = await tx
        .select({ id: pieces.id })
        .from(pieces)
        .where(and(eq(pieces.studioId, studio.id), eq(pieces.id, pieceId)));
      if (!own) return undefined;
      if (events.length) {
        await lockStudio(tx, studio.id);
        const [there] = await tx.select({ n: count() }).from(workEvents).where(ofPiece(studio, pieceId));
        if (there!.n + events.length > MOST_EVENTS) throw new StudioFull(MOST_EVENTS, "events of a piece");
        await roomForPhotos(tx, studio, pieceId, events);
        for (const some of inPieces(events))
          await tx
            .insert(workEvents)
            .values(some.map((e) => ({ ...rowOfEvent(pieceId, e), studioId: studio.id })))
            .onConflictDoNothing();
      }
      return eventsIn(tx, studio, pieceId);
    }),
  );

/** Columns of an event with so much of what it says: what counts events reads no words. */
const shortEvent = (...fields: readonly string[]) => ({
  id: workEvents.id,
  kind: workEvents.kind,
  at: workEvents.at,
  undoes: workEvents.undoes,
  pictureId: workEvents.pictureId,
  pieceId: workEvents.pieceId,
  body: sql<object>`jsonb_strip_nulls(jsonb_build_object(${sql.join(
    fields.map((f) => sql`${sql.raw(`'${f}'`)}, ${workEvents.body} -> ${sql.raw(`'${f}'`)}`),
    sql`, `,
  )}))`,
});

/** Events that figures are made of at most: the newest of all pieces. */
export const MOST_FOR_FIGURES = 60_000;

/** The record of a studio's pieces, each with its events; of the newest {@link MOST_FOR_FIGURES} in all. */
export async function recordOfStudio(studio: Studio): Promise<PieceEvents[]> {
  const rows = await withStore((db) =>
    db
      .select({
        ...shortEvent("code", "mm2", "coats"),
        name: pieces.name,
      })
      .from(workEvents)
      .innerJoin(pieces, eq(pieces.id, workEvents.pieceId))
      .where(eq(workEvents.studioId, studio.id))
      .orderBy(desc(workEvents.at))
      .limit(MOST_FOR_FIGURES),
  );
  const byPiece = new Map<string, { id: string; name: string; events: WorkEvent[] }>();
  for (const row of rows) {
    const own = byPiece.get(row.pieceId) ?? { id: row.pieceId, name: row.name ?? "", events: [] };
    byPiece.set(row.pieceId, own);
    own.events.push(asEvent(row));
  }
  return [...byPiece.values()];
}

/** Events of pieces that are looked at for how often groups were laid: the newest. */
const MOST_FOR_GROUPS = 20_000;

/** What happened to some pieces, and on which paper each is: only what lies and what was mended is told. */
export async function layingsOf(studio: Studio, ids: readonly string[]): Promise<Map<string, WorkOnPaper>> {
  const out = new Map<string, { paperId: string | null; events: WorkEvent[] }>();
  if (!ids.length) return out;
  const rows = await withStore((db) =>
    db
      .select({
        ...shortEvent("area", "code", "symptom"),
        paperId: pieces.paperId,
      })
      .from(workEvents)
      .innerJoin(pieces, eq(pieces.id, workEvents.pieceId))
      .where(
        and(
          eq(workEvents.studioId, studio.id),
          inArray(workEvents.pieceId, [...ids]),
          inArray(workEvents.kind, ["done", "added", "mend", "undone"]),
        ),
      )
      .orderBy(desc(workEvents.at))
      .limit(MOST_FOR_GROUPS),
  );
  for (const { pieceId, paperId, ...row } of rows) {
    const own = out.get(pieceId) ?? { paperId, events: [] };
    out.set(pieceId, own);
    own.events.push(asEvent(row));
  }
  return new Map([...out].map(([id, { paperId, events }]) => [id, { paperId, events: holding(events) }]));
}

/** Comparisons that are looked at for what a hand does again and again: the newest. */
const MOST_COMPARISONS = 60;

/** What was read of photos of a studio's pieces against their plans, the newest first; not of photos that were taken back. */
export async function comparedOf(studio: Studio): Promise<ComparedPiece[]> {
  const undoing = alias(workEvents, "undoing");
  const rows = await withStore((db) =>
    db
      .select({ id: workEvents.pieceId, name: pieces.name, at: workEvents.at, body: workEvents.body })
      .from(workEvents)
      .innerJoin(pieces, eq(pieces.id, workEvents.pieceId))
      .where(
        and(
          eq(workEvents.studioId, studio.id),
          eq(workEvents.kind, "compared"),
          notExists(
            db
              .select({ id: undoing.id })
              .from(undoing)
              .where(
                and(
                  eq(undoing.studioId, studio.id),
                  sql`${undoing.undoes}::text in (${workEvents.id}::text, ${workEvents.body} ->> 'photo')`,
                ),
              ),
          ),
        ),
      )
      .orderBy(desc(workEvents.at))
      .limit(MOST_COMPARISONS),
  );
  return rows.map(({ body, at, name, id }) => ({
    id,
    name: name ?? "",
    at: at.getTime(),
    places: (body as Pick<EventOf<"compared">, "places">).places,
  }));
}
