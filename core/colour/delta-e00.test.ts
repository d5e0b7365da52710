import { differenceCiede2000 } from "culori";
import fc from "fast-check";
import pairs from "./ciede2000-pairs.json" with { type: "json" };
import { closeness, deltaE00 } from "./delta-e00";
import type { Lab } from "./lab";

const tenths = (min: number, max: number) => fc.integer({ min: min * 10, max: max * 10 }).map((v) => v / 10);
const labs = fc.tuple(tenths(0, 100), tenths(-90, 90), tenths(-90, 90));

describe("CIEDE2000", () => {
  it.each(pairs)(
    "gives pair %d %d %d – %d %d %d its published difference",
    (L1, a1, b1, L2, a2, b2, published) => {
      expect(deltaE00([L1!, a1!, b1!], [L2!, a2!, b2!])).toBeCloseTo(published!, 4);
    },
  );

  it("is symmetric, and zero only where the colours agree", () => {
    fc.assert(
      fc.property(labs, labs, (one: Lab, other: Lab) => {
        expect(deltaE00(one, other)).toBeCloseTo(deltaE00(other, one), 9);
        expect(deltaE00(one, one)).toBe(0);
      }),
    );
  });

  it("agrees with the general-purpose library", () => {
    const theirs = differenceCiede2000();
    fc.assert(
      fc.property(labs, labs, (one, other) => {
        const as = ([l, a, b]: Lab) => ({ mode: "lab65" as const, l, a, b });
        expect(deltaE00(one, other)).toBeCloseTo(theirs(as(one), as(other)), 6);
      }),
    );
  });

  it("has a word for every difference", () => {
    expect([0.5, 1.5, 3, 6, 20].map(closeness)).toEqual([
      "same",
      "very close",
      "close",
      "visible",
      "different",
    ]);
  });
});
