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
  const measureX = Float64Array.from(lit.x, (v, i) => v - follow.x * lit.y[i]!);
  const measureZ = Float64Array.from(lit.z, (v, i) => v - follow.z * lit.y[i]!);
  const measureY = Float64Array.from(lit.y);
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
  const [sizeX, sizeZ, sizeOut, sizeAside] = [measureX, measureZ, outward, aside].map((m) =>
    m.map(Math.abs),
  ) as [Float64Array, Float64Array, Float64Array, Float64Array];
  /** Least and most of every measure over the set. */
  const low = new Float64Array(5);
  const high = new Float64Array(5);
  /** Takes up the box of measures in which all recipes of a set lie. */
  const enclose = (branches: readonly Branch[], split: readonly number[]): void => {
    let total = 0;
    for (const c of split) total += c;
    const w = weights[total]!;
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
      const { low: lows, high: highs } = b;
      if (m === 0)
        for (let i = 0; i < 36; i++) {
          least[i] = lowShare * lows[i]!;
          most[i] = highShare * highs[i]!;
        }
      else
        for (let i = 0; i < 36; i++) {
          least[i]! += lowShare * lows[i]!;
          most[i]! += highShare * highs[i]!;
        }
    }
    fill(least, lightest);
    fill(most, darkest);
    // A measure is its value in the middle of every band, more or less what its size makes of half their widths.
    let [y, x, z, dy, dx, dz] = [0, 0, 0, 0, 0, 0];
    for (let i = 0; i < 36; i++) {
      const lighter = lightest[i]!;
      const darker = darkest[i]!;
      const middle = 0.5 * (lighter + darker);
      const half = 0.5 * (lighter - darker) + error;
      y += measureY[i]! * middle;
      dy += measureY[i]! * half;
      x += measureX[i]! * middle;
      dx += sizeX[i]! * half;
      z += measureZ[i]! * middle;
      dz += sizeZ[i]! * half;
    }
    low[0] = y - dy;
    high[0] = y + dy;
    low[1] = x - dx;
    high[1] = x + dx;
    low[2] = z - dz;
    high[2] = z + dz;
    isMixed = false;
  };

  /** Whether the mixtures were worked out of the set. */
  let isMixed = false;
  const mix = (): void => {
    let [o, a, dO, da] = [0, 0, 0, 0];
    for (let i = 0; i < 36; i++) {
      const lighter = lightest[i]!;
      const darker = darkest[i]!;
      const middle = 0.5 * (lighter + darker);
      const half = 0.5 * (lighter - darker) + error;
      o += outward[i]! * middle;
      dO += sizeOut[i]! * half;
      a += aside[i]! * middle;
      da += sizeAside[i]! * half;
    }
    low[3] = o - dO;
    high[3] = o + dO;
    low[4] = a - da;
    high[4] = a + da;
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
