import { solve } from "@/core/algebra/solve";

/** Light over the page: log of each channel's level on bare paper as a surface in x and y (−1…1 over the page). */
export interface LightField {
  /** Level (linear, 0–1) of bare paper at a place, three channels. */
  readonly at: (x: number, y: number) => readonly [number, number, number];
  /** White cells that the surface does not follow: their numbers, and by how much (ratio − 1) they differ. */
  readonly strays: readonly { readonly cell: number; readonly by: number }[];
  /** Root mean square of the white cells' difference (ratio − 1), strays left out. */
  readonly residual: number;
}

/** Powers of x and y up to the fourth degree together. */
const TERMS = Array.from({ length: 5 }, (_, i) =>
  Array.from({ length: 5 - i }, (_, j) => [i, j] as const),
).flat();
/** Keeps high powers small where white cells do not ask for them. */
const RIDGE = 2e-4;
/** A white cell is a stray beyond this ratio, or beyond this many times the others' spread. */
const STRAY_RATIO = 0.035;
const STRAY_SPREADS = 4;
const ROUNDS = 6;

const basis = (x: number, y: number) => TERMS.map(([i, j]) => x ** i * y ** j);

function surface(
  samples: readonly WhiteSample[],
  channel: 0 | 1 | 2,
  weight: readonly number[],
): Float64Array {
  const n = TERMS.length;
  const normal = new Float64Array(n * n);
  const right = new Float64Array(n);
  samples.forEach((s, k) => {
    if (!weight[k]) return;
    const row = basis(s.x, s.y);
    const v = Math.log(s.rgb[channel]);
    for (let a = 0; a < n; a++) {
      right[a]! += row[a]! * v;
      for (let b = 0; b < n; b++) normal[a * n + b]! += row[a]! * row[b]!;
    }
  });
  const used = weight.reduce((a, b) => a + b, 0);
  TERMS.forEach(([i, j], a) => (normal[a * n + a]! += RIDGE * used * (i + j)));
  return solve(normal, right);
}

/** A white cell: its place (−1…1 over the page) and its mean level, linear, three channels above 0. */
export interface WhiteSample {
  readonly x: number;
  readonly y: number;
  readonly rgb: readonly [number, number, number];
}

/** Fits the light over the page to its white cells; cells that were coloured or that glare lose their say. */
export function fitLight(samples: readonly WhiteSample[]): LightField {
  let weight = samples.map(() => 1);
  let fields: Float64Array[] = [];
  let off: number[] = [];
  let spread = 0;
  const level = (c: number, x: number, y: number) =>
    Math.exp(basis(x, y).reduce((sum, t, i) => sum + t * fields[c]![i]!, 0));
  for (let round = 0; round < ROUNDS; round++) {
    fields = ([0, 1, 2] as const).map((c) => surface(samples, c, weight));
    off = samples.map((s) => {
      const ratios = s.rgb.map((v, c) => v / level(c, s.x, s.y) - 1);
      return ratios.reduce((worst, r) => (Math.abs(r) > Math.abs(worst) ? r : worst), 0);
    });
    const kept = off
      .filter((_, k) => weight[k])
      .map(Math.abs)
      .sort((a, b) => a - b);
    spread = 1.48 * (kept[kept.length >> 1] ?? 0);
    const limit = Math.max(STRAY_RATIO, STRAY_SPREADS * spread);
    const next = off.map((v) => (Math.abs(v) <= limit ? 1 : 0));
    if (next.every((v, k) => v === weight[k])) break;
    weight = next;
  }
  const inliers = off.filter((_, k) => weight[k]);
  return {
    at: (x, y) => [level(0, x, y), level(1, x, y), level(2, x, y)],
    strays: off.flatMap((by, cell) => (weight[cell] ? [] : [{ cell, by }])),
    residual: Math.sqrt(inliers.reduce((sum, v) => sum + v * v, 0) / Math.max(1, inliers.length)),
  };
}
