import cie from "../core/colour/cie-1931-10nm.json" with { type: "json" };

/** The desk works every 5 nm from 380 to 730: its own sampling, linear between the published 10 nm values. */
export const STEP_NM = 5;
export const SAMPLES = 71;
export const wavelength = (i: number): number => 380 + STEP_NM * i;

const between = (table: number[]) => (i: number) =>
  i % 2 ? (table[(i - 1) / 2]! + table[(i + 1) / 2]!) / 2 : table[i / 2]!;
const bars = [cie.xbar, cie.ybar, cie.zbar].map(between);
const lights = { D65: between(cie.d65), D50: between(cie.d50) } as const;
const fullOf = (light: (i: number) => number): number =>
  Array.from({ length: SAMPLES }, (_, i) => light(i) * bars[1]!(i)).reduce((a, b) => a + b, 0);
const full = { D65: fullOf(lights.D65), D50: fullOf(lights.D50) } as const;

/** XYZ (white Y = 1) of a reflectance sampled every 5 nm, under daylight or a viewing booth's light. */
export function look(
  reflectance: ArrayLike<number>,
  light: keyof typeof lights = "D65",
): [number, number, number] {
  const out: [number, number, number] = [0, 0, 0];
  for (let i = 0; i < SAMPLES; i++)
    for (let c = 0; c < 3; c++) out[c]! += (reflectance[i]! * lights[light](i) * bars[c]!(i)) / full[light];
  return out;
}
