import type { Point } from "@/core/algebra/point";
import { nearestOf } from "@/core/picture/distance";
import type { Ground } from "@/core/light/ground";

/** Where in an area something is scattered: all over, in its lightest third, or in its darkest. */
export const SCATTERED_IN = ["all", "light", "shadow"] as const;
export type ScatteredIn = (typeof SCATTERED_IN)[number];

/** Share of an area's pixels that its light and its shadow have. */
const PART = 1 / 3;
const CLASSES = 256;

/** Numbers that look random and are the same each time (the mixing step of M. O'Neill, HMC-CS-2014-0905, in 32 bits). */
function mixed(n: number): number {
  let h = Math.imul(n ^ (n >>> 16), 0x21f0aaad);
  h = Math.imul(h ^ (h >>> 15), 0x735a2d97);
  return (h ^ (h >>> 15)) >>> 0;
}

/** Pixels of an area that lie in a part of it by their values, 0 light to 65535 dark. */
function pixelsIn({ own }: Ground, area: number, values: ArrayLike<number>, part: ScatteredIn): number[] {
  const all: number[] = [];
  for (let p = 0; p < own.length; p++) if (own[p] === area) all.push(p);
  if (part === "all") return all;
  const counts = new Float64Array(CLASSES);
  const classOf = (p: number) => Math.min(CLASSES - 1, (values[p]! * CLASSES) >> 16);
  for (const p of all) counts[classOf(p)]!++;
  const wanted = PART * all.length;
  let [sum, last] = [0, part === "light" ? 0 : CLASSES - 1];
  for (; last >= 0 && last < CLASSES; last += part === "light" ? 1 : -1) {
    sum += counts[last]!;
    if (sum >= wanted) break;
  }
  return all.filter((p) => (part === "light" ? classOf(p) <= last : classOf(p) >= last));
}

/**
 * Spots scattered over an area, none nearer to another than `apart`, as dense as that leaves room for: dart throwing over its pixels in a random
 * order, a Poisson disc sample of the pixels (R. Cook, ACM Trans. Graph. 5 (1986) 51–72).
 * @param apart mm between spots; `room` mm that each keeps from the area's edge
 * @param most spots
 * @returns shares (0–1) of the drawing
 */
export function scattered(
  ground: Ground,
  area: number,
  values: ArrayLike<number>,
  {
    apart,
    room,
    part,
    most,
    seed = 1,
  }: {
    readonly apart: number;
    readonly room: number;
    readonly part: ScatteredIn;
    readonly most: number;
    readonly seed?: number;
  },
): Point[] {
  const { width, height, own, mmPerPixel } = ground;
  const edges = new Uint8Array(own.length);
  for (let y = 0, p = 0; y < height; y++)
    for (let x = 0; x < width; x++, p++)
      if (
        own[p] === area &&
        (!x ||
          !y ||
          x + 1 === width ||
          y + 1 === height ||
          own[p - 1] !== area ||
          own[p + 1] !== area ||
          own[p - width] !== area ||
          own[p + width] !== area)
      )
        edges[p] = 1;
  const { squared } = nearestOf(edges, width, height);
  const keep = (room / mmPerPixel) ** 2;
  const free = pixelsIn(ground, area, values, part).filter((p) => squared[p]! >= keep);
  const key = new Uint32Array(free.length);
  free.forEach((p, i) => (key[i] = mixed(p + Math.imul(seed, 0x9e3779b9))));
  const order = Uint32Array.from(free.keys()).sort((a, b) => key[a]! - key[b]!);
  const far = Math.max(1, apart / mmPerPixel);
  // A cell this small holds one spot at most.
  const cell = far / Math.SQRT2;
  const across = Math.ceil(width / cell) + 5;
  const cells = new Map<number, [number, number]>();
  const out: Point[] = [];
  for (const i of order) {
    if (out.length >= most) break;
    const [x, y] = [free[i]! % width, Math.floor(free[i]! / width)];
    const [u, v] = [Math.floor(x / cell) + 2, Math.floor(y / cell) + 2];
    let isFree = true;
    for (let dv = -2; dv <= 2 && isFree; dv++)
      for (let du = -2; du <= 2 && isFree; du++) {
        const other = cells.get((v + dv) * across + u + du);
        if (other && (other[0] - x) ** 2 + (other[1] - y) ** 2 < far * far) isFree = false;
      }
    if (!isFree) continue;
    cells.set(v * across + u, [x, y]);
    out.push([(x + 0.5) / width, (y + 0.5) / height]);
  }
  return out;
}
