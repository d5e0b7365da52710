import type { Point } from "@/core/algebra/point";

/** A line that parts regions and is never drawn: its points in shares (0–1) of the picture. */
export interface Cut {
  readonly points: readonly Point[];
  /** Whether it goes back to its first point. */
  readonly closed: boolean;
  /** Whether it bends smoothly through its points. */
  readonly curved: boolean;
}

/** Parts that a curve between two points is drawn with. */
const PARTS = 16;

/** Points of a cut close enough to be joined by straight lines: through the given ones, centripetal. E. Catmull & R. Rom (1974); C. Yuksel et al. (2011). */
export function courseOf({ points, closed, curved }: Cut): Point[] {
  if (!curved || points.length < 3)
    return closed && points.length > 2 ? [...points, points[0]!] : [...points];
  const n = points.length;
  const at = (i: number): Point => (closed ? points[(i + n) % n]! : points[Math.min(n - 1, Math.max(0, i))]!);
  const out: Point[] = [at(0)];
  for (let i = 0; i < (closed ? n : n - 1); i++) {
    const [p0, p1, p2, p3] = [at(i - 1), at(i), at(i + 1), at(i + 2)];
    const knot = (a: Point, b: Point) => Math.max(1e-9, Math.hypot(b[0] - a[0], b[1] - a[1]) ** 0.5);
    const [d1, d2, d3] = [knot(p0, p1), knot(p1, p2), knot(p2, p3)];
    for (let s = 1; s <= PARTS; s++) {
      const t = s / PARTS;
      const c = (k: 0 | 1): number => {
        // Tangents of the non-uniform spline at both ends, then Hermite's cubic.
        const m1 = p2[k] - p1[k] + d2 * ((p1[k] - p0[k]) / d1 - (p2[k] - p0[k]) / (d1 + d2));
        const m2 = p2[k] - p1[k] + d2 * ((p3[k] - p2[k]) / d3 - (p3[k] - p1[k]) / (d2 + d3));
        return (
          (2 * t ** 3 - 3 * t ** 2 + 1) * p1[k] +
          (t ** 3 - 2 * t ** 2 + t) * m1 +
          (3 * t ** 2 - 2 * t ** 3) * p2[k] +
          (t ** 3 - t ** 2) * m2
        );
      };
      out.push([c(0), c(1)]);
    }
  }
  return out;
}

/** Pixels that cuts run through: each step of a cut goes along a row or a column, so that nothing slips between two of them. */
export function cutPixels(cuts: readonly Cut[], width: number, height: number): Uint8Array {
  const out = new Uint8Array(width * height);
  const set = (x: number, y: number): void => {
    if (x >= 0 && y >= 0 && x < width && y < height) out[y * width + x] = 1;
  };
  for (const cut of cuts) {
    const course = courseOf(cut).map(([x, y]) => [
      Math.min(width * 2, Math.max(-width, Math.floor(x * width))),
      Math.min(height * 2, Math.max(-height, Math.floor(y * height))),
    ]);
    for (let i = 1; i < course.length; i++) {
      let [x, y] = course[i - 1] as [number, number];
      const [tx, ty] = course[i] as [number, number];
      const [dx, dy] = [Math.abs(tx - x), Math.abs(ty - y)];
      const [sx, sy] = [Math.sign(tx - x), Math.sign(ty - y)];
      set(x, y);
      for (let ix = 0, iy = 0; ix < dx || iy < dy;) {
        if ((0.5 + ix) * dy < (0.5 + iy) * dx || iy === dy) {
          x += sx;
          ix++;
        } else {
          y += sy;
          iy++;
        }
        set(x, y);
      }
    }
  }
  return out;
}
