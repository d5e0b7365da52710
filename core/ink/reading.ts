import { hexToLab } from "@/core/colour/display";
import { labToXyz, xyzToLab, type Lab } from "@/core/colour/lab";
import type { Xyz } from "@/core/colour/observer";
import { applyMatrix, RGB_TO_XYZ, XYZ_TO_RGB } from "@/core/colour/rgb";

/** Which end of its scale an 8-bit channel stands at: −1 at 0, 1 at 255, otherwise 0. The true value may lie beyond. */
export type Clipping = readonly [red: number, green: number, blue: number];

/** A measured colour (D65, 2°). */
export interface Reading {
  readonly lab: Lab;
  readonly clipping?: Clipping;
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
