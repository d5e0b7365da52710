import type { Point } from "@/core/algebra/point";
import { nearestOf } from "./distance";
import type { Labels } from "./plane";

/** Parts of a shape that get a point of their own, and the pixels that such a part has at least. */
const MOST_PARTS = 40;
const SMALLEST_PART = 5;

/**
 * Points well inside each part of each numbered shape, in shares of the picture: the pixel of a part that lies deepest.
 * @returns one list a number, entry 0 empty
 */
export function placesOf({ width, height, data }: Labels, count: number): Point[][] {
  const edge = new Uint8Array(data.length);
  for (let y = 0, p = 0; y < height; y++)
    for (let x = 0; x < width; x++, p++)
      if (
        !data[p] ||
        x === 0 ||
        y === 0 ||
        x + 1 === width ||
        y + 1 === height ||
        data[p - 1] !== data[p] ||
        data[p - width] !== data[p]
      )
        edge[p] = 1;
  const { squared } = nearestOf(edge, width, height);
  const parts: { deep: number; at: number }[][] = Array.from({ length: count + 1 }, () => []);
  const seen = new Uint8Array(data.length);
  const stack = new Int32Array(data.length);
  for (let start = 0; start < data.length; start++) {
    const own = data[start]!;
    if (!own || own > count || seen[start]) continue;
    let [top, size, deep, at] = [1, 0, -1, start];
    stack[0] = start;
    seen[start] = 1;
    while (top) {
      const p = stack[--top]!;
      const x = p % width;
      size++;
      if (squared[p]! > deep) [deep, at] = [squared[p]!, p];
      for (const [q, there] of [
        [p - 1, x > 0],
        [p + 1, x + 1 < width],
        [p - width, p >= width],
        [p + width, p + width < data.length],
      ] as const) {
        if (!there || seen[q] || data[q] !== own) continue;
        seen[q] = 1;
        stack[top++] = q;
      }
    }
    if (size >= SMALLEST_PART) parts[own]!.push({ deep, at });
  }
  return parts.map((own) =>
    own
      .sort((a, b) => b.deep - a.deep)
      .slice(0, MOST_PARTS)
      .map(({ at }): Point => [((at % width) + 0.5) / width, (Math.floor(at / width) + 0.5) / height]),
  );
}
