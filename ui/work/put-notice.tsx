"use client";
import type { WorkOrderOutput } from "@/compute/operations/work-order";
import { MOST_FOLLOWED, MOST_PINS } from "@/border/work-steps";
import type { PlacedStep } from "@/core/piece/piece";
import type { Pins } from "@/core/work/put";
import { useRun } from "@/ui/piece/piece-context";
import { useMayChange } from "@/ui/studio/studio-context";
import { brokenInWords, movedInWords } from "@/words/work";
import type { Put } from "./use-put";

const IMPOSSIBLE: readonly string[] = ["beneath", "waits"];

/** What comes of a row that was just put elsewhere, and what may be done with it; else what stands as somebody has put it. */
export function PutNotice({
  pins,
  byHand,
  order,
  tried,
  put,
  nameOf,
}: {
  /** Steps that are held before others, and the order as somebody has put it, of so many cards as are looked at. */
  readonly pins: Pins;
  readonly byHand: readonly PlacedStep[];
  readonly order: WorkOrderOutput;
  /** The order with the row put elsewhere, once it is timed. */
  readonly tried: WorkOrderOutput | undefined;
  readonly put: Put;
  readonly nameOf: (id: string | number) => string;
}) {
  const run = useRun();
  const may = useMayChange();
  if (put.moved) {
    const cannot = tried?.broken.find((b) => IMPOSSIBLE.includes(b.rule));
    const known = new Set(order.broken.map((b) => JSON.stringify(b)));
    const broken = cannot ? [cannot] : (tried?.broken.filter((b) => !known.has(JSON.stringify(b))) ?? []);
    return (
      <section
        aria-label="What you put elsewhere"
        className="screen-only sticky top-14 z-10 grid gap-2 border-y border-strong bg-panel p-3"
      >
        <p className="m-0 text-[15px]" role="status">
          <strong>{put.moved.says}</strong>
          {tried && !cannot && <>: {movedInWords(order, tried)}.</>}
          {!tried && " …"}
        </p>
        {broken.map((b, i) => (
          <p key={i} className="m-0 border-l-4 border-strong pl-3 text-[14px]">
            {brokenInWords(b, nameOf(b.area), b.other === undefined ? "" : nameOf(b.other))}
          </p>
        ))}
        <div className="flex flex-wrap gap-2">
          {may && tried && !cannot && (
            <>
              {put.moved.pins.length + pins.length <= MOST_PINS && (
                <button className="button button-main" onClick={put.planAround}>
                  Plan the rest around it
                </button>
              )}
              {put.moved.follow.length <= MOST_FOLLOWED && (
                <button className="button" onClick={put.keep}>
                  Keep this order
                </button>
              )}
            </>
          )}
          <button className="button" onClick={put.back}>
            Put it back
          </button>
        </div>
      </section>
    );
  }
  if (byHand.length)
    return (
      <p className="screen-only m-0 flex flex-wrap items-center gap-3 text-[15px]">
        {order.followed
          ? "This is the order as you put it."
          : "The order that you put together was of an older plan: this one is planned anew."}
        {may && (
          <button
            className="button min-h-8 py-0"
            onClick={() => run({ type: "wish of the whole", set: { byHand: [] } })}
          >
            {order.followed ? "Plan it anew" : "Forget that"}
          </button>
        )}
      </p>
    );
  if (!pins.length) return null;
  return (
    <p className="screen-only m-0 flex flex-wrap items-center gap-3 text-[15px]">
      Planned around what you put elsewhere.
      {may && (
        <button
          className="button min-h-8 py-0"
          onClick={() => run({ type: "wish of the whole", set: { pins: [] } })}
        >
          Let it go
        </button>
      )}
    </p>
  );
}
