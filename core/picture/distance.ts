/** What lies nearest to each pixel. */
export interface Nearest {
  /** Squared distance in pixels between pixel middles; `FAR` where there is nothing at all. */
  readonly squared: Uint32Array;
  /** The pixel that is nearest, by its place in the plane; only where it was asked for. */
  readonly place: Int32Array | undefined;
}

/** Squared distance that stands for "nothing anywhere". */
export const FAR = 0xffffffff;
/** Rows that stand for "no such pixel in this column". */
const NONE = 1 << 20;

/** First place at which a parabola with its foot at `b` and height `hb` lies under one with `a`, `ha` (b > a). */
const meeting = (a: number, ha: number, b: number, hb: number) =>
  Math.floor((b * b - a * a + hb - ha) / (2 * (b - a))) + 1;

/**
 * Exact Euclidean distance of every pixel from the nearest one that is set, in linear time: columns first, then the lower envelope of
 * parabolas along each row. A. Meijster, J. Roerdink & W. Hesselink (2000); P. Felzenszwalb & D. Huttenlocher, Theory of Computing 8 (2012).
 * @param set 1 where the distance is 0, row by row
 * @param places whether to say which pixel is nearest
 */
export function nearestOf(set: Uint8Array, width: number, height: number, places = false): Nearest {
  const rows = new Int32Array(width * height);
  const above = new Int32Array(width).fill(-NONE);
  for (let y = 0, p = 0; y < height; y++)
    for (let x = 0; x < width; x++, p++) {
      if (set[p]) above[x] = y;
      rows[p] = above[x]!;
    }
  const below = above.fill(NONE);
  for (let y = height - 1, p = width * height - 1; y >= 0; y--)
    for (let x = width - 1; x >= 0; x--, p--) {
      if (set[p]) below[x] = y;
      if (below[x]! - y < y - rows[p]!) rows[p] = below[x]!;
    }
  const squared = new Uint32Array(width * height);
  const place = places ? new Int32Array(width * height) : undefined;
  const foot = new Int32Array(width);
  const from = new Int32Array(width);
  const tall = new Float64Array(width);
  for (let y = 0; y < height; y++) {
    const row = y * width;
    let last = -1;
    for (let x = 0; x < width; x++) {
      const away = rows[row + x]! - y;
      if (away > height || away < -height) continue;
      const high = away * away;
      let start = 0;
      while (last >= 0) {
        start = meeting(foot[last]!, tall[last]!, x, high);
        if (start > from[last]!) break;
        last--;
      }
      if (last >= 0 && start >= width) continue;
      last++;
      foot[last] = x;
      tall[last] = high;
      from[last] = last ? start : 0;
    }
    if (last < 0) {
      squared.fill(FAR, row, row + width);
      place?.fill(-1, row, row + width);
      continue;
    }
    for (let x = width - 1; x >= 0; x--) {
      while (last > 0 && from[last]! > x) last--;
      const by = x - foot[last]!;
      squared[row + x] = by * by + tall[last]!;
      if (place) place[row + x] = rows[row + foot[last]!]! * width + foot[last]!;
    }
  }
  return { squared, place };
}
