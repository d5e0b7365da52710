import fc from "fast-check";
import type { Lab } from "@/core/colour/lab";
import { groupGoal } from "./goal";
import { blendCost, leastPlaceCost, placeCost, SCORE_WEIGHTS as w, stepCost, strokeCost } from "./score";
import { STEP_LIMITS } from "./step";

const paper: Lab = [96, 0, 2];
const target = { light: [86, 8, 14], local: [64, 16, 22], shadow: [34, 14, 14] } as const;
const goal = groupGoal(target, 4, paper, {}, 1);
const free = groupGoal({ local: target.local }, 4, paper, {}, 1);
const anyLab = fc.tuple(
  fc.double({ min: 0, max: 100, noNaN: true }),
  fc.double({ min: -90, max: 90, noNaN: true }),
  fc.double({ min: -90, max: 90, noNaN: true }),
);

describe("the score of a group as laid", () => {
  it("counts a ΔE00 of the local colour as one, and nothing where everything is as wanted", () => {
    expect(placeCost(target.local, 1, goal, w)).toBe(0);
    expect(placeCost(target.light, 0, goal, w)).toBeCloseTo(0, 9);
    expect(placeCost(target.shadow, 3, goal, w)).toBeCloseTo(0, 9);
    const [L, a, b] = target.local;
    expect(placeCost([L, a, b + 6], 1, goal, w)).toBeGreaterThan(placeCost([L, a, b + 3], 1, goal, w));
  });
  it("never falls below its quick bound, which the search prunes by", () =>
    fc.assert(
      fc.property(anyLab, fc.integer({ min: 0, max: 3 }), fc.boolean(), (lab, place, read) => {
        const of = read ? goal : free;
        expect(placeCost(lab, place, of, w)).toBeGreaterThanOrEqual(
          leastPlaceCost(lab[0], place, of, w) - 1e-9,
        );
      }),
      { numRuns: 400 },
    ));
  it("is never negative in any of its parts: partial groups only get dearer", () =>
    fc.assert(
      fc.property(anyLab, anyLab, fc.integer({ min: 0, max: 2 }), (first, second, place) => {
        expect(stepCost(first[0], second[0], place, goal, STEP_LIMITS, w)).toBeGreaterThanOrEqual(0);
        expect(strokeCost(first, 2, place, goal, w)).toBeGreaterThan(0);
        expect(
          blendCost({ mud: Math.abs(second[1]), bow: Math.abs(second[2]) }, place, goal, w),
        ).toBeGreaterThanOrEqual(0);
      }),
    ));
  it("minds no bow that is slight, and beyond that only what is more", () => {
    const bow = (by: number) => blendCost({ mud: 0, bow: by }, 1, goal, w);
    expect([bow(0), bow(1)]).toEqual([0, 0]);
    expect(bow(20) - bow(15)).toBeCloseTo(5 * w.bow, 9);
    expect(bow(20)).toBeLessThan(20 * w.bow);
  });
  it("wants the ends that were read only where no contrast was asked for", () => {
    const asked = groupGoal(target, 4, paper, { contrast: 30 }, 1);
    expect([goal.lightRead, goal.shadowRead, asked.lightRead, asked.shadowRead]).toEqual([
      true,
      true,
      false,
      false,
    ]);
  });
  it("measures evenness against a step of at least four L*, however flat the goal is", () => {
    const flat = groupGoal(
      { light: [66, 16, 22], local: [64, 16, 22], shadow: [62, 14, 20] },
      3,
      paper,
      {},
      1,
    );
    const limits = { ...STEP_LIMITS, narrowest: 0 };
    for (const fall of [1, 2, 4, 7])
      expect(stepCost(66, 66 - fall, 0, flat, limits, w)).toBeCloseTo(w.evenness * ((fall - 4) / 4) ** 2, 9);
  });
  it("minds steps that show or are waste, more than steps that are merely uneven", () => {
    const step = (fall: number) => stepCost(80, 80 - fall, 0, goal, STEP_LIMITS, w);
    expect(step(22)).toBeLessThan(step(30));
    expect(step(30) - step(22)).toBeGreaterThan(step(20) - step(12));
    expect(step(1)).toBeGreaterThan(step(5));
    expect(step(-5)).toBeGreaterThan(step(1));
  });
  it("minds a stroke of another temper, a grey in what should have colour, and each marker", () => {
    const red = strokeCost([64, 16, 22], 1, 1, goal, w);
    expect(strokeCost([64, -30, 18], 1, 1, goal, w)).toBeGreaterThan(red + 0.5);
    expect(red).toBeCloseTo(w.marker, 6);
    expect(strokeCost([64, 16, 22], 2, 1, goal, w)).toBeCloseTo(w.marker + w.coats, 6);
    const wanted = free.places[2]!;
    expect(placeCost([wanted[0], 0, 0], 2, free, w)).toBeGreaterThan(placeCost(wanted, 2, free, w) + 0.5);
  });
});
