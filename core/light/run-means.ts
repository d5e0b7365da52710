/**
 * Running means over so many pixels each way, along rows and then along columns, of runs of pixels of one area: nothing crosses the edge of an area.
 * @param area of each pixel, negative for none
 * @param radius pixels each way, by area
 * @param box left, top, first column and row beyond: what lies outside stays 0
 */
export function runMeans(
  plane: Float32Array,
  { width, own }: { readonly width: number; readonly own: Int16Array },
  radius: ArrayLike<number>,
  [left, top, right, bottom]: readonly [number, number, number, number],
): Float32Array {
  const across = new Float32Array(plane.length);
  for (let y = top; y < bottom; y++) means(plane, across, own, y * width + left, right - left, 1, radius);
  const down = new Float32Array(plane.length);
  for (let x = left; x < right; x++) means(across, down, own, top * width + x, bottom - top, width, radius);
  return down;
}

/** Along one line of pixels. */
function means(
  from: Float32Array,
  to: Float32Array,
  own: Int16Array,
  start: number,
  length: number,
  step: number,
  radius: ArrayLike<number>,
): void {
  let begin = 0;
  while (begin < length) {
    const a = own[start + begin * step]!;
    let end = begin + 1;
    while (end < length && own[start + end * step] === a) end++;
    if (a >= 0) {
      const r = radius[a]!;
      const n = end - begin;
      const first = start + begin * step;
      let sum = 0;
      for (let i = 0; i < Math.min(r, n); i++) sum += from[first + i * step]!;
      for (let i = 0; i < n; i++) {
        if (i + r < n) sum += from[first + (i + r) * step]!;
        if (i - r - 1 >= 0) sum -= from[first + (i - r - 1) * step]!;
        to[first + i * step] = sum / (Math.min(n - 1, i + r) - Math.max(0, i - r) + 1);
      }
    }
    begin = end;
  }
}
