import { tristimulusWeights } from "@/core/colour/observer";
import type { Bench } from "./evaluate";

/** A set of inks that look alike, with the least and most that any of them lays in each band. */
export interface Branch {
  /** The one ink of a leaf; −1 for a fork. */
  readonly ink: number;
  readonly inks: readonly number[];
  readonly low: Float64Array;
  readonly high: Float64Array;
  /** Lightest and darkest place from light to dark among its inks. */
  readonly firstRank: number;
  readonly lastRank: number;
  /**
   * How unlike its inks are: sum over bands of √most − √least, since reflectance falls about as the root of the ink, each as it is seen.
   * 0 for a leaf.
   */
  readonly width: number;
  readonly parts: readonly [Branch, Branch] | undefined;
}

/** Halves the inks again and again along the band in which they differ most to the eye. */
export function growTree(bench: Bench): Branch | undefined {
  const all = bench.oneCoat.map((_, k) => k);
  const { x, y, z } = tristimulusWeights(bench.desk.paper.illuminant);
  const seen = Float64Array.from(y, (v, i) => Math.sqrt(x[i]! + v + z[i]!));
  return all.length ? grow(bench, all, seen) : undefined;
}

/** @param seen how much of each band is seen, for comparison: the root of its part in X, Y and Z together */
function grow(bench: Bench, inks: number[], seen: Float64Array): Branch {
  if (inks.length === 1) {
    const ink = inks[0]!;
    const own = bench.dose.subarray(ink * 36, ink * 36 + 36);
    return {
      ink,
      inks,
      width: 0,
      low: own,
      high: own,
      firstRank: bench.rank[ink]!,
      lastRank: bench.rank[ink]!,
      parts: undefined,
    };
  }
  const laidIn = (k: number, band: number) => seen[band]! * Math.sqrt(bench.dose[k * 36 + band]!);
  let widest = 0;
  let axis = 0;
  for (let band = 0; band < 36; band++) {
    const values = inks.map((k) => laidIn(k, band));
    const range = Math.max(...values) - Math.min(...values);
    if (range > widest) [widest, axis] = [range, band];
  }
  const sorted = [...inks].sort((a, b) => laidIn(a, axis) - laidIn(b, axis) || a - b);
  const half = sorted.length >> 1;
  const parts: [Branch, Branch] = [
    grow(bench, sorted.slice(0, half), seen),
    grow(bench, sorted.slice(half), seen),
  ];
  const low = parts[0].low.map((v, i) => Math.min(v, parts[1].low[i]!));
  const high = parts[0].high.map((v, i) => Math.max(v, parts[1].high[i]!));
  return {
    ink: -1,
    inks,
    width: low.reduce((sum, v, i) => sum + seen[i]! * (Math.sqrt(high[i]!) - Math.sqrt(v)), 0),
    low,
    high,
    firstRank: Math.min(parts[0].firstRank, parts[1].firstRank),
    lastRank: Math.max(parts[0].lastRank, parts[1].lastRank),
    parts,
  };
}
