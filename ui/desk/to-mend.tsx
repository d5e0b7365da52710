"use client";
import type { EventOf } from "@/core/work/record";
import type { DeskState } from "./use-desk";

/** What was found on the sheet and is still to be mended, each laid or left. */
export function ToMend({
  state,
  may,
  nameOf,
}: {
  readonly state: DeskState;
  readonly may: boolean;
  readonly nameOf: (area: string) => string;
}) {
  const laid = ({ id, area, codes, from, to, says, with: how }: EventOf<"mend">) => {
    if (how === "ink") state.add({ kind: "added", area, codes, from, to, wet: false, mends: id });
    else state.add({ kind: "noted", note: `Mended: ${says}`.slice(0, 2000), area, mends: id });
    state.anew();
  };
  return (
    <section aria-label="To mend">
      <h2 className="m-0 text-[15px] font-normal text-soft">To mend, as seen on the sheet</h2>
      <ul className="m-0 list-none p-0">
        {state.record.toMend.map((m) => (
          <li
            key={m.id}
            className="flex flex-wrap items-center gap-x-3 gap-y-1 border-b border-line py-1 text-[16px]"
          >
            <span className="font-semibold">{nameOf(m.area)}</span>
            <span className="min-w-40 flex-1">{m.says}</span>
            {may && (
              <span className="flex gap-1">
                <button className="button" onClick={() => laid(m)}>
                  Laid
                </button>
                <button
                  className="button"
                  onClick={() => state.add({ kind: "undone", undoes: m.id })}
                  aria-label={`Leave ${nameOf(m.area)} as it is`}
                >
                  Leave it
                </button>
              </span>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
