"use client";
import { dryingNow, type OpenEnd, type Wetness } from "@/core/work/at-desk";
import type { PieceWork } from "@/core/work/of-piece";
import type { WorkRecord } from "@/core/work/record";
import { countdown, openEndInWords } from "@/words/desk";

const MOST_SHOWN = 7;

/** What is open or drying, and what is not whole yet: always one glance away. */
export function Timers({
  work,
  record,
  wetness,
  now,
  nameOf,
  ends,
  total,
}: {
  readonly work: readonly PieceWork[];
  readonly record: WorkRecord;
  readonly wetness: Wetness;
  readonly now: number;
  readonly nameOf: (area: string) => string;
  readonly ends: readonly OpenEnd[];
  readonly total: string;
}) {
  const drying = dryingNow(work, record, wetness, now);
  const half = ends.filter((e) => e.kind === "underlay only" || e.kind === "skipped");
  return (
    <footer className="flex min-h-12 flex-wrap items-center gap-x-5 gap-y-1 border-t border-line px-4 py-1.5 text-[15px]">
      {drying.length === 0 && <span className="text-soft">Nothing is wet.</span>}
      {drying.length > 0 && (
        <ul className="m-0 flex list-none flex-wrap gap-x-5 gap-y-1 p-0" aria-label="What is wet">
          {drying.slice(0, MOST_SHOWN).map(({ area, open, dry }) => (
            <li key={area}>
              <strong>{nameOf(area)}</strong>{" "}
              {open > 0 ? `open for ${countdown(open)}` : `dry in ${countdown(dry)}`}
            </li>
          ))}
          {drying.length > MOST_SHOWN && <li className="text-soft">and {drying.length - MOST_SHOWN} more</li>}
        </ul>
      )}
      {half.length > 0 && (
        <span className="border-l-4 border-strong pl-2">
          {half
            .slice(0, 3)
            .map((e) => openEndInWords(e, nameOf(e.area)))
            .join("; ")}
          {half.length > 3 && `; ${half.length - 3} more`}
        </span>
      )}
      {ends.length > 0 && <span className="ml-auto text-soft">{total} not whole yet</span>}
    </footer>
  );
}
