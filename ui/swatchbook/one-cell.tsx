import { Figure } from "@/ui/kit/figure";
import { evennessInWords, trustInWords } from "@/words/patch";
import type { CellReading } from "@/core/chart/read-chart";
import { deltaE00 } from "@/core/colour/delta-e00";
import { labToHex } from "@/core/colour/display";
import type { Lab } from "@/core/colour/lab";
import { nameStack } from "@/core/formats/cgats";
import type { PaperSheet } from "@/store/papers";
import type { CellDecision, ReadingSource } from "@/store/schema";
import { Notice } from "@/ui/kit/notice";
import { doubtInWords } from "@/words/chart";
import { meetingInWords } from "@/words/meeting";
import { labInWords } from "@/words/numbers";

/** A reading that was there before. */
export interface Earlier {
  readonly stack: readonly string[];
  readonly lift: boolean;
  readonly lab: Lab;
  readonly source: ReadingSource;
}

/** Name of what a cell was coloured with. */
export const nameOf = ({
  stack,
  lift,
  meets,
  pressure,
}: Pick<CellReading, "stack" | "lift" | "meets" | "pressure">): string =>
  meets
    ? meetingInWords({ stack, ...meets })
    : `${nameStack(stack)}${lift ? ", lifted" : ""}${pressure ? `, ${pressure}` : ""}`;

/** One cell of a page: what was read, what is doubtful about it, and what is decided. */
export function OneCell({
  cell,
  decision,
  paper,
  before,
  onDecide,
}: {
  cell: CellReading;
  decision: CellDecision;
  paper: PaperSheet;
  before: Earlier | undefined;
  onDecide: (d: CellDecision) => void;
}) {
  const buttons: readonly [CellDecision, string, string][] = [
    ["accepted", "Accept", "a"],
    ["excluded", "Leave out", "x"],
    ["redo", "Redo", "r"],
  ];
  return (
    <section aria-label="Chosen cell" className="border border-strong bg-panel p-3">
      <div className="flex items-start gap-3">
        <span
          className="flex h-20 w-24 shrink-0 border border-strong"
          role="img"
          aria-label="The cell's middle colour beside bare paper"
        >
          <span className="flex-3" style={{ background: labToHex(cell.lab) }} />
          <span className="flex-1" style={{ background: labToHex(paper.lab) }} />
        </span>
        <div className="min-w-0">
          <h2 className="code m-0 text-[18px]">{nameOf(cell)}</h2>
          <p className="m-0 text-[15px]">{labInWords(cell.lab)}</p>
          <p className="m-0 text-[14px] text-soft">
            {evennessInWords(cell.spread, cell.streakiness)}; {trustInWords(cell.confidence)}{" "}
            <Figure unit="ΔE00">
              {cell.spread.toFixed(1)}, {Math.round(100 * cell.confidence)} %
            </Figure>
          </p>
          {before && (
            <p className="m-0 text-[14px] text-soft">
              {deltaE00(before.lab, cell.lab).toFixed(1)} ΔE00 from the {before.source} reading there is
            </p>
          )}
        </div>
      </div>
      {cell.profile && (
        <div
          className="mt-2 flex h-9 border border-strong"
          role="img"
          aria-label="Colours along the cell, as read"
        >
          {cell.profile.labs.map((lab, i) => (
            <span key={i} className="flex-1" style={{ background: labToHex(lab) }} />
          ))}
        </div>
      )}
      {cell.doubts.map((d) => (
        <Notice key={d.kind}>
          <strong>{d.kind[0]!.toUpperCase() + d.kind.slice(1)}.</strong> {doubtInWords(d)}.
        </Notice>
      ))}
      <div className="mt-3 flex gap-2">
        {buttons.map(([d, name, key]) => (
          <button
            key={d}
            aria-pressed={decision === d}
            className={`button flex-1 justify-center ${decision === d ? "button-main" : ""}`}
            onClick={() => onDecide(d)}
          >
            {name}{" "}
            <span className="key" aria-hidden>
              {key}
            </span>
          </button>
        ))}
      </div>
    </section>
  );
}
