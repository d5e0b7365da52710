import { median } from "@/core/algebra/median";
import { deltaE00 } from "@/core/colour/delta-e00";
import type { Lab } from "@/core/colour/lab";
import type { Spectrum } from "@/core/colour/observer";
import { drawnLab, type PencilLayer, type ToothFit } from "./tooth";

/** A trial strip: pencil over a base, as read. */
export interface TrialStrip {
  readonly under: Spectrum;
  readonly layers: readonly PencilLayer[];
  readonly lab: Lab;
}

export interface FittedTooth extends ToothFit {
  /** Median ΔE00 of the strips from the model. */
  readonly residual: number;
  readonly strips: number;
}

/** Misread strips lose their say from this ΔE00 on. */
const CAP = 8;
/** Values that a coarse search starts from. */
const BUILDS = [0.1, 0.2, 0.4, 0.8];
const EVENNESSES = [0.15, 0.3, 0.6, 1.2, 2.5];
const FILLS = [0.5, 1.5, 4];
const FIRST_STEP = 0.35;
const LAST_STEP = 0.02;

/** Bounds within which a paper's values stay: outside them nothing is a paper. */
const BOUNDS: Readonly<Record<keyof ToothFit, readonly [least: number, most: number]>> = {
  build: [0.01, 10],
  reach: [0.01, 100],
  evenness: [0.05, 8],
  fill: [0.05, 50],
  press: [0.2, 5],
};
/** Rounds of small steps at one step size, should every one still gain a little. */
const MOST_ROUNDS = 60;

/** Fits how a paper takes wax to its trial strips by least mean ΔE00: a coarse grid, then one value after another in ever smaller steps. */
export function fitTooth(strips: readonly TrialStrip[], start: ToothFit): FittedTooth {
  const sound = strips.filter((s) => s.lab.every(Number.isFinite));
  if (!sound.length) return { ...start, residual: 0, strips: 0 };
  const error = (s: TrialStrip, fit: ToothFit) => deltaE00(drawnLab(s.under, s.layers, fit), s.lab);
  /** Summed over the strips as long as it is less than `most`. */
  const cost = (fit: ToothFit, most = Infinity) => {
    let sum = 0;
    for (const s of sound) if ((sum += Math.min(CAP, error(s, fit))) >= most) return Infinity;
    return sum;
  };
  let best = start;
  let least = cost(best);
  const consider = (fit: ToothFit): boolean => {
    const c = cost(fit, least);
    if (!(c < least)) return false;
    [best, least] = [fit, c];
    return true;
  };
  for (const build of BUILDS)
    for (const evenness of EVENNESSES)
      for (const fill of FILLS) consider({ ...start, build, evenness, fill });
  for (let step = FIRST_STEP; step > LAST_STEP; step /= 2)
    for (let better = true, round = 0; better && round < MOST_ROUNDS; round++) {
      better = false;
      for (const key of ["build", "reach", "evenness", "fill", "press"] as const)
        for (const f of [1 + step, 1 / (1 + step)]) {
          const [lowest, highest] = BOUNDS[key];
          better = consider({ ...best, [key]: Math.min(highest, Math.max(lowest, best[key] * f)) }) || better;
        }
    }
  return { ...best, residual: median(sound.map((s) => error(s, best))), strips: sound.length };
}
