import { coatWeights } from "@/core/ink/weights";
import type { Lab } from "@/core/colour/lab";
import { tristimulusWeights, type Weights } from "@/core/colour/observer";
import type { Lookup } from "@/core/ink/lookup";
import type { Bench } from "./evaluate";
import { followOf, isApart, PLAIN, regionsAround, type Follow, type Region } from "./region";
import type { Branch } from "./tree";

/** Sum of the weights of `count` coats with `below` coats beneath them. */
function shareOf(weights: readonly number[], below: number, count: number): number {
  let sum = 0;
  for (let c = 0; c < count; c++) sum += weights[below + c]!;
  return sum;
}

/**
 * Bounds of sets of recipes against regions around the target. More ink never brightens a band, so the least and the most ink bound every
 * band, and those every linear measure. A class, so that what the engine has learnt of `enclose` outlives one search.
 */
export class Bounds {
  /** Regions around the target by their limit, ΔE00. */
  readonly region: (limit: number) => Region;
  /** Weights of coats by how many there are. */
  private readonly weights: readonly (readonly number[])[];
  private readonly measures: Measures;
  private readonly least = new Float64Array(36);
  private readonly most = new Float64Array(36);
  private readonly lightest = new Float64Array(36);
  private readonly darkest = new Float64Array(36);
  /** Least and most of every measure over the set. */
  private readonly low = new Float64Array(5);
  private readonly high = new Float64Array(5);
  /** Whether the mixtures were worked out of the set. */
  private isMixed = false;

  constructor(
    bench: Bench,
    target: Lab,
    maxCoats: number,
    private readonly lookup: Lookup,
  ) {
    const { paper } = bench.desk;
    const lit = tristimulusWeights(paper.illuminant);
    const follow = followOf(target, lit.white);
    this.measures = measuresOf(lit, follow);
    this.weights = Array.from({ length: maxCoats + 1 }, (_, n) => coatWeights(n, paper.fit));
    this.region = regionsAround(target, lit, follow);
  }

  /** Takes up the box of measures in which all recipes of a set lie. */
  enclose(branches: readonly Branch[], split: readonly number[]): void {
    const { least, most, lightest, darkest, low, high, lookup } = this;
    const { y: ofY, x: ofX, z: ofZ, sizeX, sizeZ } = this.measures;
    let total = 0;
    for (const c of split) total += c;
    const w = this.weights[total]!;
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
    lookup.fill(least, lightest);
    lookup.fill(most, darkest);
    const { error } = lookup;
    // A measure is its value in the middle of every band, more or less what its size makes of half their widths.
    let [y, x, z, dy, dx, dz] = [0, 0, 0, 0, 0, 0];
    for (let i = 0; i < 36; i++) {
      const lighter = lightest[i]!;
      const darker = darkest[i]!;
      const middle = 0.5 * (lighter + darker);
      const half = 0.5 * (lighter - darker) + error;
      y += ofY[i]! * middle;
      dy += ofY[i]! * half;
      x += ofX[i]! * middle;
      dx += sizeX[i]! * half;
      z += ofZ[i]! * middle;
      dz += sizeZ[i]! * half;
    }
    low[0] = y - dy;
    high[0] = y + dy;
    low[1] = x - dx;
    high[1] = x + dx;
    low[2] = z - dz;
    high[2] = z + dz;
    this.isMixed = false;
  }

  /** Whether the set that was enclosed last lies outside a region as a whole. */
  isBeyond(region: Region): boolean {
    if (isApart(region, this.low, this.high, PLAIN)) return true;
    if (region.measures <= PLAIN) return false;
    if (!this.isMixed) this.mix();
    return isApart(region, this.low, this.high, region.measures);
  }

  private mix(): void {
    const { lightest, darkest, low, high } = this;
    const { error } = this.lookup;
    const { out, aside, sizeOut, sizeAside } = this.measures;
    let [o, a, dO, da] = [0, 0, 0, 0];
    for (let i = 0; i < 36; i++) {
      const lighter = lightest[i]!;
      const darker = darkest[i]!;
      const middle = 0.5 * (lighter + darker);
      const half = 0.5 * (lighter - darker) + error;
      o += out[i]! * middle;
      dO += sizeOut[i]! * half;
      a += aside[i]! * middle;
      da += sizeAside[i]! * half;
    }
    low[3] = o - dO;
    high[3] = o + dO;
    low[4] = a - da;
    high[4] = a + da;
    this.isMixed = true;
  }
}

/** The linear measures as weights of 36 bands, and their sizes. */
function measuresOf(lit: Weights, follow: Follow) {
  const x = Float64Array.from(lit.x, (v, i) => v - follow.x * lit.y[i]!);
  const z = Float64Array.from(lit.z, (v, i) => v - follow.z * lit.y[i]!);
  const mixtureOf = ([a, b]: readonly [number, number]) => x.map((v, i) => a * v + b * z[i]!);
  const out = mixtureOf(follow.out);
  const aside = mixtureOf(follow.aside);
  const size = (m: Float64Array) => m.map(Math.abs);
  return {
    y: Float64Array.from(lit.y),
    x,
    z,
    out,
    aside,
    sizeX: size(x),
    sizeZ: size(z),
    sizeOut: size(out),
    sizeAside: size(aside),
  };
}
type Measures = ReturnType<typeof measuresOf>;
