import { deltaE00 } from "@/core/colour/delta-e00";
import type { Lab } from "@/core/colour/lab";
import type { Spectrum } from "@/core/colour/observer";
import { drawnLab, type PencilLayer, type ToothFit } from "./tooth";

/** A trial strip: pencil over a base, as read. */
export interface Strip {
  readonly under: Spectrum;
  readonly layers: readonly PencilLayer[];
  readonly lab: Lab;
}

export interface FittedTooth extends ToothFit {
  /** Median ΔE00 of the strips from the model. */
  readonly residual: number;
  readonly strips: number;
}

const median = (v: readonly number[]) => [...v].sort((a, b) => a - b)[v.length >> 1]!;
/** Misread strips lose their say from this ΔE00 on. */
const CAP = 8;
/** Values that a coarse search starts from. */
const BUILDS = [0.1, 0.2, 0.4, 0.8];
const EVENNESSES = [0.15, 0.3, 0.6, 1.2, 2.5];
const FILLS = [0.5, 1.5, 4];
const FIRST_STEP = 0.35;
const LAST_STEP = 0.02;

/** Fits how a paper takes wax to its trial strips by least mean ΔE00: a coarse grid, then one value after another in ever smaller steps. */
export function fitTooth(strips: readonly Strip[], start: ToothFit): FittedTooth {
  if (!strips.length) return { ...start, residual: 0, strips: 0 };
  const errors = (fit: ToothFit) => strips.map((s) => deltaE00(drawnLab(s.under, s.layers, fit), s.lab));
  const cost = (fit: ToothFit) => errors(fit).reduce((a, b) => a + Math.min(CAP, b), 0);
  let best = start;
  let least = cost(best);
  const consider = (fit: ToothFit): boolean => {
    const c = cost(fit);
    if (c >= least) return false;
    [best, least] = [fit, c];
    return true;
  };
  for (const build of BUILDS)
    for (const evenness of EVENNESSES)
      for (const fill of FILLS) consider({ ...start, build, evenness, fill });
  for (let step = FIRST_STEP; step > LAST_STEP; step /= 2)
    for (let better = true; better;) {
      better = false;
      for (const key of ["build", "reach", "evenness", "fill", "press"] as const)
        for (const f of [1 + step, 1 / (1 + step)])
          better = consider({ ...best, [key]: Math.max(1e-3, best[key] * f) }) || better;
    }
  return { ...best, residual: median(errors(best)), strips: strips.length };
}
