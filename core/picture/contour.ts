import type { Point } from "@/core/algebra/point";
import type { Labels } from "./plane";

/** Closed outlines of a region, outer ones and holes alike, in pixels; filled by the even-odd rule they are the region. */
export type Outline = readonly (readonly Point[])[];

/** Steps right, down, left, up along pixel edges. */
const DX = [1, 0, -1, 0] as const;
const DY = [0, 1, 0, -1] as const;

/**
 * Outlines of every region, followed along the edges between pixels with the region on the right hand. Linear in the pixels and the edges.
 * @returns one entry a region number, entry 0 empty
 */
export function outlinesOf({ width, height, data }: Labels, count: number, tolerance: number): Outline[] {
  const out: Point[][][] = Array.from({ length: count + 1 }, () => []);
  const seen = new Uint8Array(width * height);
  const at = (x: number, y: number): number =>
    x < 0 || y < 0 || x >= width || y >= height ? 0 : data[y * width + x]!;
  for (let y = 0, p = 0; y < height; y++)
    for (let x = 0; x < width; x++, p++) {
      const own = data[p]!;
      // An outline is met first at an edge along the top of a pixel; it is walked there to the right.
      if (!own || seen[p] || at(x, y - 1) === own) continue;
      out[own]!.push(simplified(walk(at, seen, width, own, x, y), tolerance));
    }
  return out;
}

/** One outline from the top left corner of a pixel, back to where it began. */
function walk(
  at: (x: number, y: number) => number,
  seen: Uint8Array,
  width: number,
  own: number,
  startX: number,
  startY: number,
): Point[] {
  const points: Point[] = [];
  let [x, y, way] = [startX, startY, 0];
  do {
    if (way === 0) seen[y * width + x] = 1;
    x += DX[way]!;
    y += DY[way]!;
    // The two pixels ahead, right and left of the way.
    const [right, left] =
      way === 0
        ? [at(x, y), at(x, y - 1)]
        : way === 1
          ? [at(x - 1, y), at(x, y)]
          : way === 2
            ? [at(x - 1, y - 1), at(x - 1, y)]
            : [at(x, y - 1), at(x - 1, y - 1)];
    const turn = right !== own ? 1 : left === own ? 3 : 0;
    if (turn) points.push([x, y]);
    way = (way + turn) % 4;
  } while (x !== startX || y !== startY || way !== 0);
  return points;
}

/** A closed line with fewer points, none of the left out ones farther from it than `tolerance`. D. Douglas & T. Peucker (1973), without recursion. */
export function simplified(points: readonly Point[], tolerance: number): Point[] {
  if (points.length < 5 || tolerance <= 0) return [...points];
  let [far, most] = [0, -1];
  points.forEach(([x, y], i) => {
    const d = (x - points[0]![0]) ** 2 + (y - points[0]![1]) ** 2;
    if (d > most) [far, most] = [i, d];
  });
  const kept = new Uint8Array(points.length);
  kept[0] = kept[far] = 1;
  const spans: [number, number][] = [
    [0, far],
    [far, points.length],
  ];
  const limit = tolerance * tolerance;
  while (spans.length) {
    const [from, to] = spans.pop()!;
    const [a, b] = [points[from]!, points[to % points.length]!];
    const [dx, dy] = [b[0] - a[0], b[1] - a[1]];
    const long = dx * dx + dy * dy;
    let [worst, off] = [-1, limit];
    for (let i = from + 1; i < to; i++) {
      const [px, py] = [points[i]![0] - a[0], points[i]![1] - a[1]];
      const t = long ? Math.min(1, Math.max(0, (px * dx + py * dy) / long)) : 0;
      const d = (px - t * dx) ** 2 + (py - t * dy) ** 2;
      if (d > off) [worst, off] = [i, d];
    }
    if (worst < 0) continue;
    kept[worst] = 1;
    spans.push([from, worst], [worst, to]);
  }
  return points.filter((_, i) => kept[i]);
}
