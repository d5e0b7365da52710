import { deltaE00 } from "@/core/colour/delta-e00";
import type { Lab } from "@/core/colour/lab";
import { labOf } from "@/core/colour/lab-of";
import { demoRange } from "@/sim/demo-range";
import { whiteCard } from "@/sim/paper-stock";
import { seeded } from "@/sim/random";
import { colourSheet } from "@/sim/sheet";
import { flatOf, rampOf, toMeet, type RampInk } from "./ramp";

const ink = (code: string, family: string, L: number, c = 20): RampInk => ({ code, family, lab: [L, c, 0] });

describe("markers for an exercise", () => {
  it("a ramp is of one family, light to dark, and as even as any of that contrast", () => {
    const random = seeded(4);
    for (let k = 0; k < 30; k++) {
      const inks = Array.from({ length: 24 }, (_, i) => ink(`m${i}`, `f${i % 3}`, 20 + 75 * random()));
      for (const tones of [3, 4, 6]) {
        const ramp = rampOf(inks, tones)!;
        const L = ramp.map((r) => r.lab[0]);
        expect(ramp).toHaveLength(tones);
        expect(new Set(ramp.map((r) => r.family)).size).toBe(1);
        expect(new Set(ramp.map((r) => r.code)).size).toBe(tones);
        expect(L).toEqual([...L].sort((a, b) => b - a));
        expect(L[0]! - L.at(-1)!).toBeGreaterThan(20);
      }
    }
  });
  it("a ramp of three is the best that any three of a family make", () => {
    const random = seeded(9);
    const cost = ([a, b, c]: readonly number[]) =>
      Math.abs(b! - (a! + c!) / 2) - 0.15 * Math.min(55, a! - c!);
    for (let k = 0; k < 20; k++) {
      const inks = Array.from({ length: 9 }, (_, i) => ink(`m${i}`, "rust", 20 + 75 * random()));
      const L = inks.map((i) => i.lab[0]).sort((a, b) => b - a);
      const every = L.flatMap((a, i) =>
        L.slice(i + 1).flatMap((b, j) => L.slice(i + j + 2).map((c) => cost([a, b, c]))),
      );
      expect(cost(rampOf(inks, 3)!.map((r) => r.lab[0]))).toBeCloseTo(Math.min(...every), 9);
    }
  });
  it("none where no family has so many; a flat takes what shows its streaks", () => {
    expect(rampOf([ink("a", "x", 50), ink("b", "y", 60), ink("c", "y", 70)], 3)).toBeUndefined();
    expect(flatOf([])).toBeUndefined();
    expect(flatOf([ink("pale", "x", 95), ink("mid", "x", 60, 40), ink("dark", "x", 20)])!.code).toBe("mid");
  });
});

it("colours to be met can be met: two lighter inks over each other come near each, and families differ", () => {
  const paper: Lab = [96, 0, 2];
  const inks = demoRange()
    .filter((_, i) => i % 6 === 0)
    .map((ink) => ({
      code: ink.code,
      family: ink.code.replace(/\d.*/, ""),
      lab: labOf(colourSheet(whiteCard, [ink.recipe])),
    }));
  const chosen = toMeet(inks, paper)!;
  expect(chosen).toHaveLength(3);
  expect(new Set(chosen.map((c) => c.family)).size).toBe(3);
  for (const c of chosen) {
    // By the simulated sheet, which knows nothing of the rough guess.
    let best = Infinity;
    for (const a of inks)
      for (const b of inks)
        if (a.code !== c.code && b.code !== c.code)
          best = Math.min(best, deltaE00(c.lab, labOf(sheetOf(a.code, b.code))));
    expect(best).toBeLessThan(7);
  }
  expect(toMeet(inks.slice(0, 2), paper)).toBeUndefined();
  expect(toMeet([], paper)).toBeUndefined();
});

function sheetOf(...codes: readonly string[]) {
  const range = demoRange();
  return colourSheet(
    whiteCard,
    codes.map((code) => range.find((i) => i.code === code)!.recipe),
  );
}
