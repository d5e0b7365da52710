import { hexToLab } from "@/core/colour/display";
import { labToXyz, xyzToLab, type Lab } from "@/core/colour/lab";
import type { Xyz } from "@/core/colour/observer";

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

/** IEC 61966-2-1: XYZ (D65) to linear sRGB and back. */
const TO_RGB = [
  [3.2404542, -1.5371385, -0.4985314],
  [-0.969266, 1.8760108, 0.041556],
  [0.0556434, -0.2040259, 1.0572252],
] as const;
const FROM_RGB = [
  [0.4124564, 0.3575761, 0.1804375],
  [0.2126729, 0.7151522, 0.072175],
  [0.0193339, 0.119192, 0.9503041],
] as const;

type Matrix = readonly (readonly [number, number, number])[];
const times = (m: Matrix, v: Xyz): Xyz => m.map((r) => r[0] * v[0] + r[1] * v[1] + r[2] * v[2]) as unknown as Xyz;

/**
 * The colour that a reading asks for, given what is predicted: a channel at the end of its scale asks for nothing beyond it, so a prediction
 * that lies further out is right there.
 */
export function wantedColour(reading: Reading, predicted: Lab): Lab {
  const { clipping, lab } = reading;
  if (!clipping) return lab;
  const read = times(TO_RGB, labToXyz(lab));
  const found = times(TO_RGB, labToXyz(predicted));
  const wanted = read.map((v, i) => (clipping[i]! < 0 ? Math.min(v, found[i]!) : clipping[i]! > 0 ? Math.max(v, found[i]!) : v));
  return xyzToLab(times(FROM_RGB, wanted as unknown as Xyz));
}
