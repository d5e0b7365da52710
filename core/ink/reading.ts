import { hexToLab } from "@/core/colour/display";
import { labToXyz, xyzToLab, type Lab } from "@/core/colour/lab";
import { labOf } from "@/core/colour/lab-of";
import { BANDS, type Illuminant, type Spectrum, type Xyz } from "@/core/colour/observer";
import { applyMatrix, RGB_TO_XYZ, XYZ_TO_RGB } from "@/core/colour/rgb";
import { reconstructReflectance } from "./reconstruct";

/** Which end of its scale an 8-bit channel stands at: −1 at 0, 1 at 255, otherwise 0. The true value may lie beyond. */
export type Clipping = readonly [red: number, green: number, blue: number];

/** A measured colour. */
export interface Reading {
  /** Under daylight (D65, 2°). */
  readonly lab: Lab;
  readonly clipping?: Clipping;
  /** The colour as it was told under another light; `lab` is then that of the smoothest reflectance that has it. */
  readonly told?: { readonly lab: Lab; readonly light: Illuminant };
  /** As an instrument read it: 36 bands, 0–1. */
  readonly reflectance?: Spectrum;
}

const FULL = new Float64Array(BANDS).fill(1);

/** Reading of a Lab under a light (2°). */
export function labReading(lab: Lab, light: Illuminant = "D65"): Reading {
  if (light === "D65") return { lab };
  const { reflectance } = reconstructReflectance(lab, FULL, light);
  return { lab: labOf(reflectance), told: { lab, light } };
}

/** Reading of a reflectance, 36 bands, 380–730 nm, 0–1. */
export const spectralReading = (reflectance: Spectrum): Reading => ({
  lab: labOf(reflectance),
  reflectance,
});

/** What a reading looks like under another light: by its own spectrum, or the smoothest that has its colour. */
export function readingUnder({ lab, told, reflectance }: Reading, light: Illuminant): Lab {
  if (light === "D65") return lab;
  if (told?.light === light) return told.lab;
  return labOf(reflectance ?? reconstructReflectance(lab, FULL).reflectance, light);
}

/** Reading of an 8-bit sRGB hex colour; undefined when it is not one. */
export function hexReading(hex: string): Reading | undefined {
  const lab = hexToLab(hex);
  if (!lab) return undefined;
  const end = (at: number) => {
    const level = Number.parseInt(hex.slice(at, at + 2), 16);
    return level === 0 ? -1 : level === 255 ? 1 : 0;
  };
  const clipping: Clipping = [end(1), end(3), end(5)];
  return clipping.some((c) => c !== 0) ? { lab, clipping } : { lab };
}

/**
 * The colour that a reading asks for, given what is predicted: a channel at the end of its scale asks for nothing beyond it, so a prediction
 * that lies further out is right there.
 */
export function wantedColour(reading: Reading, predicted: Lab): Lab {
  const { clipping, lab } = reading;
  if (!clipping) return lab;
  const read = applyMatrix(XYZ_TO_RGB, labToXyz(lab));
  const found = applyMatrix(XYZ_TO_RGB, labToXyz(predicted));
  const wanted = read.map((v, i) =>
    clipping[i]! < 0 ? Math.min(v, found[i]!) : clipping[i]! > 0 ? Math.max(v, found[i]!) : v,
  );
  return xyzToLab(applyMatrix(RGB_TO_XYZ, wanted as unknown as Xyz));
}
