import { deltaE00 } from "@/core/colour/delta-e00";
import type { Lab } from "@/core/colour/lab";

/** A reason to look at a cell before its reading is taken. */
export interface Doubt {
  readonly kind: "glare" | "uneven" | "not coloured" | "lighter than one coat less" | "unlike before";
  /** Share of the cell (glare; 0 when only its neighbour glares), L* (uneven, lighter) or ΔE00 (not coloured, unlike before). */
  readonly figure: number;
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
  if (cell.over > MOST_OVER) out.push({ kind: "glare", figure: cell.over });
  else if (cell.glare) out.push({ kind: "glare", figure: 0 });
  if (cell.streakiness > MOST_STREAKS) out.push({ kind: "uneven", figure: cell.streakiness });
  if (cell.fromPaper < BARE && !cell.lift) out.push({ kind: "not coloured", figure: cell.fromPaper });
  const lighter = cell.oneCoatLess && !cell.lift ? cell.lab[0] - cell.oneCoatLess[0] : 0;
  if (lighter > LIGHTER) out.push({ kind: "lighter than one coat less", figure: lighter });
  const unlike = cell.known ? deltaE00(cell.lab, cell.known) : 0;
  if (unlike > UNLIKE) out.push({ kind: "unlike before", figure: unlike });
  return out;
}

/** How far a reading may be trusted, 0–1: falls with unevenness, and by half with each doubt. */
export const confidenceOf = (
  { streakiness }: Pick<Judged, "streakiness">,
  doubts: readonly Doubt[],
): number => Math.exp(-((streakiness / 4) ** 2)) * 0.5 ** doubts.length;
