import { median, quantile } from "@/core/algebra/median";
import type { EventOf, WorkRecord } from "./record";

/** A value as the record tells it: the middle of what was seen, and where half of it lay. */
export interface Learnt {
  readonly value: number;
  readonly from: number;
  readonly to: number;
  readonly seen: number;
}

/** Pace of a hand: mm² of one coat a second, and seconds to change markers. */
export interface LearntPace {
  readonly speed?: Learnt;
  readonly change?: Learnt;
}

/** Steps that tell anything at all. */
const ENOUGH = 5;
/** A step that took so many times longer than most was interrupted. */
const INTERRUPTED = 4;

const learnt = (values: readonly number[]): Learnt => ({
  value: median(values),
  from: quantile(values, 0.25),
  to: quantile(values, 0.75),
  seen: values.length,
});

/** Steps that are looked at in pairs: the newest. */
const MOST = 240;

/** Value at which half of the weight lies below. */
function weightedMedian(values: readonly { readonly value: number; readonly weight: number }[]): number {
  const sorted = [...values].sort((a, b) => a.value - b.value);
  const half = sorted.reduce((sum, v) => sum + v.weight, 0) / 2;
  let sum = 0;
  for (const v of sorted) if ((sum += v.weight) >= half) return v.value;
  return NaN;
}

/**
 * Seconds a mm² from every step that went on with the same marker, and from every two that came after a change, whose difference no change is in;
 * the middle of them by weight (P. K. Sen, J. Am. Stat. Assoc. 63, 1968). What is left of a step after a change is the change. What lies before or
 * after a pause tells nothing, nor what took far longer than most.
 */
export function paceOf(records: readonly WorkRecord[]): LearntPace {
  const all: { readonly work: number; readonly took: number; readonly changed: boolean }[] = [];
  for (const { events } of records) {
    let last: EventOf<"done"> | undefined;
    for (const e of events) {
      if (e.kind === "done") {
        const work = e.mm2 * e.coats;
        if (last && e.at > last.at && work > 0)
          all.push({ work, took: (e.at - last.at) / 1000, changed: last.code !== e.code });
        last = e;
      } else if (e.kind !== "noted" && e.kind !== "entered" && e.kind !== "exchanged") last = undefined;
    }
  }
  const usual = median(all.map((s) => s.took));
  const sound = all.filter((s) => s.took <= INTERRUPTED * usual).slice(-MOST);
  if (sound.length < ENOUGH) return {};
  const slopes = sound.flatMap(({ work, took, changed }) =>
    changed ? [] : [{ value: took / work, weight: work }],
  );
  const changed = sound.filter((s) => s.changed);
  changed.forEach((a, i) =>
    changed.slice(i + 1).forEach((b) => {
      const more = a.work - b.work;
      if (more) slopes.push({ value: (a.took - b.took) / more, weight: Math.abs(more) / changed.length });
    }),
  );
  const slope = weightedMedian(slopes);
  if (!(slope > 0)) return {};
  const left = changed.map((s) => Math.max(0, s.took - s.work * slope));
  const change = left.length >= ENOUGH ? learnt(left) : undefined;
  const speeds = sound.flatMap((s) => {
    const strokes = s.took - (s.changed ? (change?.value ?? 0) : 0);
    return strokes > 0 ? [s.work / strokes] : [];
  });
  return { speed: { ...learnt(speeds), value: 1 / slope }, ...(change && { change }) };
}
