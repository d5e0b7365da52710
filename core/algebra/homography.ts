import type { Point } from "./point";
import { solve } from "./solve";

/** Eight numbers of a projective map, the ninth being 1. */
export type Homography = Float64Array;

/**
 * The projective map that carries four points onto four others (no three on a line).
 * Source: P. Heckbert, Fundamentals of Texture Mapping, UC Berkeley 1989, §2.2.3.
 */
export function homographyBetween(from: readonly Point[], to: readonly Point[]): Homography {
  const a = new Float64Array(64);
  const b = new Float64Array(8);
  from.forEach(([x, y], i) => {
    const [u, v] = to[i]!;
    a.set([x, y, 1, 0, 0, 0, -x * u, -y * u], i * 16);
    a.set([0, 0, 0, x, y, 1, -x * v, -y * v], i * 16 + 8);
    b[2 * i] = u;
    b[2 * i + 1] = v;
  });
  return solve(a, b);
}

/** Where a point goes. */
export function project(h: Homography, x: number, y: number): Point {
  const w = h[6]! * x + h[7]! * y + 1;
  return [(h[0]! * x + h[1]! * y + h[2]!) / w, (h[3]! * x + h[4]! * y + h[5]!) / w];
}

/** Largest and smallest stretch of the map at a point: singular values of its derivative. */
export function stretchAt(
  h: Homography,
  x: number,
  y: number,
): { readonly most: number; readonly least: number } {
  const [u, v] = project(h, x, y);
  const w = h[6]! * x + h[7]! * y + 1;
  const [a, b, c, d] = [
    (h[0]! - h[6]! * u) / w,
    (h[1]! - h[7]! * u) / w,
    (h[3]! - h[6]! * v) / w,
    (h[4]! - h[7]! * v) / w,
  ];
  const half = (a * a + b * b + c * c + d * d) / 2;
  const rest = Math.sqrt(Math.max(0, half * half - (a * d - b * c) ** 2));
  return { most: Math.sqrt(half + rest), least: Math.sqrt(Math.max(0, half - rest)) };
}
