import type { Lab } from "@/core/colour/lab";
import { BANDS, type Illuminant, type Spectrum } from "@/core/colour/observer";
import { absorbance } from "./kubelka-munk";
import type { Reading } from "./reading";
import { reconstructReflectance } from "./reconstruct";
import { inside, type Surface } from "./saunderson";

/** What belongs to a paper and is fitted from its swatches. */
export interface PaperFit extends Surface {
  /** Scattering power S·X of the part of the sheet that ink reaches. */
  readonly depth: number;
  /** u(1), u(2), u(3)…: ink in the sheet after n equal coats, in units of the first. */
  readonly uptake: readonly number[];
  /**
   * Exponent between the ink laid and the K/S it gives, at most 1. Ink crowds near the surface, so a band that is already dark gains less
   * from a second ink than a band that is still bright. 1 puts the whole loss on the amount of ink taken.
   */
  readonly crowding: number;
  /** Share of the ink beneath that one pass loosens (λ), on dry ink and on wet. */
  readonly lifting: number;
  readonly wetLifting: number;
}

/**
 * Wetness of the sheet when the next pass comes, and its λ where nothing has been fitted: ink on dry ink, ink on wet ink, blender. Only
 * overlays tell what a pass on dry ink loosens; until then nothing is the best guess: it misses least on the simulated papers (bench/spectra.ts).
 */
export const DEFAULT_LIFTING = { dry: 0, wet: 0.05, blender: 0.45 } as const;

/** A smooth white card, before anything is known: the middle of what papers fit to. */
export const DEFAULT_FIT: PaperFit = {
  k1: 0.028,
  k2: 0.35,
  depth: 1.3,
  uptake: [1, 1.75, 2.35, 2.85],
  crowding: 0.9,
  lifting: DEFAULT_LIFTING.dry,
  wetLifting: DEFAULT_LIFTING.wet,
};

/** Reflectances of a sheet as the model takes them: none is a perfect white, and one that glows is no exception. */
const [LEAST_REFLECTANCE, MOST_REFLECTANCE] = [1e-4, 0.999];

/** A paper as the model uses it: its colour and its spectra behind the surface. */
export interface Paper {
  readonly lab: Lab;
  readonly illuminant: Illuminant;
  /** Measured reflectance, 36 bands. */
  readonly reflectance: Spectrum;
  /** Whether no sheet can have the colour that was given; `reflectance` is then that of the nearest one that can. */
  readonly clamped: boolean;
  /** Internal reflectance (behind the surface), 36 bands. */
  readonly bare: Spectrum;
  /** K/S of the bare sheet, 36 bands. */
  readonly absorbance: Spectrum;
  readonly fit: PaperFit;
}

/**
 * A paper of a measured colour. Illuminant: the light its Lab is meant under.
 * @throws RangeError when the lightness is not within 0–100
 */
export function makePaper(lab: Lab, fit: PaperFit = DEFAULT_FIT, illuminant: Illuminant = "D65"): Paper {
  const full = new Float64Array(BANDS).fill(1);
  const { reflectance, clamped } = reconstructReflectance(lab, full, illuminant);
  return refit({ lab, illuminant, reflectance, clamped }, fit);
}

/** A paper as it was read under daylight: by its own reflectance where an instrument gave it. */
export function paperAsRead({ lab, reflectance }: Reading, fit: PaperFit = DEFAULT_FIT): Paper {
  if (!reflectance) return makePaper(lab, fit);
  const held = reflectance.map((r) => Math.min(MOST_REFLECTANCE, Math.max(LEAST_REFLECTANCE, r)));
  return refit({ lab, illuminant: "D65", reflectance: held, clamped: false }, fit);
}

/** Share of the darkest band's reflectance that the surface alone may send back: what is seen of a sheet is never all surface. */
const MOST_SURFACE = 0.9;

/**
 * The same sheet with other fitted values. A sheet that is somewhere darker than the surface reflection k1 of the fit has less of it: bare
 * paper must come out as it was read.
 */
export function refit(
  paper: Pick<Paper, "lab" | "illuminant" | "reflectance" | "clamped">,
  fit: PaperFit,
): Paper {
  const { lab, illuminant, reflectance, clamped } = paper;
  const darkest = reflectance.reduce((least, r) => Math.min(least, r), 1);
  const own = { ...fit, k1: Math.min(fit.k1, MOST_SURFACE * darkest) };
  const bare = Float64Array.from(reflectance, (r) => Math.min(inside(r, own), 0.999));
  return { lab, illuminant, reflectance, clamped, bare, absorbance: bare.map(absorbance), fit: own };
}

/** u(n) for any number of coats: beyond the fitted ones each coat adds less than the last in the same ratio. u(0) = 0. */
export function uptakeOf({ uptake }: PaperFit, coats: number): number {
  if (coats <= 0) return 0;
  const known = uptake[coats - 1];
  if (known !== undefined) return known;
  const last = uptake.length - 1;
  if (last < 2) return coats;
  const gain = uptake[last]! - uptake[last - 1]!;
  const ratio = Math.min(0.98, Math.max(0.5, gain / (uptake[last - 1]! - uptake[last - 2]!)));
  let sum = uptake[last]!;
  for (let n = last + 1, step = gain * ratio; n < coats; n++, step *= ratio) sum += step;
  return sum;
}
