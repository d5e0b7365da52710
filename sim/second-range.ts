import type { DyeName, InkRecipe } from "./dyes";
import { seeded } from "./random";

/** A second made-up range with another way of writing codes: paleness 80–10, a dot, a family, and .x or .xx for greyed inks. */
export interface SecondInk {
  readonly code: string;
  readonly family: string;
  readonly recipe: InkRecipe;
}

const families: Record<string, { dyes: InkRecipe; start: number }> = {
  gorse: { dyes: { yellow: 0.8, orange: 0.25 }, start: 0.014 },
  coral: { dyes: { scarlet: 0.5, orange: 0.4, magenta: 0.2 }, start: 0.012 },
  heather: { dyes: { magenta: 0.5, violet: 0.35 }, start: 0.011 },
  brine: { dyes: { cyan: 0.8, turquoise: 0.25 }, start: 0.012 },
  kelp: { dyes: { leaf: 0.5, earth: 0.45 }, start: 0.011 },
  driftwood: { dyes: { earth: 0.7, orange: 0.2, carbon: 0.18 }, start: 0.0085 },
};

export const secondFamilies = Object.keys(families);
const PALENESS = [80, 65, 50, 35, 20, 10];

/** The whole second range: six families, six depths, and two greyed inks in each family. */
export function secondRange(): SecondInk[] {
  const random = seeded(12);
  return Object.entries(families).flatMap(([family, { dyes, start }]) =>
    PALENESS.flatMap((pale, depth) =>
      ["", ...(depth === 1 ? [".x"] : depth === 3 ? [".x", ".xx"] : [])].map((suffix): SecondInk => {
        const strength = start * 1.85 ** depth;
        const recipe: Partial<Record<DyeName, number>> = {};
        for (const [dye, share] of Object.entries(dyes) as [DyeName, number][])
          recipe[dye] = strength * share * (0.9 + 0.2 * random());
        recipe.carbon = (recipe.carbon ?? 0) + strength * 0.16 * (suffix.length ? suffix.length - 1 : 0);
        return { code: `${pale}.${family}${suffix}`, family, recipe };
      }),
    ),
  );
}
