"use client";
import { Printer } from "lucide-react";
import { useMemo } from "react";
import { FEWEST_PIECES, habitsOf, type ComparedPiece, type Habit } from "@/core/practice/habits";
import type { SheetResult } from "@/core/practice/sheet-result";
import { Link } from "@/ui/kit/link";
import { habitInWords, remedyInWords } from "@/words/habits";
import { counted } from "@/words/numbers";
import { exerciseInWords } from "@/words/practice";

/** What this hand does again and again, in one sentence, with what to do about it and the sheet that fits. */
export function Habits({
  pieces,
  sheets,
}: {
  readonly pieces: readonly ComparedPiece[];
  readonly sheets: readonly SheetResult[];
}) {
  const habits = useMemo(() => habitsOf(pieces, sheets), [pieces, sheets]);
  const [first, ...others] = habits;
  const seen = new Set(pieces.map((p) => p.id)).size;
  return (
    <section aria-label="What your hand does" className="border border-line bg-panel p-4">
      <h2 className="m-0 text-[17px]">What your hand does</h2>
      {!first && (
        <p className="mt-1 mb-0 max-w-[64ch] text-[15px]">
          {seen < FEWEST_PIECES
            ? `Photos of ${FEWEST_PIECES} pieces, read in Check and kept there, tell what you do again and again; so far ${seen ? counted(seen, "piece") : "none"} was read.`
            : `Nothing goes the same way again and again over the ${counted(seen, "piece")} that you had read.`}
        </p>
      )}
      {first && <OneHabit habit={first} />}
      {others.length > 0 && (
        <details className="mt-3">
          <summary className="cursor-pointer text-[15px]">
            {others.length === 1 ? "One more thing" : `${others.length} more things`}
          </summary>
          <ul className="m-0 mt-2 grid list-none gap-3 p-0">
            {others.map((h) => (
              <li key={`${h.kind} ${h.exercise}`}>
                <OneHabit habit={h} />
              </li>
            ))}
          </ul>
        </details>
      )}
    </section>
  );
}

function OneHabit({ habit }: { readonly habit: Habit }) {
  const { name } = exerciseInWords[habit.exercise];
  return (
    <div className="grid gap-x-6 gap-y-3 min-[720px]:grid-cols-[minmax(0,1fr)_auto]">
      <div>
        <p className="m-0 text-[19px] leading-snug font-semibold">{habitInWords(habit)}</p>
        <p className="mt-1 mb-0 max-w-[80ch] text-[15px]">{remedyInWords(habit)}</p>
        {habit.kind !== "sheets" && <Figures habit={habit} />}
      </div>
      <div className="flex flex-wrap items-start gap-2">
        <a
          className="button button-main inline-flex items-center gap-1.5"
          href={`/api/practice/sheets/print?exercise=${habit.exercise}`}
          download
        >
          <Printer size={17} aria-hidden /> Print: {name}
        </a>
      </div>
    </div>
  );
}

/** L* to the whole width of a bar. */
const WIDE = 12;

/** How far each piece tells of it. */
function Figures({ habit }: { readonly habit: Exclude<Habit, { kind: "sheets" }> }) {
  return (
    <table className="mt-2 border-collapse text-[14px]">
      <caption className="sr-only">Lightness against the plan, by piece</caption>
      <tbody>
        {habit.pieces.map((p) => (
          <tr key={p.id}>
            <th scope="row" className="max-w-[16rem] truncate py-0.5 pr-3 text-left font-normal">
              <Link href={`/pieces/${p.id}/check`}>{p.name || "Piece without a name"}</Link>
            </th>
            <td className="w-24 min-[480px]:w-40">
              <span className="relative block h-3 border-x border-line" aria-hidden>
                <span className="absolute top-0 bottom-0 left-1/2 w-px bg-strong" />
                <span
                  className="absolute top-0.5 bottom-0.5 bg-text"
                  style={{
                    left: `${50 + Math.min(0, Math.max(-50, (50 * p.by) / WIDE))}%`,
                    width: `${Math.min(50, Math.abs((50 * p.by) / WIDE))}%`,
                  }}
                />
              </span>
            </td>
            <td className="pl-3 text-right whitespace-nowrap">
              {Math.abs(p.by).toFixed(1)} {p.by < 0 ? "darker" : "lighter"}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
