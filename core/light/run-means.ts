/** Rows or columns that are turned at once: what they hold stays in the nearest memory. */
const TILE = 32;

/** Rows become columns, tile by tile. */
function turned<A extends Float32Array | Int16Array>(from: A, to: A, width: number, height: number): A {
  for (let top = 0; top < height; top += TILE) {
    const bottom = Math.min(height, top + TILE);
    for (let left = 0; left < width; left += TILE) {
      const right = Math.min(width, left + TILE);
      for (let y = top; y < bottom; y++)
        for (let x = left, p = y * width + left, q = left * height + y; x < right; x++, p++, q += height)
          to[q] = from[p]!;
    }
  }
  return to;
}

/** The part of a plane in a box, as a plane of its own. */
function cut<A extends Float32Array | Int16Array>(
  plane: A,
  out: A,
  width: number,
  [left, top, right, bottom]: Box,
): A {
  const wide = right - left;
  for (let y = top; y < bottom; y++)
    out.set(plane.subarray(y * width + left, y * width + right), (y - top) * wide);
  return out;
}

type Box = readonly [left: number, top: number, right: number, bottom: number];

/**
 * Running means over so many pixels each way, along rows and then along columns, of runs of pixels of one area: nothing crosses the edge of an area.
 * @param area of each pixel, negative for none
 * @param radius pixels each way, by area
 * @param box left, top, first column and row beyond: what lies outside stays 0
 * @param times so many times one after the other: two are near a Gaussian
 */
export function runMeans(
  plane: Float32Array,
  { width, own }: { readonly width: number; readonly own: Int16Array },
  radius: ArrayLike<number>,
  box: Box,
  times = 1,
): Float32Array {
  const [left, top, right, bottom] = box;
  const [wide, high] = [Math.max(0, right - left), Math.max(0, bottom - top)];
  const size = wide * high;
  const out = new Float32Array(plane.length);
  if (!size) return out;
  // Columns are far apart in memory: they are turned into rows, which takes less time than walking them.
  const rows = cut(own, new Int16Array(size), width, box);
  const columns = turned(rows, new Int16Array(size), wide, high);
  let now = cut(plane, new Float32Array(size), width, box);
  let next = new Float32Array(size);
  for (let round = 0; round < times; round++) {
    next.fill(0);
    for (let from = 0; from < size; from += wide) means(now, next, rows, from, from + wide, radius);
    turned(next, now, wide, high);
    next.fill(0);
    for (let from = 0; from < size; from += high) means(now, next, columns, from, from + high, radius);
    [now, next] = [turned(next, now, high, wide), next];
  }
  for (let y = 0; y < high; y++) out.set(now.subarray(y * wide, (y + 1) * wide), (y + top) * width + left);
  return out;
}

/** Along one row of pixels. */
function means(
  from: Float32Array,
  to: Float32Array,
  own: Int16Array,
  start: number,
  beyond: number,
  radius: ArrayLike<number>,
): void {
  let first = start;
  while (first < beyond) {
    const a = own[first]!;
    let end = first + 1;
    while (end < beyond && own[end] === a) end++;
    if (a >= 0) {
      const r = radius[a]!;
      let sum = 0;
      let [low, high] = [first, first];
      const reach = Math.min(end, first + r);
      while (high < reach) sum += from[high++]!;
      for (let p = first; p < end; p++) {
        if (high < end) sum += from[high++]!;
        if (p - r > low) sum -= from[low++]!;
        to[p] = sum / (high - low);
      }
    }
    first = end;
  }
}
