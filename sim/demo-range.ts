import type { DyeName, InkRecipe } from "./dyes";
import { seeded } from "./random";

/** One made-up ink of the demo range: code, family, name and what is in the bottle. */
export interface SimulatedInk {
  readonly code: string;
  readonly family: string;
  readonly depth: number;
  readonly clarity: Clarity;
  readonly recipe: InkRecipe;
}

export type Clarity = "c" | "m" | "d";

interface FamilyRecipe {
  readonly dyes: InkRecipe;
  /** What greys the muted and dusky inks. */
  readonly dull: InkRecipe;
  /** Dye strength at depth 1, and growth per depth. */
  readonly start: number;
  readonly growth: number;
  readonly depths: Partial<Record<Clarity, readonly number[]>>;
}

const all = [1, 2, 3, 4, 5, 6, 7, 8, 9];

/** Sixteen families in the order of the rack. Gaps in the depths are wanted: a real range has them too. */
export const families: Record<string, FamilyRecipe> = {
  rose: {
    dyes: { magenta: 0.9, orange: 0.12 },
    dull: { earth: 0.4, cyan: 0.18 },
    start: 0.012,
    growth: 1.62,
    depths: { c: [1, 2, 3, 4, 5, 6, 7, 8], m: [1, 2, 3, 5, 7] },
  },
  ruby: {
    dyes: { scarlet: 0.95, magenta: 0.22, orange: 0.55, yellow: 0.3, carbon: 0.035 },
    dull: { carbon: 0.3, violet: 0.1 },
    start: 0.015,
    growth: 1.78,
    depths: { c: [2, 4, 5, 6, 7, 8, 9], m: [3, 5, 8], d: [4, 6, 9] },
  },
  rust: {
    dyes: { scarlet: 0.6, yellow: 0.5 },
    dull: { carbon: 0.32 },
    start: 0.014,
    growth: 1.6,
    depths: { c: [1, 2, 3, 4, 5, 6, 7], m: [3, 4, 6, 7, 9], d: [5, 8] },
  },
  clay: {
    dyes: { orange: 0.5, magenta: 0.3 },
    dull: { earth: 0.5, cyan: 0.2 },
    start: 0.011,
    growth: 1.56,
    depths: { c: [1, 2, 3, 4, 5, 6], m: [1, 2, 3, 4, 5, 6, 7, 8, 9], d: [3, 5, 7, 8] },
  },
  corn: {
    dyes: { yellow: 1, orange: 0.1 },
    dull: { earth: 0.35, violet: 0.12 },
    start: 0.016,
    growth: 1.58,
    depths: { c: [1, 2, 3, 4, 5, 6, 8], m: [2, 4, 5, 7] },
  },
  sand: {
    dyes: { yellow: 0.5, orange: 0.28, carbon: 0.1 },
    dull: { carbon: 0.4, magenta: 0.12 },
    start: 0.011,
    growth: 1.52,
    depths: { c: [1, 2, 3, 4, 5, 6], m: [1, 2, 3, 4, 5, 6, 8], d: [4, 6] },
  },
  bark: {
    dyes: { earth: 0.9, orange: 0.3, carbon: 0.22 },
    dull: { carbon: 0.6 },
    start: 0.0085,
    growth: 1.68,
    depths: { c: [1, 3, 4, 5, 6, 7], m: [2, 3, 4, 5, 6, 7, 8, 9], d: [5, 7, 8, 9] },
  },
  reed: {
    dyes: { lemon: 0.85, leaf: 0.22 },
    dull: { earth: 0.4, magenta: 0.1 },
    start: 0.014,
    growth: 1.57,
    depths: { c: [1, 2, 3, 4, 5, 6, 7], m: [2, 3, 4, 5, 7], d: [6, 8] },
  },
  fern: {
    dyes: { leaf: 0.8, lemon: 0.25 },
    dull: { scarlet: 0.2, carbon: 0.2 },
    start: 0.013,
    growth: 1.6,
    depths: { c: [1, 2, 3, 4, 5, 6, 7, 8], m: [2, 3, 4, 5, 6, 7, 9], d: [5, 8] },
  },
  tarn: {
    dyes: { turquoise: 0.9, leaf: 0.15 },
    dull: { carbon: 0.35, scarlet: 0.08 },
    start: 0.013,
    growth: 1.6,
    depths: { c: [1, 2, 3, 4, 5, 6, 7], m: [2, 4, 5, 6, 8, 9], d: [4, 7] },
  },
  lake: {
    dyes: { cyan: 0.9, ultramarine: 0.22 },
    dull: { carbon: 0.4, orange: 0.06 },
    start: 0.013,
    growth: 1.62,
    depths: { c: [1, 2, 3, 4, 5, 6, 7, 8], m: [1, 2, 3, 5, 6, 8, 9] },
  },
  dusk: {
    dyes: { ultramarine: 0.75, violet: 0.35 },
    dull: { carbon: 0.4 },
    start: 0.012,
    growth: 1.6,
    depths: { c: [1, 2, 3, 4, 5, 6, 7, 8], m: [1, 2, 3, 4, 6, 9], d: [5, 7] },
  },
  plum: {
    dyes: { violet: 0.7, magenta: 0.42 },
    dull: { carbon: 0.4, earth: 0.1 },
    start: 0.012,
    growth: 1.6,
    depths: { c: [1, 2, 3, 4, 5, 6, 7], m: [1, 2, 4, 5, 6, 7, 9], d: [4, 8] },
  },
  flax: {
    dyes: { yellow: 0.35, orange: 0.3, magenta: 0.08 },
    dull: { earth: 0.25, cyan: 0.05 },
    start: 0.009,
    growth: 1.45,
    depths: { c: [1, 2, 3, 4, 5], m: [1, 2, 3, 4, 5, 6] },
  },
  tide: {
    dyes: { carbon: 0.85, ultramarine: 0.22, cyan: 0.1 },
    dull: { ultramarine: 0.3, violet: 0.1 },
    start: 0.0065,
    growth: 1.68,
    depths: { c: all, m: [2, 3, 5, 7] },
  },
  soot: {
    dyes: { carbon: 1.1, earth: 0.12 },
    dull: { earth: 0.3, orange: 0.08 },
    start: 0.0055,
    growth: 1.86,
    depths: { c: all, m: [2, 3, 4, 6, 8] },
  },
};

const DULLNESS: Record<Clarity, number> = { c: 0, m: 0.55, d: 1.15 };

/** Makers' batches never come out quite as written: each dye's share wanders by this much. */
const BATCH_SPREAD = 0.12;

function mix(family: FamilyRecipe, depth: number, clarity: Clarity, random: () => number): InkRecipe {
  const strength = family.start * family.growth ** (depth - 1);
  const out: Partial<Record<DyeName, number>> = {};
  const add = (part: InkRecipe, scale: number) => {
    for (const [dye, share] of Object.entries(part) as [DyeName, number][])
      out[dye] = (out[dye] ?? 0) + strength * share * scale * (1 + BATCH_SPREAD * (2 * random() - 1));
  };
  add(family.dyes, 1);
  if (clarity !== "c") add(family.dull, DULLNESS[clarity]);
  return out;
}

/** The whole made-up range, in rack order. */
export function demoRange(seed = 1): SimulatedInk[] {
  const random = seeded(seed);
  return Object.entries(families).flatMap(([family, f]) =>
    (Object.entries(f.depths) as [Clarity, readonly number[]][]).flatMap(([clarity, depths]) =>
      depths.map((depth) => ({
        code: `${family}${depth}${clarity}`,
        family,
        depth,
        clarity,
        recipe: mix(f, depth, clarity, random),
      })),
    ),
  );
}

/** Inks of no range, mixed at random from the dyes: for judging predictions on bottles the demo does not know. */
export function strangeInks(count: number, seed: number): SimulatedInk[] {
  const random = seeded(seed);
  const names: DyeName[] = [
    "lemon",
    "yellow",
    "orange",
    "scarlet",
    "magenta",
    "violet",
    "ultramarine",
    "cyan",
    "turquoise",
    "leaf",
    "earth",
    "carbon",
  ];
  return Array.from({ length: count }, (_, i) => {
    const recipe: Partial<Record<DyeName, number>> = {};
    const strength = 0.012 * 45 ** random();
    const parts = 1 + Math.floor(random() * 3);
    for (let p = 0; p < parts; p++)
      recipe[names[Math.floor(random() * names.length)]!] = strength * (p ? 0.5 * random() : 1);
    return { code: `ink${i + 1}`, family: "ink", depth: 1, clarity: "c", recipe };
  });
}
