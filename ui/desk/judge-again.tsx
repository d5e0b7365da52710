"use client";
import { useMemo, useState } from "react";
import { stackAt } from "@/core/work/at-desk";
import { looksWeak } from "@/core/work/judge-again";
import type { Rack } from "@/store/rack";
import { useAsk } from "@/ui/jobs/use-job";
import { darkerWords } from "@/words/desk";
import { ColourSquare } from "./colour-square";
import { PLACES } from "./place-choice";
import type { DeskState } from "./use-desk";

/** Areas that are asked about at a time: the weakest. */
const MOST_ASKED = 2;

/** Areas that look weak beside what is darker and came later, each with what one more coat would do: laid, or left as it is. */
export function JudgeAgain({
  state,
  rack,
  may,
  nameOf,
}: {
  readonly state: DeskState;
  readonly rack: Rack;
  readonly may: boolean;
  readonly nameOf: (area: string) => string;
}) {
  const { work, record } = state;
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const known = useMemo(
    () => new Set(rack.markers.flatMap((m) => (m.swatches.length ? [m.code] : []))),
    [rack.markers],
  );
  const inked = useMemo(() => work.filter((w) => !w.isDry), [work]);
  const stacks = useMemo(
    () =>
      inked.map(({ area }) =>
        stackAt(
          work.filter((w) => w.area.id === area.id),
          record,
          0,
          PLACES.middle.t,
        ).laid.filter((c) => known.has(c)),
      ),
    [inked, work, record, known],
  );
  // One more coat of what was laid there last.
  const more = stacks.map((stack) => stack.slice(-1));
  const asked = stacks.flatMap((stack, i) => (stack.length ? [{ i, stack, add: more[i]! }] : []));
  const job = useAsk(
    "predict",
    rack,
    asked.length > 1
      ? {
          stacks: asked.map((a) => a.stack),
          over: asked.map(({ stack, add }) => ({ stack, add, wet: false })),
        }
      : null,
    { about: state.pieceId },
  );
  const { output } = job;
  if (record.finished || !output || job.old || output.stacks.length !== asked.length) return null;
  const at = new Map(asked.map(({ i }, n) => [inked[i]!.id, n]));
  const weak = looksWeak(inked, record, (id) => {
    const n = at.get(id);
    return n === undefined ? undefined : output.stacks[n]!.lab;
  }).filter((w) => !left.has(`${w.id} ${w.beside}`));
  if (!weak.length) return null;
  return (
    <section aria-label="Judge again">
      <h2 className="m-0 text-[15px] font-normal text-soft">Judge again, now that its neighbours are in</h2>
      <ul className="m-0 list-none p-0">
        {weak.slice(0, MOST_ASKED).map(({ id, beside }) => {
          const n = at.get(id)!;
          const [now, then, code] = [output.stacks[n]!, output.over[n]!, asked[n]!.add[0]!];
          const part = inked.find((w) => w.id === id)!;
          return (
            <li key={id} className="grid gap-2 border-b border-line py-2 text-[16px]">
              <p className="m-0">
                <strong>{nameOf(id)}</strong> may look weak: much darker ink came later on {nameOf(beside)}{" "}
                beside it.
              </p>
              <div className="grid max-w-80 grid-cols-2 gap-3">
                <ColourSquare hex={now.hex}>As it lies</ColourSquare>
                <ColourSquare hex={then.hex}>
                  One more coat of <span className="code">{code}</span>:{" "}
                  {darkerWords(now.lab[0] - then.lab[0])}
                </ColourSquare>
              </div>
              {may && (
                <span className="flex flex-wrap gap-1">
                  <button
                    className="button"
                    onClick={() => {
                      const { from, to } = PLACES.middle;
                      state.add({ kind: "added", area: part.area.id, codes: [code], from, to, wet: false });
                      state.anew();
                    }}
                  >
                    Laid
                  </button>
                  <button
                    className="button"
                    aria-label={`Leave ${nameOf(id)} as it is`}
                    onClick={() => setLeft(new Set([...left, `${id} ${beside}`]))}
                  >
                    Leave it
                  </button>
                </span>
              )}
            </li>
          );
        })}
      </ul>
    </section>
  );
}
