/** Length of border that two regions share, in pixels; a < b. */
export interface Border {
  readonly a: number;
  readonly b: number;
  readonly length: number;
}

/** Weights of changes along rows and columns, and along diagonals, so that a border of any direction has its length. */
const STRAIGHT = Math.PI / 8;
const DIAGONAL = Math.PI / 8 / Math.SQRT2;

/**
 * Lengths of the borders between regions, by the number of changes along lines in four directions (Cauchy and Crofton's formula;
 * S. Rigaud in J. Ohser & F. Mücklich, Statistical Analysis of Microstructures, Wiley 2000). Region 0 has none.
 * @param numbers number of each pixel's region
 */
export function bordersOf(
  numbers: Int32Array | Uint16Array,
  width: number,
  height: number,
  count: number,
): Border[] {
  const lengths = new Map<number, number>();
  // One kind of array, so that the loop below is compiled for it.
  const labels = numbers instanceof Int32Array ? numbers : new Int32Array(numbers);
  const size = count + 1;
  let [last, lastLength] = [-1, 0];
  const add = (a: number, b: number, by: number): void => {
    if (!a || !b || a === b) return;
    const key = a < b ? a * size + b : b * size + a;
    // Neighbouring changes are mostly of the same pair.
    if (key === last) {
      lastLength += by;
      return;
    }
    if (last >= 0) lengths.set(last, lastLength);
    last = key;
    lastLength = (lengths.get(key) ?? 0) + by;
  };
  for (let y = 0, p = 0; y < height; y++) {
    const more = y + 1 < height;
    for (let x = 0; x < width; x++, p++) {
      const own = labels[p]!;
      // Most pixels lie among their own; what lies on the line borders on nothing.
      if (!own) continue;
      const right = x + 1 < width ? labels[p + 1]! : own;
      const below = more ? labels[p + width]! : own;
      const falling = more && x + 1 < width ? labels[p + width + 1]! : own;
      const rising = more && x ? labels[p + width - 1]! : own;
      if (right !== own) add(own, right, STRAIGHT);
      if (below !== own) add(own, below, STRAIGHT);
      if (falling !== own) add(own, falling, DIAGONAL);
      if (rising !== own) add(own, rising, DIAGONAL);
    }
  }
  if (last >= 0) lengths.set(last, lastLength);
  return [...lengths]
    .map(([key, length]) => ({ a: Math.floor(key / size), b: key % size, length }))
    .sort((p, q) => p.a - q.a || p.b - q.b);
}
