import type { Lab } from "@/core/colour/lab";

/** Some coats of one ink; `ink` is its position on the desk. */
export interface InkRun {
  readonly ink: number;
  readonly coats: number;
}

/** Layers bottom to top, light to dark, with what they give. */
export interface Recipe {
  readonly layers: readonly InkRun[];
  readonly lab: Lab;
  readonly deltaE00: number;
}

export interface MatchOptions {
  /** Inks in one recipe, 1–3. */
  readonly maxInks: number;
  /** Coats of all inks of a recipe together, 1–6. */
  readonly maxCoats: number;
  /** Recipes wanted. */
  readonly top: number;
}

/** Coats per ink, most first: (1), (2), (1,1), (2,1)… within the limits. Which ink takes which count is the search's business. */
export function coatSplits({ maxInks, maxCoats }: MatchOptions): number[][] {
  const out: number[][] = [];
  const grow = (split: number[], left: number) => {
    if (split.length) out.push(split);
    if (split.length === maxInks) return;
    for (let c = 1; c <= Math.min(left, split.at(-1) ?? left); c++) grow([...split, c], left - c);
  };
  grow([], maxCoats);
  return out;
}

/** Layers in the order they are laid: `rank` is an ink's place from light to dark. */
export function laid(inks: readonly number[], split: readonly number[], rank: ArrayLike<number>): InkRun[] {
  return inks.map((ink, i) => ({ ink, coats: split[i]! })).sort((a, b) => rank[a.ink]! - rank[b.ink]!);
}

/** The same layers as coats, first coat first. */
export const coatsOf = (layers: readonly InkRun[]): number[] =>
  layers.flatMap(({ ink, coats }) => Array<number>(coats).fill(ink));

/** Coats, first coat first, as layers. */
export function layersOf(coats: readonly number[]): InkRun[] {
  const out: InkRun[] = [];
  for (const ink of coats) {
    const last = out.at(-1);
    if (last?.ink === ink) out[out.length - 1] = { ink, coats: last.coats + 1 };
    else out.push({ ink, coats: 1 });
  }
  return out;
}
