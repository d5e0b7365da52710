import { BANDS } from "@/core/colour/observer";
import type { PencilFilm } from "./film";
import type { ToothFit } from "./tooth";

/**
 * What strips may move, as logarithms against what was expected before any was read, each with its spread beforehand. Found by trying: judged on
 * four simulated teeth that differ by law (`bench/teeth.ts`, `bench/pencil.ts`).
 */
const TOOTH = {
  build: 1.2,
  evenness: 1,
  reach: 1.2,
  press: 0.6,
  fill: 0.8,
  carry: 0.6,
  /** Of n − 1, for an exponent n that is never below 1. */
  mix: 1.5,
  /** A film drawn by hand scatters otherwise than its firm drawdown: it holds more air, or less. */
  veil: 0.3,
} as const;
type Moved = keyof typeof TOOTH;
const MOVED = Object.keys(TOOTH) as readonly Moved[];
/** Parameters that all pencils share. */
export const SHARED = MOVED.length;
const VEIL = MOVED.indexOf("veil");

/** Wavelengths (nm) at which a pencil's absorption bends; straight between them. */
const KNOTS = [400, 450, 500, 550, 600, 650, 700];
/** Parameters of a pencil: its strength, its scattering, its absorption at each knot. */
export const OWN = 2 + KNOTS.length;
const STRENGTH_SPREAD = 0.5;
const SCATTER_SPREAD = 0.4;
const BEND_SPREAD = 0.4;
const LEAST_ABSORB = 1e-5;

/** 1/σ² of each shared parameter, then of each of a pencil's own, before any strip. */
export const sharedPrecision: readonly number[] = MOVED.map((k) => 1 / TOOTH[k] ** 2);
export const ownPrecision: readonly number[] = [
  STRENGTH_SPREAD,
  SCATTER_SPREAD,
  ...KNOTS.map(() => BEND_SPREAD),
].map((s) => 1 / s ** 2);

/** The place of its scattering among a pencil's own parameters, and how surely that of a guessed film is known beforehand: hardly. */
export const SCATTER_AT = 1;
export const guessedPrecision = 1 / 0.9 ** 2;

const shareOfKnot = (nm: number, j: number): number => {
  const [before, at, after] = [KNOTS[j - 1], KNOTS[j]!, KNOTS[j + 1]];
  if (nm <= at) return before === undefined ? 1 : Math.max(0, 1 - (at - nm) / (at - before));
  return after === undefined ? 1 : Math.max(0, 1 - (nm - at) / (after - at));
};
const knotShares = Array.from({ length: BANDS }, (_, i) =>
  KNOTS.map((__, j) => shareOfKnot(380 + 10 * i, j)),
);

/** A tooth as its shared parameters, `x` from `at` on, move it. */
export function toothAt(start: ToothFit, x: ArrayLike<number>, at: number): ToothFit {
  const by = (k: Moved) => Math.exp(x[at + MOVED.indexOf(k)]!);
  return {
    build: start.build * by("build"),
    evenness: start.evenness * by("evenness"),
    reach: start.reach * by("reach"),
    press: start.press * by("press"),
    fill: start.fill * by("fill"),
    carry: start.carry * by("carry"),
    mix: 1 + (start.mix - 1) * by("mix"),
  };
}

/** How much more a film scatters on this paper than in its drawdown. */
export const veilAt = (x: ArrayLike<number>, at: number): number => Math.exp(x[at + VEIL]!);

/** A film as its own parameters, `x` from `at` on, and the paper's veil bend it. */
export function filmAt(film: PencilFilm, x: ArrayLike<number>, at: number, veil: number): PencilFilm {
  const strength = Math.exp(x[at]!);
  const scatter = strength * Math.exp(x[at + 1]!) * veil;
  return {
    code: film.code,
    scatter: film.scatter.map((s) => s * scatter),
    absorb: film.absorb.map((k, i) => {
      let bend = 0;
      for (let j = 0; j < KNOTS.length; j++) bend += knotShares[i]![j]! * x[at + 2 + j]!;
      return Math.max(LEAST_ABSORB, k) * strength * Math.exp(bend);
    }),
  };
}
