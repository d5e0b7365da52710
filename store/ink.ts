import { and, desc, eq, gte, inArray, sql } from "drizzle-orm";
import type { InkLedger, LaidInk, ScaleEvent } from "@/core/stock/ink-ledger";
import { wordFor } from "@/core/stock/ink-level";
import type { MarkerState } from "@/core/stock/kinds";
import { recordOf, type EventOf, type WorkEvent } from "@/core/work/record";
import { withStore } from "./database";
import { pieces, workEvents } from "./piece-schema";
import { inRoom } from "./room";
import { inkEvents, inks, papers } from "./schema";
import type { Studio } from "./studio";
import { asEvent } from "./work-events";

/** Events that are looked at, the newest of each kind. */
const MOST = 20_000;

const ofStudio = (studio: Studio) => eq(inkEvents.studioId, studio.id);

/** What was weighed and filled, first things first. */
export const scaleEvents = async (studio: Studio): Promise<ScaleEvent[]> => {
  const { id, code, kind, amount, at, refill } = inkEvents;
  const rows = await withStore((db) =>
    db
      .select({ id, code, kind, amount, at, refill })
      .from(inkEvents)
      .where(ofStudio(studio))
      .orderBy(desc(at), desc(id))
      .limit(MOST),
  );
  return rows.reverse().map(({ refill: from, ...row }) => ({
    ...row,
    at: row.at.getTime(),
    ...(from && { refill: true }),
  }));
};

/** What was laid at the desk of any piece since a moment, and not taken back. */
async function laidSince(studio: Studio, since: Date): Promise<LaidInk[]> {
  const rows = await withStore((db) =>
    db
      .select({ event: workEvents, paper: papers.name })
      .from(workEvents)
      .innerJoin(pieces, eq(pieces.id, workEvents.pieceId))
      .leftJoin(papers, and(eq(papers.studioId, studio.id), eq(sql`${papers.id}::text`, pieces.paperId)))
      .where(
        and(
          eq(workEvents.studioId, studio.id),
          gte(workEvents.at, since),
          inArray(workEvents.kind, ["done", "part", "undone"]),
        ),
      )
      .orderBy(desc(workEvents.at))
      .limit(MOST),
  );
  const byPiece = new Map<string, { readonly paper: string; readonly events: WorkEvent[] }>();
  for (const { event, paper } of rows) {
    const own = byPiece.get(event.pieceId) ?? { paper: paper ?? "", events: [] };
    own.events.push(asEvent(event));
    byPiece.set(event.pieceId, own);
  }
  return [...byPiece].flatMap(([piece, { paper, events }]) => {
    // What was begun and then finished is one step, and laid once.
    const { done, parts } = recordOf(events);
    const of = ({ code, mm2, coats, at }: EventOf<"done" | "part">, share: number): LaidInk => ({
      code,
      mm2: share * mm2,
      coats,
      paper,
      piece,
      at,
    });
    return [...[...done.values()].map((e) => of(e, 1)), ...[...parts.values()].map((e) => of(e, e.share))];
  });
}

/** All that is known of the ink in the markers that a studio owns. */
export async function inkLedger(studio: Studio): Promise<InkLedger> {
  const owned = await withStore((db) =>
    db
      .select({ code: inks.code, state: inks.state, since: inks.stateAt })
      .from(inks)
      .where(and(eq(inks.studioId, studio.id), eq(inks.owned, true), eq(inks.kind, "marker"))),
  );
  const codes = new Set(owned.map((m) => m.code));
  const first = owned.reduce((least, m) => (m.since < least ? m.since : least), new Date());
  const [scale, laid] = await Promise.all([scaleEvents(studio), laidSince(studio, first)]);
  return {
    markers: owned.map(({ code, state, since }) => ({
      code,
      state: state as MarkerState,
      since: since.getTime(),
    })),
    scale: scale.filter((e) => codes.has(e.code)),
    laid: laid.filter((e) => codes.has(e.code)),
  };
}

/**
 * Writes down what was found out; sent twice it is there once. A refill that went into it is one less in stock, where there is one. False when there is no such marker.
 * @throws StudioFull
 */
export const addScaleEvent = (
  studio: Studio,
  { id, code, kind, amount, at, refill: asked }: ScaleEvent,
): Promise<boolean> =>
  inRoom(studio, inkEvents, "weighings", async (tx) => {
    const there = and(eq(inks.studioId, studio.id), eq(inks.code, code), eq(inks.kind, "marker"));
    const [marker] = await tx
      .select({ wordBefore: inks.state, wordBeforeAt: inks.stateAt, refills: inks.refills })
      .from(inks)
      .where(there)
      .for("update");
    if (!marker) return false;
    const { refills, ...word } = marker;
    const refill = asked === true && kind !== "weighed" && refills > 0;
    const when = new Date(at);
    // What is full again is so in the Rack too, from that moment on.
    const isSaid = kind === "full" && marker.wordBeforeAt <= when;
    const added = await tx
      .insert(inkEvents)
      .values({ id, studioId: studio.id, code, kind, amount, at: when, refill, ...(isSaid && word) })
      .onConflictDoNothing()
      .returning({ id: inkEvents.id });
    if (added.length && (isSaid || refill))
      await tx
        .update(inks)
        .set({
          ...(isSaid && { state: wordFor(amount), stateAt: when }),
          ...(refill && { refills: refills - 1 }),
        })
        .where(there);
    return true;
  });

/** Takes back what was written down by mistake, and the word in the Rack that it brought; a refill is in stock again. False when it is not there. */
export const removeScaleEvent = (studio: Studio, id: string): Promise<boolean> =>
  withStore((db) =>
    db.transaction(async (tx) => {
      const [gone] = await tx
        .delete(inkEvents)
        .where(and(ofStudio(studio), eq(inkEvents.id, id)))
        .returning();
      if (!gone) return false;
      const { code, at, wordBefore, wordBeforeAt, refill } = gone;
      const own = and(eq(inks.studioId, studio.id), eq(inks.code, code));
      if (refill)
        await tx
          .update(inks)
          .set({ refills: sql`least(999, ${inks.refills} + 1)` })
          .where(own);
      // Whoever has said another word since knows better.
      if (wordBefore && wordBeforeAt)
        await tx
          .update(inks)
          .set({ state: wordBefore, stateAt: wordBeforeAt })
          .where(and(own, eq(inks.stateAt, at)));
      return true;
    }),
  );
