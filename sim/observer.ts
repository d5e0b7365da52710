import cie from "../core/colour/cie-1931-10nm.json" with { type: "json" };

/** The desk works every 5 nm from 380 to 730: its own sampling, linear between the published 10 nm values. */
export const STEP_NM = 5;
export const SAMPLES = 71;
export const wavelength = (i: number): number => 380 + STEP_NM * i;

const between = (table: number[]) => (i: number) =>
  i % 2 ? (table[(i - 1) / 2]! + table[(i + 1) / 2]!) / 2 : table[i / 2]!;
const bars = [cie.xbar, cie.ybar, cie.zbar].map(between);
const daylight = between(cie.d65);
const full = Array.from({ length: SAMPLES }, (_, i) => daylight(i) * bars[1]!(i)).reduce((a, b) => a + b, 0);

/** XYZ under daylight (white Y = 1) of a reflectance sampled every 5 nm. */
export function look(reflectance: ArrayLike<number>): [number, number, number] {
  const out: [number, number, number] = [0, 0, 0];
  for (let i = 0; i < SAMPLES; i++)
    for (let c = 0; c < 3; c++) out[c]! += (reflectance[i]! * daylight(i) * bars[c]!(i)) / full;
  return out;
}
