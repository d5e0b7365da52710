"use client";
import { useEffect, useMemo, useState } from "react";
import { useStore } from "zustand";
import type { Area, Piece } from "@/core/piece/piece";
import { cutsOf, lyingOf } from "@/core/work/at-desk";
import { exchangedIn } from "@/core/work/exchanged";
import { workOf, type PieceWork } from "@/core/work/of-piece";
import type { WorkStep } from "@/core/work/work-order";
import { leftOf, recordOf, stepKey, type EventOf, type WorkRecord } from "@/core/work/record";
import type { Rack } from "@/store/rack";
import { useCompute } from "@/ui/jobs/use-job";
import { useStudio } from "@/ui/studio/studio-context";
import { deskOf, GOALS, orderWishAsked } from "@/ui/work/use-order";
import { keepOrder, keptOf, shapeOf, useKeptOrder } from "./kept-order";
import type { NewEvent, WorkLog } from "./work-log";

export type DeskStep = WorkStep;

/** How long an order is looked for before work begins, and while somebody waits with inky hands, s. */
const SECONDS = 4;
const SECONDS_ANEW = 1.5;

const NOTHING: ReturnType<typeof lyingOf> = [];
const NO_CUTS: Readonly<Record<string, number>> = {};

/** Everything that the desk shows of a piece: what lies, what is left and in which order, what comes next. */
export function useDesk(
  id: string,
  planned: Piece,
  rack: Rack,
  log: WorkLog,
  mm2Of: (area: Area, from: number, to: number) => number | undefined,
) {
  const events = useStore(log.log, (s) => s.events);
  const record = useMemo(() => recordOf(events), [events]);
  const piece = useMemo(() => exchangedIn(planned, record), [planned, record]);
  const desk = deskOf(useStudio(), rack.paper);
  const work = useMemo(() => workOf(piece, rack.paper, mm2Of), [piece, rack.paper, mm2Of]);
  const wish = useMemo(() => orderWishAsked(piece.whole, work), [piece.whole, work]);
  const shape = useMemo(() => shapeOf(work, wish), [work, wish]);
  const lying = useMemo(() => lyingOf(work, record, record.events.at(-1)?.at ?? 0), [work, record]);
  // What lay when the order was last asked for; what is laid in the order that was found changes it not.
  const [asked, setAsked] = useState({ serial: 0, done: NOTHING, cuts: NO_CUTS });
  const order = useKeptOrder(id, shape);
  const isAnswered = order !== undefined && order.serial >= asked.serial;
  const job = useCompute(
    "workOrder",
    work.length && !isAnswered
      ? {
          areas: work.map((w) => w.asked),
          ...wish,
          desk,
          worth: GOALS.changes.worth,
          seconds: record.done.size ? SECONDS_ANEW : SECONDS,
          done: asked.serial ? asked.done : lying,
          cuts: asked.serial ? asked.cuts : cutsKnown(work, record),
        }
      : null,
    undefined,
    // What was found stays in sight until the next is.
    { about: id },
  );
  const ready = job.output && job.progress === undefined && !job.old ? job.output : undefined;
  useEffect(() => {
    if (ready) keepOrder(id, shape, keptOf(ready), asked.serial);
  }, [ready, id, shape, asked.serial]);
  const shown = useMemo(() => order ?? (job.output && keptOf(job.output)), [order, job.output]);
  const sections = useMemo(() => shown?.sections ?? {}, [shown]);
  const parts = useMemo(() => new Map(work.map((w) => [w.id, w])), [work]);
  const left = useMemo(
    () =>
      // Of an order that is older than the plan only what the plan still has.
      shown ? leftOf(shown.steps, record).filter((s) => parts.get(s.area)?.passes[s.pass]) : [],
    [shown, record, parts],
  );
  const [held, hold] = useState<string>();
  // What is in the hand stays, whatever order is found meanwhile.
  const current = left.find((s) => stepKey(s) === held) ?? left[0];
  const rest = left.filter((s) => s !== current);
  const done = useMemo(() => record.events.filter((e): e is EventOf<"done"> => e.kind === "done"), [record]);
  return {
    pieceId: id,
    piece,
    work,
    parts,
    record,
    desk,
    sections,
    looking: !shown,
    error: job.error,
    current,
    rest,
    done,
    hold: (step: DeskStep) => hold(stepKey(step)),
    /** Plans the rest anew from what lies now, without moving what is in the hand. */
    anew: () => {
      if (current) hold(stepKey(current));
      const now = Math.max(Date.now(), record.events.at(-1)?.at ?? 0);
      const lies = lyingOf(work, record, now);
      setAsked({ serial: (order?.serial ?? 0) + 1, done: lies, cuts: cutsKnown(work, record) });
    },
    add: (event: NewEvent) => log.add(event),
    photograph: log.photograph,
  };
}

export type DeskState = ReturnType<typeof useDesk>;

/** Areas that were cut when something was laid there stay cut so; others are cut as they must be. */
const cutsKnown = (work: readonly PieceWork[], record: WorkRecord) => {
  const cuts = cutsOf(record);
  return Object.fromEntries(work.flatMap((w) => (cuts[w.id] ? [[w.id, cuts[w.id]!]] : [])));
};
