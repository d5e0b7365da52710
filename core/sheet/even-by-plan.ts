import { labToXyz, xyzToLab, type Lab } from "@/core/colour/lab";
import type { Xyz } from "@/core/colour/observer";

/** A place that was read, what was planned for it, and its ground. */
export interface PlannedAndRead {
  readonly planned: Lab;
  readonly lies: Lab;
  readonly mm2: number;
}

/** Light under which a ratio tells nothing, Y of white 1. */
const DARKEST = 0.02;

/** The value that half of the weight lies under. */
function weightedMedian(some: readonly (readonly [value: number, weight: number])[]): number {
  const sorted = [...some].sort((a, b) => a[0] - b[0]);
  let half = sorted.reduce((sum, [, w]) => sum + w, 0) / 2;
  return sorted.find(([, w]) => (half -= w) <= 0)?.[0] ?? 0;
}

/**
 * Colours of a photo in which nothing is known, set so that half of the ground lies lighter than planned and half darker, in each of X, Y and Z: what
 * is off everywhere alike is the lamp's and cannot be told from it.
 */
export function evenedByPlan(places: readonly PlannedAndRead[]): (lab: Lab) => Lab {
  const ratios = places.flatMap(({ planned, lies, mm2 }) => {
    const [is, was] = [labToXyz(lies), labToXyz(planned)];
    return Math.min(...is, ...was) > DARKEST ? [{ by: is.map((v, c) => Math.log(was[c]! / v)), mm2 }] : [];
  });
  if (!ratios.length) return (lab) => lab;
  const gains = [0, 1, 2].map((c) => Math.exp(weightedMedian(ratios.map((r) => [r.by[c]!, r.mm2]))));
  return (lab) => {
    const [L, a, b] = xyzToLab(labToXyz(lab).map((v, c) => v * gains[c]!) as unknown as Xyz);
    return [Math.min(100, L), a, b];
  };
}
