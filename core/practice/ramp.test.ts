import { seeded } from "@/sim/random";
import { flatOf, rampOf, type RampInk } from "./ramp";

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
