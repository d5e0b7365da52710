import type { Lab } from "@/core/colour/lab";
import { tristimulusWeights } from "@/core/colour/observer";
import type { Lookup } from "@/core/ink/lookup";
import { coatWeights } from "@/core/ink/stack";
import type { Bench } from "./evaluate";
import { followOf, isApart, PLAIN, regionsAround, type Region } from "./region";
import type { Branch } from "./tree";

/**
 * Bounds of sets of recipes against regions around the target. More ink never brightens a band, so the least and the most ink bound every
 * band, and those every linear measure.
 */
export function boundsOf(bench: Bench, target: Lab, maxCoats: number, { fill, error }: Lookup) {
  const { paper } = bench.desk;
  const lit = tristimulusWeights(paper.illuminant);
  const follow = followOf(target, lit.white);
  const measureX = lit.x.map((v, i) => v - follow.x * lit.y[i]!);
  const measureZ = lit.z.map((v, i) => v - follow.z * lit.y[i]!);
  const measureY = lit.y;
  const weights = Array.from({ length: maxCoats + 1 }, (_, n) => coatWeights(n, paper.fit));
  const least = new Float64Array(36);
  const most = new Float64Array(36);
  const lightest = new Float64Array(36);
  const darkest = new Float64Array(36);
  /** Sum of the weights of `count` coats with `below` coats beneath them. */
  const shareOf = (w: readonly number[], below: number, count: number) => {
    let sum = 0;
    for (let c = 0; c < count; c++) sum += w[below + c]!;
    return sum;
  };

  const mixtureOf = ([a, b]: readonly [number, number]) => measureX.map((v, i) => a * v + b * measureZ[i]!);
  const [outward, aside] = [mixtureOf(follow.out), mixtureOf(follow.aside)];
  /** Least and most of every measure over the set. */
  const low = new Float64Array(5);
  const high = new Float64Array(5);
  /** Takes up the box of measures in which all recipes of a set lie. */
  const enclose = (branches: readonly Branch[], split: readonly number[]): void => {
    let total = 0;
    for (const c of split) total += c;
    const w = weights[total]!;
    least.fill(0);
    most.fill(0);
    for (let m = 0; m < branches.length; m++) {
      const b = branches[m]!;
      let surely = 0;
      let perhaps = 0;
      for (let o = 0; o < branches.length; o++) {
        if (o === m) continue;
        if (branches[o]!.lastRank < b.firstRank) surely += split[o]!;
        else if (branches[o]!.firstRank <= b.lastRank) perhaps += split[o]!;
      }
      const lowShare = shareOf(w, surely, split[m]!);
      const highShare = perhaps ? shareOf(w, surely + perhaps, split[m]!) : lowShare;
      for (let i = 0; i < 36; i++) {
        least[i]! += lowShare * b.low[i]!;
        most[i]! += highShare * b.high[i]!;
      }
    }
    fill(least, lightest);
    fill(most, darkest);
    let [y0, y1, x0, x1, z0, z1] = [0, 0, 0, 0, 0, 0];
    for (let i = 0; i < 36; i++) {
      const lighter = lightest[i]! + error;
      const darker = darkest[i]! - error;
      y0 += measureY[i]! * darker;
      y1 += measureY[i]! * lighter;
      const mx = measureX[i]!;
      x0 += mx * (mx > 0 ? darker : lighter);
      x1 += mx * (mx > 0 ? lighter : darker);
      const mz = measureZ[i]!;
      z0 += mz * (mz > 0 ? darker : lighter);
      z1 += mz * (mz > 0 ? lighter : darker);
    }
    low[0] = y0;
    high[0] = y1;
    low[1] = x0;
    high[1] = x1;
    low[2] = z0;
    high[2] = z1;
    isMixed = false;
  };

  /** Whether the mixtures were worked out of the set. */
  let isMixed = false;
  const mix = (): void => {
    let [o0, o1, a0, a1] = [0, 0, 0, 0];
    for (let i = 0; i < 36; i++) {
      const lighter = lightest[i]! + error;
      const darker = darkest[i]! - error;
      const mo = outward[i]!;
      o0 += mo * (mo > 0 ? darker : lighter);
      o1 += mo * (mo > 0 ? lighter : darker);
      const ma = aside[i]!;
      a0 += ma * (ma > 0 ? darker : lighter);
      a1 += ma * (ma > 0 ? lighter : darker);
    }
    low[3] = o0;
    high[3] = o1;
    low[4] = a0;
    high[4] = a1;
    isMixed = true;
  };

  return {
    region: regionsAround(target, lit, follow),
    enclose,
    isBeyond: (region: Region): boolean => {
      if (isApart(region, low, high, PLAIN)) return true;
      if (region.measures <= PLAIN) return false;
      if (!isMixed) mix();
      return isApart(region, low, high, region.measures);
    },
  };
}
