import type { Lab } from "@/core/colour/lab";
import type { Desk } from "@/core/ink/desk";
import { layBench } from "./evaluate";
import { searchExhaustively } from "./exhaustive";
import { searchPruned } from "./pruned";
import type { MatchOptions, Recipe } from "./recipe";

export type Search = "pruned" | "exhaustive";

export interface MatchResult {
  /** Best first; one entry for recipes of the same inks or their twins. */
  readonly recipes: readonly Recipe[];
  /** The recipe of least inks and coats that is no more than 0.3 ΔE00 behind the best; −1 when there is none. */
  readonly preferred: number;
  /** Recipes whose colour was computed. */
  readonly stacksEvaluated: number;
}

/**
 * The best recipes of up to `maxInks` inks and `maxCoats` coats for a target (Lab under the paper's illuminant), laid light to dark.
 * Both searches give the same outcome. Yields progress 0–1, so that the caller may report it or stop.
 */
export function* matchTarget(desk: Desk, target: Lab, options: MatchOptions, search: Search = "pruned"): Generator<number, MatchResult> {
  const bench = layBench(desk);
  const { ranking, stacks } = yield* (search === "pruned" ? searchPruned : searchExhaustively)(bench, target, options);
  return { ...ranking.result(), stacksEvaluated: stacks };
}
