import type { Lab } from "@/core/colour/lab";
import { tristimulusWeights } from "@/core/colour/observer";
import { coatWeights } from "@/core/ink/stack";
import { recipeEvaluator, recipeOf, type Bench } from "./evaluate";
import { tabulate, type Lookup } from "@/core/ink/lookup";
import { Ranking } from "./ranking";
import { coatSplits, laid, type MatchOptions } from "./recipe";
import { followOf, isApart, regionWithin, type Region } from "./region";
import { growTree, type Branch } from "./tree";

/** Looks between two reports of progress. */
const REPORT_EVERY = 256;
/** More ΔE00 than the lookup's interpolation can be off; what lies this near the limit is computed in full. */
const ROUNDING = 0.01;
/** Starts of the descent that finds good recipes before the pruning begins. */
const STARTS = 6;

/**
 * The same outcome as trying every recipe, by branch and bound. More ink never brightens a band, so a set of recipes whose least and most ink
 * is known has known bounds on every linear measure of its reflectance; sets that cannot reach the region within the present limit are
 * dropped whole. Yields its progress (0–1).
 * @param onBetter is shown the ranking now and then, before the rest is proven to lie further off
 */
export function* searchPruned(
  bench: Bench,
  target: Lab,
  options: MatchOptions,
  onBetter: (ranking: Ranking, stacks: number) => void = () => undefined,
): Generator<number, { ranking: Ranking; stacks: number }> {
  const ranking = new Ranking(options.top, bench.twinOf);
  const tree = growTree(bench);
  if (!tree) return { ranking, stacks: 0 };
  const lookup = tabulate(bench.desk.paper, largestDose(bench, options.maxCoats));
  const differenceOf = recipeEvaluator(bench, target, options.maxCoats, lookup.fill);
  let stacks = 0;
  const tryInks = (inks: number[], split: readonly number[]): number => {
    const d = differenceOf(inks, split, split.length);
    stacks++;
    if (d < ranking.limit(split) + ROUNDING)
      ranking.add(recipeOf(bench, laid(inks, split, bench.rank), target));
    return d;
  };
  const splits = coatSplits(options).filter((s) => s.length <= tree.size);
  for (const split of splits) {
    descend(bench, split, tryInks);
    onBetter(ranking, stacks);
    yield 0;
  }

  const bounds = boundsOf(bench, target, options.maxCoats, lookup);
  for (const [done, split] of splits.entries()) {
    const share = (part: number) => (done + part) / splits.length;
    let looks = 0;
    const open: { branches: Branch[]; weight: number }[] = [{ branches: split.map(() => tree), weight: 1 }];
    let covered = 0;
    let limit = Infinity;
    let region: Region | undefined;
    while (open.length) {
      const { branches, weight } = open.pop()!;
      if (++looks % REPORT_EVERY === 0) {
        onBetter(ranking, stacks);
        yield share(covered);
      }
      if (branches.every((b) => b.ink >= 0)) {
        covered += weight;
        const inks = branches.map((b) => b.ink);
        if (new Set(inks).size === inks.length) tryInks(inks, split);
        continue;
      }
      const now = ranking.limit(split);
      if (now !== limit) {
        limit = now;
        region = Number.isFinite(limit) ? bounds.region(limit) : undefined;
      }
      if (region && bounds.misses(branches, split, region)) {
        covered += weight;
        continue;
      }
      const parts = fork(branches, split);
      for (const p of parts) open.push({ branches: p, weight: weight / parts.length });
    }
  }
  return { ranking, stacks };
}

/** The most ink that any recipe lays in any band: the darkest band of the darkest ink, as often as coats are allowed. */
function largestDose({ desk, dose }: Bench, maxCoats: number): number {
  const strongest = dose.reduce((most, d) => Math.max(most, d), 0);
  const taken = coatWeights(maxCoats, desk.paper.fit).reduce((a, b) => a + b, 0);
  return strongest * Math.max(1, taken);
}

/** Splits the branch whose inks are least alike; where two places with equal counts hold the same branch, mirrored pairs are taken once. */
function fork(branches: readonly Branch[], split: readonly number[]): Branch[][] {
  let at = 0;
  for (let i = 1; i < branches.length; i++)
    if (branches[i]!.width > branches[at]!.width || branches[at]!.ink >= 0) at = i;
  const whole = branches[at]!;
  const alike = branches
    .map((b, i) => (b === whole && split[i] === split[at] ? i : -1))
    .filter((i) => i >= 0);
  const [left, right] = whole.parts!;
  // k like places over two parts: how many of them go left. Order among them does not matter.
  return alike.reduce<Branch[][]>(
    (out, _, gone) => {
      const next = [...branches];
      alike.forEach((place, j) => (next[place] = j <= gone ? left : right));
      return [...out, next];
    },
    [alike.reduce<Branch[]>((next, place) => ((next[place] = right), next), [...branches])],
  );
}

/** Exchanges one ink at a time for the best one, from a few spread starts, so that the pruning starts with a tight limit. */
function descend(
  bench: Bench,
  split: readonly number[],
  tryInks: (inks: number[], split: readonly number[]) => number,
): void {
  const n = bench.desk.inks.length;
  for (let start = 0; start < STARTS; start++) {
    const inks = split.map((_, i) => Math.floor(((start + 0.5) / STARTS + i / split.length) * n) % n);
    if (new Set(inks).size < inks.length) continue;
    let best = Infinity;
    for (let round = 0; round < 4; round++) {
      const before = best;
      for (let place = 0; place < inks.length; place++) {
        let chosen = inks[place]!;
        for (let ink = 0; ink < n; ink++) {
          if (inks.some((k, i) => i !== place && k === ink)) continue;
          const d = tryInks(
            inks.map((k, i) => (i === place ? ink : k)),
            split,
          );
          if (d < best) {
            best = d;
            chosen = ink;
          }
        }
        inks[place] = chosen;
      }
      if (before - best < 1e-3) break;
    }
  }
}

/** Bounds of sets of recipes against regions around the target. */
function boundsOf(bench: Bench, target: Lab, maxCoats: number, { fill, error }: Lookup) {
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

  const misses = (branches: readonly Branch[], split: readonly number[], region: Region): boolean => {
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
    let y0 = 0;
    let y1 = 0;
    let x0 = 0;
    let x1 = 0;
    let z0 = 0;
    let z1 = 0;
    fill(least, lightest);
    fill(most, darkest);
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
    return isApart(region, y0, y1, x0, x1, z0, z1);
  };

  return { region: (limit: number) => regionWithin(target, limit, lit, follow), misses };
}
