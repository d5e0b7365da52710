import fc from "fast-check";
import { coatWeights } from "@/core/ink/weights";
import { deltaE00 } from "@/core/colour/delta-e00";
import { tristimulusWeights } from "@/core/colour/observer";
import { labToXyz, type Lab } from "@/core/colour/lab";
import { isMeasured, keepInks, layDesk, seenLab, type Desk } from "@/core/ink/desk";
import { layBench } from "./evaluate";
import { assignmentCount, assignments } from "./exhaustive";
import { Lookup } from "@/core/ink/lookup";
import { matchTarget, type MatchResult } from "./match";
import { coatSplits, coatsOf, type MatchOptions } from "./recipe";
import { exactReflectance } from "./evaluate";
import { followOf, isApart, regionsAround } from "./region";
import { scanInks, scannedDesk } from "@/fixtures/scanned-desk";
import { demoRange } from "@/sim/demo-range";
import { whiteCard } from "@/sim/paper-stock";
import { finish } from "@/core/progress";

const three: MatchOptions = { maxInks: 3, maxCoats: 4, top: 5 };
const desk: Desk = layDesk(...scannedDesk(15, 11));
const targets: Lab[] = [
  [62, 18, 22],
  [78, 3, 10],
  [45, -18, 4],
  [30, 2, -4],
  [55, 40, 30],
  [20, 30, -60],
  [93, 0, 4],
  [50, -45, 40],
  [99, 50, -40],
  [50, 90, 60],
  [60, -80, 60],
];

describe("the pruned search", () => {
  it.each(targets)("finds for L* %d, a* %d, b* %d what trying everything finds", (...target) => {
    const pruned = finish(matchTarget(desk, target, three, "pruned"));
    const all = finish(matchTarget(desk, target, three, "exhaustive"));
    expect(pruned.recipes.map((r) => r.layers)).toEqual(all.recipes.map((r) => r.layers));
    pruned.recipes.forEach((r, i) => expect(r.deltaE00).toBeCloseTo(all.recipes[i]!.deltaE00, 9));
    expect(pruned.preferred).toBe(all.preferred);
  });

  it("does so for dark targets with inks that lay more than any other", () => {
    const deep = /^(ruby9d|ruby9c|soot9c|bark9[md]|tide9c|plum8d|dusk9m|lake9m)$/;
    const dark = keepInks(layDesk(...scanInks(whiteCard, demoRange(), 3)), (i) => deep.test(i.code));
    const bench = layBench(dark);
    const most =
      bench.dose.reduce((a, b) => Math.max(a, b), 0) *
      coatWeights(4, dark.paper.fit).reduce((a, b) => a + b, 0);
    expect(most).toBeGreaterThan(2 ** 8);
    fc.assert(
      fc.property(
        fc.tuple(
          fc.integer({ min: 3, max: 24 }),
          fc.integer({ min: -6, max: 30 }),
          fc.integer({ min: -20, max: 20 }),
        ),
        (target) => {
          const [pruned, all] = (["pruned", "exhaustive"] as const).map((s) =>
            finish(matchTarget(dark, target, three, s)),
          );
          pruned!.recipes.forEach((r, i) => expect(r.deltaE00).toBeCloseTo(all!.recipes[i]!.deltaE00, 9));
        },
      ),
      { numRuns: 12 },
    );
  });

  it("prunes: of a rack's recipes only a small share is computed", () => {
    const rack = layDesk(...scannedDesk(70, 21));
    const all = coatSplits(three).reduce((sum, split) => sum + assignmentCount(70, split), 0);
    const { stacksEvaluated } = finish(matchTarget(rack, [58, 12, 16], three, "pruned"));
    expect(stacksEvaluated).toBeLessThan(0.12 * all);
  });

  it("does so for random desks, targets and limits", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 7 }),
        fc.integer({ min: 1, max: 50 }),
        fc.tuple(
          fc.integer({ min: 15, max: 97 }),
          fc.integer({ min: -50, max: 60 }),
          fc.integer({ min: -60, max: 60 }),
        ),
        fc.record({
          maxInks: fc.integer({ min: 1, max: 3 }),
          maxCoats: fc.integer({ min: 1, max: 5 }),
          top: fc.integer({ min: 1, max: 6 }),
        }),
        (count, seed, target, options) => {
          const small = layDesk(...scannedDesk(count, seed));
          const [pruned, all] = (["pruned", "exhaustive"] as const).map((s) =>
            finish(matchTarget(small, target, options, s)),
          );
          expect(pruned!.recipes.map((r) => r.deltaE00.toFixed(9))).toEqual(
            all!.recipes.map((r) => r.deltaE00.toFixed(9)),
          );
        },
      ),
      { numRuns: 25 },
    );
  });
});

describe("a match", () => {
  const { recipes, preferred } = finish(matchTarget(desk, [62, 18, 22], three));

  it("says truly what its recipes look like, best first, light inks beneath", () => {
    for (const r of recipes) {
      expect(deltaE00(r.lab, [62, 18, 22])).toBeCloseTo(r.deltaE00, 9);
      expect(r.lab).toEqual(seenLab(desk, coatsOf(r.layers)));
      const lightness = r.layers.map((l) => seenLab(desk, [l.ink])[0]);
      expect(lightness).toEqual([...lightness].sort((a, b) => b - a));
    }
    expect(recipes.map((r) => r.deltaE00)).toEqual(recipes.map((r) => r.deltaE00).sort((a, b) => a - b));
  });

  it("keeps one recipe of the same inks or their twins, beside the preferred one", () => {
    const { twinOf } = layBench(desk);
    const keys = recipes
      .filter((_, i) => i !== preferred)
      .map((r) =>
        r.layers
          .map((l) => twinOf[l.ink])
          .sort()
          .join(),
      );
    expect(new Set(keys).size).toBe(keys.length);
  });

  it("prefers the least ink within 0.3 of the best", () => {
    const effort = (i: number) =>
      recipes[i]!.layers.length * 10 + recipes[i]!.layers.reduce((s, l) => s + l.coats, 0);
    expect(recipes[preferred]!.deltaE00 - recipes[0]!.deltaE00).toBeLessThan(0.3);
    recipes.forEach(
      (r, i) =>
        r.deltaE00 < recipes[0]!.deltaE00 + 0.3 && expect(effort(preferred)).toBeLessThanOrEqual(effort(i)),
    );
  });

  it("of a measured swatch finds that swatch", () => {
    const place = desk.inks.findIndex((_, k) => isMeasured(desk, [k]));
    const [best] = finish(matchTarget(desk, desk.inks[place]!.coats[0]!.lab, three)).recipes;
    expect(best!.deltaE00).toBeLessThan(0.3);
  });

  it("without inks is empty", () =>
    expect(finish(matchTarget({ ...desk, inks: [] }, [50, 0, 0], three)).recipes).toEqual([]));

  it("reports its progress, never backwards", () => {
    const seen: number[] = [];
    const work = matchTarget(desk, [62, 18, 22], three, "exhaustive");
    for (let s = work.next(); !s.done; s = work.next()) seen.push(s.value);
    expect(seen.length).toBeGreaterThan(0);
    expect(seen).toEqual([...seen].sort((a, b) => a - b));
    expect(seen.at(-1)).toBeLessThanOrEqual(1);
  });
});

describe("what is known before the search has ended", () => {
  it("only gets better, is made of real recipes, and ends in the answer", () => {
    for (const target of targets) {
      const shown: MatchResult[] = [];
      const { recipes, bound: last } = finish(
        matchTarget(desk, target, three, "pruned", (soFar) => shown.push(soFar)),
      );
      expect(shown.length).toBeGreaterThan(0);
      const bests = shown.map((s) => s.recipes[0]!.deltaE00);
      expect(bests).toEqual([...bests].sort((a, b) => b - a));
      expect(bests.at(-1)).toBeGreaterThanOrEqual(recipes[0]!.deltaE00 - 1e-9);
      // What is proven only grows, and never beyond what trying everything finds.
      const bounds = shown.map((s) => s.bound);
      expect(bounds).toEqual([...bounds].sort((a, b) => a - b));
      const all = finish(matchTarget(desk, target, three, "exhaustive"));
      for (const bound of [...bounds, last])
        expect(bound).toBeLessThanOrEqual(all.recipes[0]!.deltaE00 + 1e-6);
      expect(last).toBeCloseTo(recipes[0]!.deltaE00, 9);
      for (const s of shown) {
        expect(s.recipes.length).toBeLessThanOrEqual(three.top);
        expect(s.preferred).toBeLessThan(s.recipes.length);
        for (const r of s.recipes) expect(r.deltaE00).toBeCloseTo(deltaE00(r.lab, target), 9);
      }
    }
  });
});

describe("the recipes to try", () => {
  it("are counted right: 20 million for 320 inks", () => {
    const total = coatSplits(three).reduce((sum, s) => sum + assignmentCount(320, s), 0);
    expect(total).toBe(
      320 * 4 +
        (320 * 319) / 2 +
        320 * 319 +
        (320 * 319) / 2 +
        320 * 319 +
        (320 * 319 * 318) / 6 +
        (320 * 319 * 318) / 2,
    );
    for (const split of coatSplits(three))
      expect([...assignments(7, split)]).toHaveLength(assignmentCount(7, split));
  });
});

describe("the region around a target", () => {
  const lit = tristimulusWeights();
  it("holds every colour within the limit", () => {
    fc.assert(
      fc.property(
        fc.tuple(
          fc.double({ min: 12, max: 96, noNaN: true }),
          fc.double({ min: -70, max: 70, noNaN: true }),
          fc.double({ min: -80, max: 80, noNaN: true }),
        ),
        fc.tuple(
          fc.double({ min: -1, max: 1, noNaN: true }),
          fc.double({ min: -1, max: 1, noNaN: true }),
          fc.double({ min: -1, max: 1, noNaN: true }),
        ),
        fc.double({ min: 0.3, max: 30, noNaN: true }),
        (target, way, size) => {
          const other: Lab = [
            Math.min(100, Math.max(0, target[0] + way[0] * size)),
            target[1] + way[1] * size,
            target[2] + way[2] * size,
          ];
          const [X, Y, Z] = labToXyz(other);
          if (X < 0 || Z < 0) return;
          const follow = followOf(target, lit.white);
          const region = regionsAround(target, lit, follow)(deltaE00(target, other) + 1e-9);
          const [x, z] = [X - follow.x * Y, Z - follow.z * Y];
          const mixed = (by: readonly [number, number]) => by[0] * x + by[1] * z;
          const measures = Float64Array.of(Y, x, z, mixed(follow.out), mixed(follow.aside));
          expect(isApart(region, measures, measures, region.measures)).toBe(false);
        },
      ),
      { numRuns: 150 },
    );
  });
  it("leaves out what is far", () => {
    const region = regionsAround([50, 0, 0], lit, followOf([50, 0, 0], lit.white))(2);
    const [, Y] = labToXyz([70, 0, 0]);
    expect(
      isApart(region, Float64Array.of(Y, 0, 0, 0, 0), Float64Array.of(Y, 0, 0, 0, 0), region.measures),
    ).toBe(true);
  });
});

describe("the lookup", () => {
  it("is no further off than it says", () => {
    const lookup = new Lookup(desk.paper, 2 ** 12);
    const exact = exactReflectance(desk.paper);
    const [mine, theirs] = [new Float64Array(36), new Float64Array(36)];
    fc.assert(
      fc.property(fc.double({ min: -20, max: 11.9, noNaN: true }), (octave) => {
        const doses = new Float64Array(36).fill(2 ** octave);
        lookup.fill(doses, mine);
        exact.fill(doses, theirs);
        mine.forEach((r, i) => expect(Math.abs(r - theirs[i]!)).toBeLessThanOrEqual(lookup.error));
      }),
    );
    expect(lookup.error).toBeLessThan(1e-3);
  });
});
