import { coatWeights } from "@/core/ink/weights";
import type { Lab } from "@/core/colour/lab";
import { recipeEvaluator, recipeOf, type Bench } from "./evaluate";
import { Bounds } from "./bounds";
import type { Region } from "./region";
import { Lookup } from "@/core/ink/lookup";
import { Ranking } from "./ranking";
import { coatSplits, laid, type MatchOptions } from "./recipe";
import { growTree, type Branch } from "./tree";

/** Looks between two reports of progress. */
const REPORT_EVERY = 256;
/** More ΔE00 than the lookup's interpolation can be off; what lies this near the limit is computed in full. */
const ROUNDING = 0.01;
/** Starts of the descent that finds good recipes before the pruning begins. */
const STARTS = 2;
/** ΔE00 beyond which sets of recipes are proven to lie, before they are looked at more closely: nearer sets come first. */
const LEVELS = [0.3, 0.6, 1, 1.5, 2, 3, 4, 5, 6, 7, 8, 9, 10, 12, 14, 17, 20, 25, 30, 40];
/** Sets that wait at most; with more, those that are nearly done come first. */
const MOST_WAITING = 400_000;

const MOST_KNOWN = 200;

/** What is known while the search goes on. */
export interface Standing {
  readonly ranking: Ranking;
  /** Recipes whose colour was computed. */
  readonly stacks: number;
  /** Nothing nearer than this, ΔE00, exists among the recipes. */
  readonly bound: number;
}

/** A set of recipes: for each count of coats a branch of inks. */
interface Waiting {
  readonly branches: readonly Branch[];
  readonly split: readonly number[];
  /** Share of the whole search. */
  readonly weight: number;
}

/**
 * The same outcome as trying every recipe, by branch and bound. More ink never brightens a band, so a set of recipes whose least and most ink
 * is known has known bounds on every linear measure of its reflectance; sets that cannot reach the region within the present limit are
 * dropped whole. Those that may lie nearest are looked at first, so that what is proven only grows. Yields its progress (0–1).
 * @param onStanding is shown what is known now and then, when something was learnt
 */
export function* searchPruned(
  bench: Bench,
  target: Lab,
  options: MatchOptions,
  onStanding: (standing: Standing) => void = () => undefined,
): Generator<number, Standing> {
  const ranking = new Ranking(options.top, bench.twinOf);
  const tree = growTree(bench);
  if (!tree) return { ranking, stacks: 0, bound: 0 };
  const lookup = new Lookup(bench.desk.paper, largestDose(bench, options.maxCoats));
  const differenceOf = recipeEvaluator(bench, target, options.maxCoats, lookup);
  let stacks = 0;
  const tryInks = (inks: number[], split: readonly number[]): number => {
    const d = differenceOf(inks, split, split.length);
    stacks++;
    if (d < ranking.limit(split) + ROUNDING)
      ranking.add(recipeOf(bench, laid(inks, split, bench.rank), target));
    return d;
  };
  const splits = coatSplits(options).filter((s) => s.length <= tree.inks.length);
  for (const split of splits) {
    descend(bench, split, tryInks);
    onStanding({ ranking, stacks, bound: 0 });
    yield 0;
  }

  const bounds = new Bounds(bench, target, options.maxCoats, lookup);
  const regions = LEVELS.map((level) => bounds.region(level));
  /** Sets by how many of the levels they are proven to lie beyond. */
  const waiting: Waiting[][] = [...LEVELS, Infinity].map(() => []);
  let [count, looks, covered] = [0, 0, 0];
  /** Regions of the limits of late: every split has one of its own. */
  const known = new Map<number, Region>();
  const regionOf = (limit: number): Region => {
    let region = known.get(limit);
    if (!region) {
      if (known.size > MOST_KNOWN) known.clear();
      known.set(limit, (region = bounds.region(limit)));
    }
    return region;
  };

  /** Looks at a set: tries it when it is one recipe, drops it when it lies too far off, else lets it wait at its level. */
  const consider = (one: Waiting, from: number): void => {
    const { branches, split, weight } = one;
    if (branches.every((b) => b.ink >= 0)) {
      covered += weight;
      const inks = branches.map((b) => b.ink);
      if (new Set(inks).size === inks.length) tryInks(inks, split);
      return;
    }
    const limit = ranking.limit(split);
    const region = Number.isFinite(limit) ? regionOf(limit) : undefined;
    let level = from;
    bounds.enclose(branches, split);
    while (level < LEVELS.length && LEVELS[level]! <= limit && bounds.isBeyond(regions[level]!)) level++;
    if (region !== undefined && bounds.isBeyond(region)) {
      covered += weight;
      return;
    }
    waiting[level]!.push(one);
    count++;
  };
  const boundNow = (level: number) => Math.min(level > 0 ? LEVELS[level - 1]! : 0, ranking.nearest);

  for (const split of splits)
    consider({ branches: split.map(() => tree), split, weight: 1 / splits.length }, 0);
  /** Lowest level at which sets wait: it only grows, as do the levels of what they are divided into. */
  let nearest = 0;
  while (count) {
    while (!waiting[nearest]!.length) nearest++;
    const level = count > MOST_WAITING ? waiting.findLastIndex((w) => w.length) : nearest;
    if (++looks % REPORT_EVERY === 0) {
      onStanding({ ranking, stacks, bound: boundNow(nearest) });
      yield covered;
    }
    const one = waiting[level]!.pop()!;
    count--;
    if (level > 0 && LEVELS[level - 1]! > ranking.limit(one.split)) {
      covered += one.weight;
      continue;
    }
    const parts = fork(one.branches, one.split);
    for (const branches of parts)
      consider({ branches, split: one.split, weight: one.weight / parts.length }, level);
  }
  return { ranking, stacks, bound: ranking.nearest };
}

/** The most ink that any recipe lays in any band: the darkest band of the darkest ink, as often as coats are allowed. */
function largestDose({ desk, dose }: Bench, maxCoats: number): number {
  const strongest = dose.reduce((most, d) => Math.max(most, d), 0);
  const taken = coatWeights(maxCoats, desk.paper.fit).reduce((a, b) => a + b, 0);
  return strongest * Math.max(1, taken);
}

/** Splits the branch whose inks make the greatest difference; where two places with equal counts hold the same branch, mirrored pairs are taken once. */
function fork(branches: readonly Branch[], split: readonly number[]): Branch[][] {
  // Width goes with the root of the ink, and so with that of the coats.
  const difference = (i: number) => branches[i]!.width * Math.sqrt(split[i]!);
  let at = 0;
  for (let i = 1; i < branches.length; i++)
    if (difference(i) > difference(at) || branches[at]!.ink >= 0) at = i;
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
