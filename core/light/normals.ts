import type { Ground } from "./ground";
import type { Relief } from "./heights";

/** Slope of every pixel: the right and down parts of the unit normal; what is left is towards the eye. */
export interface Normals {
  readonly x: Float32Array;
  readonly y: Float32Array;
}

/**
 * Normals of forms whose height is the root of a squared height h: with H = k√h, (−∇H, 1) is along (−k∇h/2, √h), which has no pole at a rim.
 * @param bulge k of every area: 1 a half ball, 0 flat
 */
export function normalsOf(
  { width, height, own, before, count }: Ground,
  reliefs: readonly Relief[],
  squared: Float32Array,
  bulge: readonly number[],
): Normals {
  const x = new Float32Array(own.length);
  const y = new Float32Array(own.length);
  const root = Int16Array.from(reliefs, (r) => r.root);
  const flat = reliefs.map((r, a) => (reliefs[r.root] ?? r).kind === "flat" || bulge[a]! <= 0);
  /** Squared height beside a pixel: its own where the form goes on unseen; where it ends, as far below 0 as its own is above. */
  const beside = (a: number, p: number, q: number): number => {
    const b = own[q]!;
    if (b < 0) return -squared[p]!;
    if (b === a || root[b] === root[a]) return squared[q]!;
    return before[a * count + b] ? squared[p]! : -squared[p]!;
  };
  for (let v = 0, p = 0; v < height; v++)
    for (let u = 0; u < width; u++, p++) {
      const a = own[p]!;
      if (a < 0 || flat[a]) continue;
      const h = squared[p]!;
      const right = u + 1 < width ? beside(a, p, p + 1) : h;
      const left = u ? beside(a, p, p - 1) : h;
      const below = v + 1 < height ? beside(a, p, p + width) : h;
      const above = v ? beside(a, p, p - width) : h;
      // A central difference spans two pixels, and half of ∇h is wanted.
      const gx = (-bulge[a]! * (right - left)) / 4;
      const gy = (-bulge[a]! * (below - above)) / 4;
      const long = Math.sqrt(gx * gx + gy * gy + h);
      if (long < 1e-9) continue;
      x[p] = gx / long;
      y[p] = gy / long;
    }
  return { x, y };
}
