import type { Nearest } from "./distance";

/** Numbers that are joined as one, each known by its root. */
class Joined {
  readonly parent: number[] = [0];
  add(): number {
    return this.parent.push(this.parent.length) - 1;
  }
  root(i: number): number {
    const { parent } = this;
    while (parent[i] !== i) {
      parent[i] = parent[parent[i]!]!;
      i = parent[i]!;
    }
    return i;
  }
}

/** A neck is a gap in a line only if both sides are this much wider: a strand that swells and thins is one. */
const WIDER = 1.3;
/** And by this many pixels, below which widths are grain of the raster. */
const WIDER_PIXELS = 1;

/** What a flood gives: regions of the free pixels. */
export interface Flooded {
  /** Number of each pixel's region from 1; 0 on the line. */
  readonly labels: Int32Array;
  readonly count: number;
  /** Necks that were taken for gaps. */
  readonly gaps: number;
}

/**
 * Regions between lines. Wherever a disc as wide as the gap can lie, the places that it can be moved to are one region; the rest is flooded
 * from the widest places to the narrowest, and where two regions meet in a neck that is no wider than the gap and clearly narrower than
 * both, the neck is a gap in the line and parts them. What is nowhere wider than the gap belongs to whatever it opens into most widely.
 * Watershed of the distance to the line: F. Meyer, Signal Processing 38 (1994); trapped-ball filling: S.-H. Zhang et al., IEEE TVCG 15 (2009).
 * @param nearest distance of each pixel from the line (0 on it)
 * @param gap widest gap, pixels
 */
export function flood({ squared }: Nearest, width: number, height: number, gap: number): Flooded {
  const labels = new Int32Array(width * height);
  const sets = new Joined();
  const peaks: number[] = [0];
  // Pixel middles lie half a pixel from the line's edge.
  const limit = Math.floor((gap / 2 + 0.5) ** 2);
  const unite = (a: number, b: number): number => {
    const [keep, drop] = peaks[a]! >= peaks[b]! ? [a, b] : [b, a];
    sets.parent[drop] = keep;
    return keep;
  };
  const fresh = (peak: number): number => {
    peaks.push(peak);
    return sets.add();
  };

  // Where the disc can lie.
  for (let y = 0, p = 0; y < height; y++)
    for (let x = 0; x < width; x++, p++) {
      const d = squared[p]!;
      if (d <= limit) continue;
      const left = x > 0 && labels[p - 1]! ? sets.root(labels[p - 1]!) : 0;
      const up = y > 0 && labels[p - width]! ? sets.root(labels[p - width]!) : 0;
      let own = left || up;
      if (left && up && left !== up) own = unite(left, up);
      if (!own) own = fresh(d);
      else if (d > peaks[own]!) peaks[own] = d;
      labels[p] = own;
    }

  // The rest by distance, the farthest from the line first: distances are whole numbers when squared, so that they are counted, not sorted.
  const starts = new Int32Array(limit + 2);
  for (const d of squared) if (d > 0 && d <= limit) starts[limit - d + 1]!++;
  for (let i = 1; i < starts.length; i++) starts[i]! += starts[i - 1]!;
  const order = new Int32Array(starts[limit + 1]!);
  for (let p = 0; p < squared.length; p++) {
    const d = squared[p]!;
    if (d > 0 && d <= limit) order[starts[limit - d]!++] = p;
  }
  const parts = (a: number, b: number, d: number): boolean => {
    const least = Math.min(peaks[a]!, peaks[b]!);
    if (least <= limit) return false;
    const [side, neck] = [Math.sqrt(least) - 0.5, Math.sqrt(d) - 0.5];
    return side >= WIDER * neck && side >= neck + WIDER_PIXELS;
  };
  const refused = new Set<number>();
  const around = new Int32Array(4);
  for (let i = 0; i < order.length; i++) {
    const p = order[i]!;
    const x = p % width;
    const d = squared[p]!;
    around[0] = x > 0 ? p - 1 : -1;
    around[1] = x + 1 < width ? p + 1 : -1;
    around[2] = p - width;
    around[3] = p + width < labels.length ? p + width : -1;
    // It belongs to where it widens most: along a wall all pixels are as far from it, and the first to come would take the whole row.
    let [own, widest] = [0, -1];
    for (let k = 0; k < 4; k++) {
      const q = around[k]!;
      if (q < 0 || !labels[q] || squared[q]! <= widest) continue;
      widest = squared[q]!;
      own = labels[q]!;
    }
    if (own) own = sets.root(own);
    for (let k = 0; own && k < 4; k++) {
      const q = around[k]!;
      if (q < 0 || !labels[q]) continue;
      const other = sets.root(labels[q]!);
      if (own === other) continue;
      if (parts(own, other, d)) refused.add(Math.min(own, other) * 0x1000000 + Math.max(own, other));
      else own = unite(own, other);
    }
    labels[p] = own || fresh(d);
  }
  const numbers = new Int32Array(sets.parent.length);
  let count = 0;
  for (let p = 0; p < labels.length; p++) {
    if (!labels[p]) continue;
    const root = sets.root(labels[p]!);
    labels[p] = numbers[root] ||= ++count;
  }
  const gaps = new Set<string>();
  for (const pair of refused) {
    const [a, b] = [sets.root(Math.floor(pair / 0x1000000)), sets.root(pair % 0x1000000)];
    if (a !== b) gaps.add(`${Math.min(a, b)} ${Math.max(a, b)}`);
  }
  return { labels, count, gaps: gaps.size };
}
