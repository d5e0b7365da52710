import type { Lab } from "@/core/colour/lab";
import type { Illuminant } from "@/core/colour/observer";
import type { Coats } from "./fit-ink";
import { fitPaper } from "./fit-paper";
import type { Paper } from "./paper";
import { stackLab, type InkSpectrum } from "./stack";

export interface MeasuredInk {
  readonly code: string;
  /** Readings of one, two and three coats on the desk's paper; at least one. */
  readonly coats: Coats;
}

export interface DeskInk extends MeasuredInk {
  readonly spectrum: InkSpectrum;
}

/** The inks that lie ready, as they are on one paper. */
export interface Desk {
  readonly paper: Paper;
  readonly inks: readonly DeskInk[];
  /** Median ΔE00 of the model against its own swatches. */
  readonly residual: number;
}

/** One coat of ink after another, first coat first: positions in `Desk.inks`. */
export type Stack = readonly number[];

/** Fits a paper and its inks from swatches. */
export function layDesk(paper: Lab, inks: readonly MeasuredInk[], illuminant: Illuminant = "D65"): Desk {
  const fitted = fitPaper(paper, inks.map((i) => i.coats), illuminant);
  return { paper: fitted.paper, inks: inks.map((ink, i) => ({ ...ink, spectrum: fitted.inks[i]! })), residual: fitted.residual };
}

/** Whether a stack's colour has been measured: some coats of one ink, none of whose channels was at the end of its scale. */
export function isMeasured(desk: Desk, stack: Stack): boolean {
  const reading = stack.every((i) => i === stack[0]) ? desk.inks[stack[0] ?? -1]?.coats[stack.length - 1] : undefined;
  return reading !== undefined && !reading.clipping;
}

/** What one sees after a stack: its measured colour where there is one, else the prediction. No coats show the paper. */
export function seenLab(desk: Desk, stack: Stack): Lab {
  if (!stack.length) return desk.paper.lab;
  if (isMeasured(desk, stack)) return desk.inks[stack[0]!]!.coats[stack.length - 1]!.lab;
  return stackLab(desk.paper, stack.map((i) => desk.inks[i]!.spectrum));
}
