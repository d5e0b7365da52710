import { doseOfK, kOfDose } from "./dose";
import { leastOf } from "@/core/algebra/least";
import { median } from "@/core/algebra/median";
import { deltaE00 } from "@/core/colour/delta-e00";
import type { Lab } from "@/core/colour/lab";
import { seenLab, type Desk, type Stack } from "./desk";
import { absorbanceOfDose, laidDose } from "./laid";
import { DEFAULT_LIFTING, uptakeOf, type Paper } from "./paper";
import type { InkSpectrum } from "./stack";
import { inkedLab } from "./sheet";

/** A lift cell: coats of one ink, dry, then one pass of the colourless blender. */
export interface LiftReading {
  readonly spectrum: InkSpectrum;
  readonly coats: number;
  readonly lab: Lab;
}

export interface Lifting {
  /** Share λ of the ink that the blender takes away. */
  readonly blender: number;
  /** Median ΔE00 of the lift cells from the model. */
  readonly residual: number;
  readonly cells: number;
}

/** Colour of coats of one ink after a pass that takes the share `lambda` of it away. */
export function liftedLab(paper: Paper, spectrum: InkSpectrum, coats: number, lambda: number): Lab {
  const { fit } = paper;
  const left = (1 - lambda) * doseOfK(uptakeOf(fit, coats), fit);
  return inkedLab(
    paper,
    spectrum.map((k) => kOfDose(left * doseOfK(k, fit), fit)),
  );
}

/** Colour of a stack that lies dry, after a pass that takes the share `lambda` of its ink away; what readings know of the stack fades with it. */
export function liftedStack(desk: Desk, stack: Stack, lambda: number): Lab {
  if (!stack.length) return desk.paper.lab;
  const dose = laidDose(
    desk,
    stack.map((ink) => ({ ink, coats: 1, wet: false })),
  );
  const { paper } = desk;
  const [model, left] = [1, 1 - lambda].map((share) =>
    inkedLab(
      paper,
      absorbanceOfDose(
        dose.map((d) => share * d),
        paper.fit,
      ),
    ),
  ) as [Lab, Lab];
  const known = seenLab(desk, stack);
  const [L, a, b] = left.map((v, c) => v + (1 - lambda) * (known[c]! - model[c]!)) as unknown as Lab;
  return [Math.min(100, Math.max(0, L)), a, b];
}

const STEPS = 24;

/** Fits λ of the blender to a paper's lift cells by least median ΔE00 (golden section); without cells the expected value stands. */
export function fitLifting(paper: Paper, cells: readonly LiftReading[]): Lifting {
  if (!cells.length) return { blender: DEFAULT_LIFTING.blender, residual: 0, cells: 0 };
  const off = (lambda: number) =>
    median(cells.map((c) => deltaE00(liftedLab(paper, c.spectrum, c.coats, lambda), c.lab)));
  const blender = leastOf(off, [0, 0.95], STEPS);
  return { blender, residual: off(blender), cells: cells.length };
}
