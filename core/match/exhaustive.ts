import type { Lab } from "@/core/colour/lab";
import { exactReflectance, recipeEvaluator, recipeOf, type Bench } from "./evaluate";
import type { Standing } from "./pruned";
import { Ranking } from "./ranking";
import { coatSplits, laid, type MatchOptions } from "./recipe";

/** Every way to give a split's counts to different inks, each once: equal counts take inks in rising order. */
export function* assignments(inks: number, split: readonly number[]): Generator<number[]> {
  const pick: number[] = new Array<number>(split.length).fill(0);
  function* place(at: number): Generator<number[]> {
    if (at === split.length) {
      yield pick;
      return;
    }
    const from = at && split[at] === split[at - 1] ? pick[at - 1]! + 1 : 0;
    for (let ink = from; ink < inks; ink++) {
      if (pick.indexOf(ink) >= 0 && pick.indexOf(ink) < at) continue;
      pick[at] = ink;
      yield* place(at + 1);
    }
  }
  yield* place(0);
}

/** Stacks between two reports of progress. */
const REPORT_EVERY = 1000;

/** Tries every recipe: the plain baseline that the pruned search must equal. Yields its progress (0–1). */
export function* searchExhaustively(
  bench: Bench,
  target: Lab,
  options: MatchOptions,
): Generator<number, Standing> {
  const ranking = new Ranking(options.top, bench.twinOf);
  const differenceOf = recipeEvaluator(bench, target, options.maxCoats, exactReflectance(bench.desk.paper));
  const splits = coatSplits(options);
  const n = bench.desk.inks.length;
  const expected = splits.reduce((sum, s) => sum + assignmentCount(n, s), 0);
  let stacks = 0;
  for (const split of splits) {
    for (const inks of assignments(n, split)) {
      const d = differenceOf(inks, split, split.length);
      stacks++;
      if (d < ranking.limit(split)) ranking.add(recipeOf(bench, laid([...inks], split, bench.rank), target));
      if (stacks % REPORT_EVERY === 0) yield stacks / expected;
    }
  }
  return { ranking, stacks, bound: ranking.nearest };
}

/** How many {@link assignments} there are. */
export function assignmentCount(inks: number, split: readonly number[]): number {
  let count = 1;
  let run = 0;
  split.forEach((c, i) => {
    run = i && c === split[i - 1] ? run + 1 : 1;
    count = (count * (inks - i)) / run;
  });
  return Math.max(0, count);
}
