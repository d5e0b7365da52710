import { solve } from "@/core/algebra/solve";
import type { Point } from "@/core/algebra/point";
import { type Homography, project } from "@/core/algebra/homography";
import { type Plane, valueAt } from "./darkness";
import type { Feature } from "./features";

/** Where the drawing lies in the photo: pixels of one to pixels of the other. */
export interface Placed {
  readonly at: (x: number, y: number) => Point;
  /** Of each feature: how far its line is off, in pixels of the photo along its normal; undefined where no line was met. */
  readonly off: readonly (number | undefined)[];
}

/** Darkness (share of the light beside it) from which on something is a line. */
const LINE = 0.05;
const STEP = 0.5;
/** How much a line farther off must be darker to be taken for the one that is looked for. */
const NEARER = 0.5;

/**
 * Of a feature laid into the photo: how far along its normal the darkest line is, within `reach` pixels of the photo.
 */
export function lineNear(
  dark: Plane,
  scale: number,
  [x, y]: Point,
  [nx, ny]: Point,
  reach: number,
): number | undefined {
  let [best, most] = [0, 0];
  const value = (t: number) => valueAt(dark, (x + t * nx) / scale - 0.5, (y + t * ny) / scale - 0.5);
  for (let t = -reach; t <= reach; t += STEP * scale) {
    const v = value(t) * (1 - (NEARER * Math.abs(t)) / reach);
    if (v > most) [best, most] = [t, v];
  }
  if (most < LINE) return undefined;
  const [a, b, c] = [value(best - STEP * scale), value(best), value(best + STEP * scale)];
  const bend = a - 2 * b + c;
  return bend < -1e-6 ? best + Math.max(-1, Math.min(1, (a - c) / (2 * bend))) * STEP * scale : best;
}

/** Normal of a feature as it lies in the photo, unit length. */
export function normalThrough(at: (x: number, y: number) => Point, f: Feature): Point {
  // Across the line in the photo is square to along the line in the photo.
  const [ax, ay] = at(f.x - f.ny, f.y + f.nx);
  const [bx, by] = at(f.x + f.ny, f.y - f.nx);
  const long = Math.hypot(ax - bx, ay - by) || 1;
  return [(ay - by) / long, -(ax - bx) / long];
}

/** Scale of robust weights against the middle of what is off. */
const SPREADS = 2.5;

/**
 * A homography moved so that features meet lines near by: Gauss–Newton on the distance across each line, strays by Tukey's weights.
 * @param scale pixels of the photo a pixel of `dark`
 * @param reach how far lines are looked for, pixels of the photo
 */
export function nearerHomography(
  dark: Plane,
  scale: number,
  features: readonly Feature[],
  h: Homography,
  reach: number,
): Homography {
  const at = (x: number, y: number) => project(h, x, y);
  const met = features.flatMap((f) => {
    const p = at(f.x, f.y);
    const n = normalThrough(at, f);
    const t = lineNear(dark, scale, p, n, reach);
    return t === undefined ? [] : [{ f, p, n, t }];
  });
  if (met.length < 12) return h;
  const middle = [...met].map((m) => Math.abs(m.t)).sort((a, b) => a - b)[met.length >> 1]!;
  const limit = Math.max(scale, SPREADS * middle);
  const normal = new Float64Array(64);
  const right = new Float64Array(8);
  // Of sizes alike, so that the matrix is sound: places in hundreds of pixels.
  const size = Math.max(...features.map((f) => Math.max(f.x, f.y)), 1);
  for (const { f, p, n, t } of met) {
    if (Math.abs(t) > limit) continue;
    const w = (1 - (t / limit) ** 2) ** 2;
    const [x, y] = [f.x / size, f.y / size];
    const below = h[6]! * f.x + h[7]! * f.y + 1;
    const along = n[0] * p[0] + n[1] * p[1];
    const row = [n[0] * x, n[0] * y, n[0], n[1] * x, n[1] * y, n[1], -along * x, -along * y].map(
      (v) => v / below,
    );
    for (let a = 0; a < 8; a++) {
      right[a]! += w * row[a]! * t;
      for (let b = 0; b < 8; b++) normal[a * 8 + b]! += w * row[a]! * row[b]!;
    }
  }
  // Held lightly where features say nothing.
  const held = [1, 1, 1, 1, 1, 1, size * size, size * size];
  for (let a = 0; a < 8; a++) normal[a * 8 + a]! += 1e-6 * met.length * held[a]!;
  const d = solve(normal, right);
  const unit = [size, size, 1, size, size, 1, size, size];
  return h.map((v, i) => v + d[i]! / unit[i]!);
}

/** Powers of x and y up to the fourth degree together, over the drawing from −1 to 1. */
const POWERS = Array.from({ length: 5 }, (_, i) =>
  Array.from({ length: 5 - i }, (__, j) => [i, j] as const),
).flat();
const basis = (x: number, y: number) => POWERS.map(([i, j]) => x ** i * y ** j);
/** Keeps a warp small where lines do not ask for it, by degree. */
const STIFF = 2e-3;
const WARP_ROUNDS = 4;

/** What a sheet that curls adds to its homography: a smooth displacement that brings features onto their lines. */
export function warped(
  dark: Plane,
  scale: number,
  features: readonly Feature[],
  h: Homography,
  size: { readonly width: number; readonly height: number },
  reach: number,
): Placed {
  const n = POWERS.length;
  let bend = new Float64Array(2 * n);
  const placed =
    (own: Float64Array) =>
    (x: number, y: number): Point => {
      const [px, py] = project(h, x, y);
      const row = basis((2 * x) / size.width - 1, (2 * y) / size.height - 1);
      let [dx, dy] = [0, 0];
      for (let i = 0; i < n; i++) {
        dx += own[i]! * row[i]!;
        dy += own[n + i]! * row[i]!;
      }
      return [px + dx, py + dy];
    };
  const measure = (at: (x: number, y: number) => Point, within: number) =>
    features.map((f) => {
      const across = normalThrough(at, f);
      return { f, across, t: lineNear(dark, scale, at(f.x, f.y), across, within) };
    });
  for (let round = 0; round < WARP_ROUNDS; round++) {
    const met = measure(placed(bend), reach / (round + 1)).filter((m) => m.t !== undefined);
    if (met.length < 3 * n) break;
    const middle = met.map((m) => Math.abs(m.t!)).sort((a, b) => a - b)[met.length >> 1]!;
    const limit = Math.max(scale, 3 * middle);
    const normal = new Float64Array(4 * n * n);
    const right = new Float64Array(2 * n);
    for (const { f, across, t } of met) {
      if (Math.abs(t!) > limit) continue;
      const w = (1 - (t! / limit) ** 2) ** 2;
      const row = basis((2 * f.x) / size.width - 1, (2 * f.y) / size.height - 1);
      const both = [...row.map((v) => v * across[0]), ...row.map((v) => v * across[1])];
      for (let a = 0; a < 2 * n; a++) {
        right[a]! += w * both[a]! * t!;
        for (let b = 0; b < 2 * n; b++) normal[a * 2 * n + b]! += w * both[a]! * both[b]!;
      }
    }
    for (let a = 0; a < 2 * n; a++) {
      const [i, j] = POWERS[a % n]!;
      normal[a * 2 * n + a]! += STIFF * met.length * (1 + (i + j) ** 2);
    }
    const more = solve(normal, right);
    bend = bend.map((v, i) => v + more[i]!);
  }
  const at = placed(bend);
  return { at, off: measure(at, reach / WARP_ROUNDS).map((m) => m.t) };
}
