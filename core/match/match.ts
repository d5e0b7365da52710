import type { Lab } from "@/core/colour/lab";
import { deltaE00 } from "@/core/colour/delta-e00";
import { seenLab, type Desk } from "@/core/ink/desk";
import { layBench } from "./evaluate";
import { searchExhaustively } from "./exhaustive";
import { searchPruned } from "./pruned";
import { Ranking } from "./ranking";
import { coatsOf, layersOf, type InkRun, type MatchOptions, type Recipe } from "./recipe";

export type Search = "pruned" | "exhaustive";

export interface MatchResult {
  /** Best first; one entry for recipes of the same inks or their twins. */
  readonly recipes: readonly Recipe[];
  /** The recipe of least inks and coats that is no more than 0.3 ΔE00 behind the best; −1 when there is none. */
  readonly preferred: number;
  /** Recipes whose colour was computed. */
  readonly stacksEvaluated: number;
  /** No recipe nearer than this, ΔE00 by the model, exists. */
  readonly bound: number;
}

/** Recipes by the model that are looked at again when overlays were measured. */
const LOOKED_AT_AGAIN = 40;

/**
 * The best recipes of up to `maxInks` inks and `maxCoats` coats for a target (Lab under the paper's illuminant), laid light to dark.
 * Both searches give the same outcome. On a desk with measured overlays the best by the model, and the overlays themselves, are ranked again
 * by what is known of them; what is shown on the way is by the model. Yields progress 0–1, so that the caller may report it or stop.
 * @param onBetter is shown the best so far whenever it gets better or more is proven
 */
export function* matchTarget(
  desk: Desk,
  target: Lab,
  options: MatchOptions,
  search: Search = "pruned",
  onBetter: (soFar: MatchResult) => void = () => undefined,
): Generator<number, MatchResult> {
  const { overlays, ...model } = desk;
  const bench = layBench(model);
  const isAllowed = (layers: readonly InkRun[]) =>
    layers.length <= options.maxInks && layers.reduce((sum, l) => sum + l.coats, 0) <= options.maxCoats;
  const measured = (overlays?.stacks ?? []).map(layersOf).filter(isAllowed);
  /** What was measured may lie nearer than the model says of it. */
  const measuredNearest = Math.min(...measured.map((l) => deltaE00(seenLab(desk, coatsOf(l)), target)));
  const asked = overlays ? { ...options, top: Math.max(options.top, LOOKED_AT_AGAIN) } : options;
  let shown = { changes: 0, bound: 0 };
  const { ranking, stacks, bound } = yield* search === "pruned"
    ? searchPruned(bench, target, asked, ({ ranking: r, stacks: stacksEvaluated, bound: byModel }) => {
        const now = Math.min(byModel, measuredNearest);
        if (r.changes === shown.changes && now === shown.bound) return;
        shown = { changes: r.changes, bound: now };
        const { recipes, preferred } = r.result();
        const some = recipes.slice(0, options.top);
        onBetter({
          recipes: some,
          preferred: preferred < some.length ? preferred : -1,
          stacksEvaluated,
          bound: now,
        });
      })
    : searchExhaustively(bench, target, asked);
  const found = ranking.result();
  if (!overlays) return { ...found, stacksEvaluated: stacks, bound };
  const again = new Ranking(options.top, bench.twinOf);
  for (const layers of [...found.recipes.map((r) => r.layers), ...measured]) {
    const lab = seenLab(desk, coatsOf(layers));
    again.add({ layers, lab, deltaE00: deltaE00(lab, target) });
  }
  return { ...again.result(), stacksEvaluated: stacks, bound: Math.min(bound, measuredNearest) };
}
