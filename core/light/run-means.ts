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
  const out = new Float32Array(plane.length);
  if (right <= left || bottom <= top) return out;
  const between = new Float32Array(plane.length);
  for (let round = 0; round < times; round++) {
    const from = round ? out : plane;
    for (let y = top; y < bottom; y++)
      alongRow(from, between, own, y * width + left, y * width + right, radius);
    downColumns(between, out, own, width, radius, box);
  }
  return out;
}

/** Along one row of pixels. */
function alongRow(
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

/** Down all columns at once, row by row as they lie in memory: each column has its own sum and its own ends of what is summed. */
function downColumns(
  from: Float32Array,
  to: Float32Array,
  own: Int16Array,
  width: number,
  radius: ArrayLike<number>,
  [left, top, right, bottom]: Box,
): void {
  const wide = right - left;
  const sums = new Float64Array(wide);
  // Pixels, the first that is summed and the first that is not yet.
  const lows = new Int32Array(wide);
  const highs = new Int32Array(wide);
  const beyond = bottom * width;
  for (let y = top; y < bottom; y++)
    for (let i = 0, p = y * width + left; i < wide; i++, p++) {
      const a = own[p]!;
      if (a < 0) continue;
      const r = radius[a]!;
      let sum = sums[i]!;
      let low = lows[i]!;
      let high = highs[i]!;
      if (y === top || own[p - width] !== a) {
        sum = 0;
        low = high = p;
        const reach = Math.min(beyond, p + r * width);
        while (high < reach && own[high] === a) {
          sum += from[high]!;
          high += width;
        }
      }
      if (high < beyond && own[high] === a) {
        sum += from[high]!;
        high += width;
      }
      if (p - r * width > low) {
        sum -= from[low]!;
        low += width;
      }
      to[p] = (sum * width) / (high - low);
      sums[i] = sum;
      lows[i] = low;
      highs[i] = high;
    }
}
