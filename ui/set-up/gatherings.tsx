"use client";
import { Eye } from "lucide-react";
import type { SetUpOutput } from "@/compute/operations/set-up";
import type { Gathering, GatheringKind } from "@/core/picture/gatherings";
import type { Work } from "@/ui/jobs/use-job";
import { counted } from "@/words/numbers";
import { keysOf } from "./region-overlay";

const WHY: Readonly<Record<GatheringKind, string>> = {
  "one colour": "of one colour in the reference",
  "heavier outline": "within a heavier outline",
  alike: "alike, side by side",
  hatching: "parted by hatching only",
};
/** Proposals that are told one by one. */
const MOST_TOLD = 12;

/** Shapes that are proposed as one area each: shown in the drawing before they are taken, one by one or all at once. */
export function Gatherings({
  work,
  output,
  isStale,
  chosen,
  onChoose,
  onTake,
}: {
  readonly work: Work<readonly Gathering[]>;
  readonly output: SetUpOutput;
  /** Areas were made since the drawing was looked at. */
  readonly isStale: boolean;
  readonly chosen: ReadonlySet<string>;
  readonly onChoose: (keys: ReadonlySet<string>) => void;
  readonly onTake: (sets: readonly (readonly number[])[]) => void;
}) {
  const found = work.old ? undefined : work.output;
  if (work.progress !== undefined && !found)
    return (
      <p className="m-0 text-[15px] text-soft" role="status">
        Looking for shapes that belong together…
      </p>
    );
  if (!found?.length) return null;
  const shapes = found.reduce((sum, g) => sum + g.regions.length, 0);
  return (
    <section aria-label="Proposed areas" className="border border-strong bg-panel p-3 text-[15px]">
      <div className="flex flex-wrap items-center gap-2">
        <p className="m-0 min-w-0 flex-1">
          <strong className="font-semibold">
            {shapes} shapes would make {counted(found.length, "area")}.
          </strong>{" "}
          Look at them, and take what is right.
        </p>
        <button
          className="button button-main"
          disabled={isStale}
          onClick={() => onTake(found.map((g) => g.regions))}
        >
          Take {found.length === 1 ? "it" : `all ${found.length}`}
        </button>
      </div>
      <ul className="m-0 mt-2 max-h-64 list-none overflow-y-auto border-t border-line p-0">
        {found.slice(0, MOST_TOLD).map((g) => {
          const keys = keysOf(output, g.regions);
          const isShown = keys.length === chosen.size && keys.every((k) => chosen.has(k));
          return (
            <li
              key={g.regions.join()}
              className="flex items-center gap-2 border-b border-line py-0.5 last:border-b-0"
            >
              <button
                className="flex min-h-10 min-w-0 flex-1 items-center gap-2 text-left"
                aria-pressed={isShown}
                onClick={() => onChoose(new Set(isShown ? [] : keys))}
              >
                <Eye size={17} aria-hidden className={isShown ? "" : "text-soft"} />
                <span className={isShown ? "font-semibold" : ""}>
                  {g.regions.length} shapes {WHY[g.kind]}
                </span>
              </button>
              <button className="button" disabled={isStale} onClick={() => onTake([g.regions])}>
                Take
              </button>
            </li>
          );
        })}
      </ul>
      {found.length > MOST_TOLD && (
        <p className="mt-1 mb-0 text-[14px] text-soft">
          and {counted(found.length - MOST_TOLD, "more area")} of smaller shapes
        </p>
      )}
    </section>
  );
}
