import { median } from "@/core/algebra/median";
import { solve } from "@/core/algebra/solve";
import type { Xyz } from "@/core/colour/observer";

/** Something of known colour in the photo: its place (−1…1 over the drawing), its light as the photo has it, and as it truly is (linear RGB). */
export interface LitSample {
  readonly x: number;
  readonly y: number;
  readonly rgb: Xyz;
  readonly truly: Xyz;
}

/** Light over a sheet: what the photo's levels are divided by, each channel. */
export interface SheetLight {
  readonly at: (x: number, y: number) => Xyz;
  /** Root mean square of what known places are off, as a share of the light, strays left out. */
  readonly residual: number;
  /** Share of the samples that are darker than the light round them by a tenth and more: a shadow falls there. */
  readonly shaded: number;
}

/** Terms of the surface beside its level, by how many places of known colour it takes to have them. */
const TERMS: readonly (readonly [least: number, of: (x: number, y: number) => number])[] = [
  [3, (x) => x],
  [3, (_, y) => y],
  [9, (x) => x * x],
  [9, (x, y) => x * y],
  [9, (_, y) => y * y],
  [30, (x) => x ** 3],
  [30, (x, y) => x * x * y],
  [30, (x, y) => x * y * y],
  [30, (_, y) => y ** 3],
];
const RIDGE = 0.004;
const ROUNDS = 6;
const LEAST_SPREAD = 0.02;
const SHADE = 0.1;
const LEAST = 1e-3;

/**
 * Light over a sheet from places of known colour: a gain for each channel, and one positive surface of low order that all channels share, for a
 * lamp that stands to one side. In logarithms, strays by Tukey's weights: places that were touched, that glare or lie in a shadow.
 */
export function sheetLight(samples: readonly LitSample[]): SheetLight {
  const terms = TERMS.filter(([least]) => samples.length >= least).map(([, of]) => of);
  const n = 3 + terms.length;
  const ratio = samples.map((s) =>
    s.rgb.map((v, c) => Math.log(Math.max(LEAST, v) / Math.max(LEAST, s.truly[c]!))),
  );
  const row = (x: number, y: number) => terms.map((of) => of(x, y));
  const surface = (fit: Float64Array, x: number, y: number) =>
    row(x, y).reduce((sum, t, i) => sum + t * fit[3 + i]!, 0);
  let fit = new Float64Array(n);
  let weight = samples.map(() => 1);
  const off = () =>
    samples.map((s, k) => ratio[k]!.reduce((sum, v, c) => sum + v - fit[c]!, 0) / 3 - surface(fit, s.x, s.y));
  for (let round = 0; round < ROUNDS; round++) {
    const normal = new Float64Array(n * n);
    const right = new Float64Array(n);
    samples.forEach((s, k) => {
      const shared = row(s.x, s.y);
      for (let c = 0; c < 3; c++) {
        const all = [Number(c === 0), Number(c === 1), Number(c === 2), ...shared];
        all.forEach((a, i) => {
          right[i]! += weight[k]! * a * ratio[k]![c]!;
          all.forEach((b, j) => (normal[i * n + j]! += weight[k]! * a * b));
        });
      }
    });
    for (let i = 3; i < n; i++) normal[i * n + i]! += RIDGE * samples.length * (i < 5 ? 0.2 : 1);
    for (let i = 0; i < 3; i++) normal[i * n + i]! += 1e-9;
    fit = new Float64Array(solve(normal, right));
    const far = off();
    const limit = 4 * Math.max(LEAST_SPREAD, 1.48 * median(far.map(Math.abs)));
    weight = far.map((d) => (Math.abs(d) < limit ? (1 - (d / limit) ** 2) ** 2 : 0));
  }
  const far = off();
  const kept = far.filter((_, k) => weight[k]! > 0);
  return {
    at: (x, y) => {
      const level = surface(fit, x, y);
      return [0, 1, 2].map((c) => Math.exp(fit[c]! + level)) as unknown as Xyz;
    },
    residual: Math.sqrt(kept.reduce((sum, d) => sum + d * d, 0) / Math.max(1, kept.length)),
    shaded: far.filter((d) => d < -SHADE).length / Math.max(1, far.length),
  };
}
