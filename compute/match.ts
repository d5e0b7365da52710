import { closeness, type Closeness } from "@/core/colour/delta-e00";
import { keepInks } from "@/core/ink/desk";
import { matchTarget } from "@/core/match/match";
import type { Recipe } from "@/core/match/recipe";
import { deskOf } from "./desk-memory";
import { colourOf } from "./inputs/colour";
import type { MatchInput } from "./inputs/operations";
import { seen, type SeenColour } from "./predict";

export interface RecipeOutput extends SeenColour {
  /** Bottom to top. */
  readonly layers: readonly { readonly code: string; readonly coats: number }[];
  readonly deltaE00: number;
  readonly closeness: Closeness;
  /** The least ink within 0.3 ΔE00 of the best. */
  readonly preferred: boolean;
  readonly note?: string;
}

export interface MatchOutput {
  readonly recipes: readonly RecipeOutput[];
  readonly stacksEvaluated: number;
  /** Time of the search alone, the paper being fitted. */
  readonly milliseconds: number;
}

const coats = (r: Recipe) => r.layers.reduce((sum, l) => sum + l.coats, 0);
const counted = (n: number, one: string) => `${n} ${one}${n === 1 ? "" : "s"}`;

/** The best recipes for a colour. */
export function* match(input: MatchInput): Generator<number, MatchOutput> {
  const desk = deskOf(input);
  const dry = new Set(input.inks.filter((i) => i.state === "dry").map((i) => i.code));
  const usable = dry.size ? keepInks(desk, (i) => !dry.has(i.code)) : desk;
  const start = performance.now();
  const { recipes, preferred, stacksEvaluated } = yield* matchTarget(
    usable,
    colourOf(input.target).lab,
    input,
    input.search,
  );
  const milliseconds = performance.now() - start;
  const best = recipes[0];
  return {
    recipes: recipes.map((r, i) => {
      const behind = r.deltaE00 - best!.deltaE00;
      const note =
        i === preferred && i > 0
          ? `Preferred: only ${behind.toFixed(2)} ΔE00 behind the best, with ${counted(r.layers.length, "ink")} and ${counted(coats(r), "coat")} instead of ${best!.layers.length} and ${coats(best!)}.`
          : undefined;
      return {
        layers: r.layers.map((l) => ({ code: usable.inks[l.ink]!.code, coats: l.coats })),
        ...seen(r.lab),
        deltaE00: r.deltaE00,
        closeness: closeness(r.deltaE00),
        preferred: i === preferred,
        ...(note && { note }),
      };
    }),
    stacksEvaluated,
    milliseconds,
  };
}
