import { deltaE00 } from "@/core/colour/delta-e00";
import type { Lab } from "@/core/colour/lab";

/** A reason to look at a cell before its reading is taken. */
export interface Doubt {
  readonly kind: "glare" | "uneven" | "not coloured" | "lighter than one coat less" | "unlike before";
  /** With its number. */
  readonly message: string;
}

interface Judged {
  readonly lab: Lab;
  readonly spread: number;
  readonly streakiness: number;
  /** Share of its pixels at the upper end of the scale. */
  readonly over: number;
  readonly glare: boolean;
  readonly lift: boolean;
  /** ΔE00 from bare paper. */
  readonly fromPaper: number;
  /** The same ink with one coat less on the same line. */
  readonly oneCoatLess: Lab | undefined;
  /** The same stack as it is known otherwise. */
  readonly known: Lab | undefined;
}

const MOST_STREAKS = 1.6;
const MOST_OVER = 0.04;
const BARE = 0.9;
/** A further coat may come out lighter by the reading's own error, not by more, L*. */
const LIGHTER = 1.2;
const UNLIKE = 8;

/** What is doubtful about a cell; nothing for most. */
export function doubtsOf(cell: Judged): Doubt[] {
  const out: Doubt[] = [];
  if (cell.over > MOST_OVER || cell.glare)
    out.push({
      kind: "glare",
      message:
        cell.over > MOST_OVER
          ? `${Math.round(100 * cell.over)} % of it is at the end of the scale`
          : "a white cell beside it glares",
    });
  if (cell.streakiness > MOST_STREAKS)
    out.push({
      kind: "uneven",
      message: `lightness varies by ${cell.streakiness.toFixed(1)} L* within it: streaks, or not filled`,
    });
  if (cell.fromPaper < BARE && !cell.lift)
    out.push({ kind: "not coloured", message: `only ${cell.fromPaper.toFixed(1)} ΔE00 from bare paper` });
  if (cell.oneCoatLess && !cell.lift && cell.lab[0] > cell.oneCoatLess[0] + LIGHTER)
    out.push({
      kind: "lighter than one coat less",
      message: `${(cell.lab[0] - cell.oneCoatLess[0]).toFixed(1)} L* lighter than with one coat less`,
    });
  if (cell.known && deltaE00(cell.lab, cell.known) > UNLIKE)
    out.push({
      kind: "unlike before",
      message: `${deltaE00(cell.lab, cell.known).toFixed(1)} ΔE00 from the known reading`,
    });
  return out;
}

/** How far a reading may be trusted, 0–1: falls with unevenness, and by half with each doubt. */
export const confidenceOf = (
  { streakiness }: Pick<Judged, "streakiness">,
  doubts: readonly Doubt[],
): number => Math.exp(-((streakiness / 4) ** 2)) * 0.5 ** doubts.length;
