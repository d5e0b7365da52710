import { krige } from "@/core/algebra/kriging";
import type { Lab } from "@/core/colour/lab";
import { BANDS, type Spectrum } from "@/core/colour/observer";

/** A measured overlay: what the model says its spectrum is, and how far (Lab) the reading lies from the model's colour. */
export interface Leaning {
  /** ln(K/S added), 36 bands. */
  readonly z: Spectrum;
  readonly off: Lab;
}

/** What measured stacks say of stacks near to them. */
export interface Lean {
  /** What to add to the model's Lab for a stack of this ln(K/S). */
  readonly shift: (z: Spectrum) => Lab;
  /** How much (0–1) the nearest measured stack has a say. */
  readonly nearness: (z: Spectrum) => number;
}

/** Root mean square difference in ln(K/S) within which stacks err alike. */
export const REACH = 0.3;
/** Spread (L*, a*, b*) of a reading and of what order and hand add, relative to the model's expected error. */
const NOISE = 0.5;

const likeness = (a: Spectrum, b: Spectrum): number => {
  let sum = 0;
  for (let i = 0; i < BANDS; i++) sum += (a[i]! - b[i]!) ** 2;
  return Math.exp(-sum / BANDS / (2 * REACH * REACH));
};

/**
 * Carries the differences between measured overlays and the model to stacks of like spectrum: simple kriging (zero mean, Gaussian covariance
 * of ln K/S). Far from every measured stack nothing is added.
 */
export function leanOn(measured: readonly Leaning[]): Lean {
  const field = krige(
    measured.map((m) => m.z),
    measured.map((m) => m.off),
    likeness,
    NOISE ** 2,
  );
  return { shift: (z) => field.at(z) as unknown as Lab, nearness: field.nearest };
}
