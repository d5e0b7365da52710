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

/**
 * Speed from steps that followed each other with the same marker, the time of a change from those that followed with another. What lies before
 * or after a pause tells nothing, nor what took far longer than most.
 */
export function paceOf(records: readonly WorkRecord[]): LearntPace {
  const [same, other]: { work: number; took: number }[][] = [[], []];
  for (const { events } of records) {
    let last: EventOf<"done"> | undefined;
    for (const e of events) {
      if (e.kind === "done") {
        if (last && e.at > last.at)
          (last.code === e.code ? same : other)!.push({
            work: e.mm2 * e.coats,
            took: (e.at - last.at) / 1000,
          });
        last = e;
      } else if (e.kind !== "noted" && e.kind !== "exchanged") last = undefined;
    }
  }
  const sound = <T>(all: readonly T[], of: (t: T) => number): T[] => {
    const most = INTERRUPTED * (all.length ? median(all.map(of)) : 0);
    return all.filter((t) => of(t) <= most);
  };
  const strokes = sound(same!, (s) => s.took / Math.max(1, s.work)).filter((s) => s.work > 0);
  const speed = strokes.length >= ENOUGH ? learnt(strokes.map((s) => s.work / s.took)) : undefined;
  const changes = speed
    ? sound(
        other!.map((s) => Math.max(0, s.took - s.work / speed.value)),
        (s) => s,
      )
    : [];
  return {
    ...(speed && { speed }),
    ...(changes.length >= ENOUGH && { change: learnt(changes) }),
  };
}
