import type { ColourInput } from "@/border/colour";
import { Colour, OneOf, Optional, Whole } from "@/border/fields";
import { wrong } from "@/border/problem";
import { closeness, type Closeness } from "@/core/colour/delta-e00";
import { keepInks } from "@/core/ink/desk";
import { matchTarget, type MatchResult } from "@/core/match/match";
import { shortfallOf, type Shortfall } from "@/core/match/shortfall";
import { preferenceInWords, shortfallInWords } from "@/words/match";
import { costOf } from "../cost";
import { AmongOwned, deskOperation } from "../operation";
import { seen, type SeenColour } from "../seen";

export class MatchQuestion extends AmongOwned {
  @Colour() target!: ColourInput;
  @Optional() @Whole(1, 3) maxInks = 3;
  /** Coats of all inks of a recipe together. */
  @Optional() @Whole(1, 6) maxCoats = 4;
  @Optional() @Whole(1, 50) top = 5;
  @Optional() @OneOf(["pruned", "exhaustive"]) search: "pruned" | "exhaustive" = "pruned";
}

export interface RecipeOutput extends SeenColour {
  /** Bottom to top. */
  readonly layers: readonly { readonly code: string; readonly coats: number }[];
  readonly deltaE00: number;
  readonly closeness: Closeness;
  /** The least ink within 0.3 ΔE00 of the best. */
  readonly preferred: boolean;
  readonly note?: string;
}

/** What is in the way of a colour, where no recipe comes close. */
export interface ReachOutput extends Shortfall {
  readonly message: string;
}

export interface MatchOutput {
  readonly recipes: readonly RecipeOutput[];
  /** Whether every other recipe is proven to lie further off; else these are the best so far. */
  readonly proven: boolean;
  /** No recipe nearer than this, ΔE00, exists by the model. */
  readonly bound: number;
  /** Only where the best lies so far off that it shows. */
  readonly reach?: ReachOutput;
  readonly stacksEvaluated: number;
  /** Time of the search alone, the paper being fitted. */
  readonly milliseconds: number;
}

/** Inks that are matched with at once: with more, three to a recipe take minutes. */
const MOST_INKS = 1000;

/** The best recipes for a colour. What is found on the way is shown at once: see {@link MatchOutput.proven}. */
export const match = deskOperation(MatchQuestion, function* (question, open, show): Generator<
  number,
  MatchOutput
> {
  const price = costOf(open, question.ownedOnly);
  const ready = new Set(open.inks.flatMap((i, at) => (Number.isFinite(price(at)) ? [i.code] : [])));
  const usable = ready.size < open.inks.length ? keepInks(open.desk, (i) => ready.has(i.code)) : open.desk;
  if (usable.inks.length > MOST_INKS)
    throw wrong(
      "inks",
      `expected at most ${MOST_INKS} inks that are not dry to match with; there are ${usable.inks.length}`,
    );
  const start = performance.now();
  const target = open.labOf(question.target);
  const outputOf = (
    { recipes, preferred, stacksEvaluated, bound }: MatchResult,
    proven: boolean,
  ): MatchOutput => {
    const best = recipes[0];
    const reach =
      best && shortfallOf(open.desk, target, best.lab, (ink) => ready.has(open.desk.inks[ink]!.code));
    return {
      recipes: recipes.map((r, i) => {
        const note = i === preferred && i > 0 ? preferenceInWords(r, recipes[0]!) : undefined;
        return {
          layers: r.layers.map((l) => ({ code: usable.inks[l.ink]!.code, coats: l.coats })),
          ...seen(r.lab),
          deltaE00: r.deltaE00,
          closeness: closeness(r.deltaE00),
          preferred: i === preferred,
          ...(note && { note }),
        };
      }),
      proven,
      bound: Number.isFinite(bound) ? bound : 0,
      ...(reach && { reach: { ...reach, message: shortfallInWords(reach, proven ? undefined : bound) } }),
      stacksEvaluated,
      milliseconds: performance.now() - start,
    };
  };
  const found = yield* matchTarget(usable, target, question, question.search, (soFar) =>
    show?.(outputOf(soFar, false)),
  );
  return outputOf(found, true);
});
