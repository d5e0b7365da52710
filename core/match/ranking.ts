import type { Recipe } from "./recipe";

/** A simpler recipe is preferred unless the best one gains at least this much ΔE00. */
export const WORTH_MORE_INK = 0.3;

const inksOf = (r: Recipe) => r.layers.length;
const coatsOf = (r: Recipe) => r.layers.reduce((sum, l) => sum + l.coats, 0);
/** Fewer inks first, then fewer coats. */
const effort = (r: Recipe) => inksOf(r) * 10 + coatsOf(r);
const MOST_EFFORT = 64;

/**
 * Keeps the best recipes met so far. Recipes of the same inks, or of twins of them, are one entry: only the best of each stays. Beside the
 * `top` best, the best of every effort (inks, coats) is kept when it is near enough to be preferred.
 */
export class Ranking {
  private readonly best: Recipe[] = [];
  private readonly keys: string[] = [];
  /** Grows whenever the outcome may have changed. */
  changes = 0;
  private readonly simplest: (Recipe | undefined)[] = new Array(MOST_EFFORT);

  /** @param twinOf for every ink, the ink that stands for it and its twins */
  constructor(
    private readonly top: number,
    private readonly twinOf: ArrayLike<number>,
  ) {}

  /** A recipe of this split must be nearer than this to change the outcome. */
  limit(split: readonly number[]): number {
    const last = this.best.length < this.top ? Infinity : this.best.at(-1)!.deltaE00;
    const best = this.best[0]?.deltaE00 ?? Infinity;
    const same = this.simplest[split.length * 10 + split.reduce((a, b) => a + b, 0)]?.deltaE00 ?? Infinity;
    return Math.max(last, Math.min(same, best + WORTH_MORE_INK));
  }

  /** ΔE00 of the best so far; Infinity before there is one. */
  get nearest(): number {
    return this.best[0]?.deltaE00 ?? Infinity;
  }

  add(recipe: Recipe): void {
    this.changes++;
    const level = effort(recipe);
    if (recipe.deltaE00 < (this.simplest[level]?.deltaE00 ?? Infinity)) this.simplest[level] = recipe;
    const key = recipe.layers
      .map((l) => this.twinOf[l.ink])
      .sort()
      .join();
    const known = this.keys.indexOf(key);
    if (known >= 0) {
      if (recipe.deltaE00 >= this.best[known]!.deltaE00) return;
      this.best.splice(known, 1);
      this.keys.splice(known, 1);
    } else if (this.best.length >= this.top && recipe.deltaE00 >= this.best.at(-1)!.deltaE00) return;
    let at = this.best.findIndex((r) => r.deltaE00 > recipe.deltaE00);
    if (at < 0) at = this.best.length;
    this.best.splice(at, 0, recipe);
    this.keys.splice(at, 0, key);
    this.best.length = this.keys.length = Math.min(this.top, this.best.length);
  }

  /** Best first. The preferred one is the least effort within {@link WORTH_MORE_INK} of the best; it is always among them, even where it only lays fewer coats of the same inks. */
  result(): { recipes: Recipe[]; preferred: number } {
    const recipes = [...this.best];
    const best = recipes[0];
    if (!best) return { recipes, preferred: -1 };
    const simple = this.simplest.find((r) => r && r.deltaE00 < best.deltaE00 + WORTH_MORE_INK)!;
    const same = (r: Recipe) => JSON.stringify(r.layers) === JSON.stringify(simple.layers);
    if (!recipes.some(same)) {
      if (recipes.length >= this.top && recipes.length > 1) recipes.pop();
      recipes.push(simple);
      recipes.sort((a, b) => a.deltaE00 - b.deltaE00);
    }
    return { recipes, preferred: recipes.findIndex(same) };
  }
}
