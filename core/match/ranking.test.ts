import { seeded } from "@/sim/random";
import { Ranking, WORTH_MORE_INK } from "./ranking";
import { coatSplits, coatsOf, laid, type Recipe } from "./recipe";

const recipe = (deltaE00: number, ...layers: [ink: number, coats: number][]): Recipe => ({
  layers: layers.map(([ink, coats]) => ({ ink, coats })),
  lab: [50, 0, 0],
  deltaE00,
});
const alone = [0, 1, 2, 3, 4, 5];

describe("the ranking of recipes", () => {
  it("keeps the best of the same inks", () => {
    const ranking = new Ranking(3, alone);
    [
      recipe(2, [0, 1], [1, 1]),
      recipe(1, [0, 2], [1, 1]),
      recipe(3, [0, 1], [1, 2]),
      recipe(1.5, [2, 1]),
    ].forEach((r) => ranking.add(r));
    expect(ranking.result().recipes.map((r) => r.deltaE00)).toEqual([1, 1.5]);
  });
  it("counts twins as the same ink", () => {
    const ranking = new Ranking(3, [0, 1, 2, 3, 4, 4]);
    [recipe(2, [4, 1]), recipe(1, [5, 1])].forEach((r) => ranking.add(r));
    expect(ranking.result().recipes).toHaveLength(1);
  });
  it("holds no more than asked, best first, and says what could still change it", () => {
    const ranking = new Ranking(2, alone);
    expect(ranking.limit([1])).toBe(Infinity);
    [3, 1, 2, 0.5].forEach((d, i) => ranking.add(recipe(d, [i, 1])));
    expect(ranking.result().recipes.map((r) => r.deltaE00)).toEqual([0.5, 1]);
    expect(ranking.limit([1])).toBe(1);
    // A simpler kind of recipe not met yet may still be preferred within 0.3 of the best.
    expect(new Ranking(1, alone).limit([1, 1])).toBe(Infinity);
  });
  it("prefers less ink unless the gain is worth it", () => {
    const preferredOf = (gain: number) => {
      const ranking = new Ranking(3, alone);
      [recipe(1, [0, 2], [1, 1], [2, 1]), recipe(1 + gain, [3, 1])].forEach((r) => ranking.add(r));
      return ranking.result().preferred;
    };
    expect(preferredOf(WORTH_MORE_INK - 0.01)).toBe(1);
    expect(preferredOf(WORTH_MORE_INK + 0.01)).toBe(0);
  });
  it("would rather lay more coats than take up another marker", () => {
    const ranking = new Ranking(3, alone);
    [recipe(1, [0, 2], [1, 2]), recipe(1.1, [2, 1], [3, 1]), recipe(1.2, [4, 4])].forEach((r) =>
      ranking.add(r),
    );
    const { recipes, preferred } = ranking.result();
    expect(recipes[preferred]!.layers).toEqual([{ ink: 4, coats: 4 }]);
  });
  it("shows the preferred recipe even where it is not among the best", () => {
    const ranking = new Ranking(1, alone);
    [recipe(1, [0, 2], [1, 2]), recipe(1.2, [2, 1])].forEach((r) => ranking.add(r));
    const one = ranking.result();
    expect(one.recipes[one.preferred]!.layers).toEqual([{ ink: 2, coats: 1 }]);
  });
  it("is not changed by what is not nearer than its limit, nor by the order in which recipes come", () => {
    const next = seeded(5);
    const pick = (n: number) => Math.floor(next() * n);
    for (let round = 0; round < 300; round++) {
      const all = Array.from({ length: 25 }, () => {
        const inks = [0, 1, 2, 3, 4, 5].sort(() => next() - 0.5).slice(0, 1 + pick(3));
        // Near one another, so that fewer coats are often worth more than a little gain.
        return recipe(
          2 + Math.round(next() * 40) / 50,
          ...inks.map((i): [number, number] => [i, 1 + pick(2)]),
        );
      });
      const [whole, pruned] = [new Ranking(3, alone), new Ranking(3, alone)];
      for (const r of all) {
        whole.add(r);
        if (r.deltaE00 < pruned.limit(r.layers.map((l) => l.coats))) pruned.add(r);
      }
      const [a, b] = [whole.result(), pruned.result()];
      const said = ({ recipes, preferred }: typeof a) => [
        recipes.map((r) => r.deltaE00),
        recipes[preferred]!.layers.reduce((sum, l) => sum + 10 + l.coats, 0),
      ];
      expect(said(b)).toEqual(said(a));
    }
  });
  it("of nothing is empty", () =>
    expect(new Ranking(3, alone).result()).toEqual({ recipes: [], preferred: -1 }));
});

describe("a recipe's layers", () => {
  it("are laid light to dark, coat by coat", () => {
    const layers = laid([7, 3, 5], [2, 1, 1], [0, 0, 0, 2, 0, 0, 0, 1]);
    expect(layers.map((l) => l.ink)).toEqual([5, 7, 3]);
    expect(coatsOf(layers)).toEqual([5, 7, 7, 3]);
  });
  it("split their coats in every way within the limits", () => {
    expect(coatSplits({ maxInks: 2, maxCoats: 3, top: 1 })).toEqual([[1], [1, 1], [2], [2, 1], [3]]);
    for (const s of coatSplits({ maxInks: 3, maxCoats: 6, top: 1 })) {
      expect(s.reduce((a, b) => a + b, 0)).toBeLessThanOrEqual(6);
      expect(s).toEqual([...s].sort((a, b) => b - a));
    }
  });
});
