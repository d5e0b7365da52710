import { deltaE00 } from "@/core/colour/delta-e00";
import { chroma, hue, hueTurn } from "@/core/colour/lab";
import { median } from "@/core/algebra/median";
import { layDesk, seenLab } from "@/core/ink/desk";
import { scannedDesk } from "@/fixtures/scanned-desk";
import { seeded } from "@/sim/random";
import { EYE_KINDS, eyeQuestion, isRight, warmth, type EyeKind, type EyeQuestion } from "./eye";

const desk = layDesk(...scannedDesk(60, 7));
const ask = (kind: EyeKind, level: number, seed: number, about: number[] = []): EyeQuestion =>
  eyeQuestion(desk, kind, { about, level, random: seeded(seed) })!;
const seeds = Array.from({ length: 40 }, (_, i) => i + 1);

describe("questions for the eye", () => {
  it.each(EYE_KINDS)("%s: the same seed asks the same, and harder ones differ by less", (kind) => {
    expect(ask(kind, 0.5, 3)).toEqual(ask(kind, 0.5, 3));
    const [easy, hard] = [0, 1].map((level) => median(seeds.map((s) => ask(kind, level, s).margin)));
    expect(hard!).toBeLessThan(0.7 * easy!);
    expect(hard!).toBeGreaterThan(0);
    // The right answer stands everywhere.
    expect(new Set(seeds.map((s) => ask(kind, 0.5, s).right[0])).size).toBeGreaterThan(1);
  });
  it.each(EYE_KINDS)("%s: what is shown is what lies there, and one answer is right", (kind) => {
    for (const seed of seeds) {
      const { shown, choices, right } = ask(kind, 0.4, seed);
      for (const c of [...shown, ...choices])
        if (c.stack.length) expect(c.lab).toEqual(seenLab(desk, c.stack));
      const chosen = choices[right[0]!]!;
      const L = choices.map((c) => c.lab[0]);
      switch (kind) {
        case "order":
          expect(right.map((r) => L[r])).toEqual([...L].sort((a, b) => a - b));
          expect(new Set(right).size).toBe(choices.length);
          break;
        case "lighter":
          expect(L[right[0]!]).toBe(Math.max(...L));
          expect(Math.abs(hueTurn(hue(choices[0]!.lab), hue(choices[1]!.lab)))).toBeGreaterThan(60);
          break;
        case "warmer":
          expect(warmth(chosen.lab)).toBe(Math.max(...choices.map((c) => warmth(c.lab))));
          expect(Math.abs(L[0]! - L[1]!)).toBeLessThan(8);
          break;
        case "overlay":
          expect(chosen.stack).toEqual([...shown[0]!.stack, ...shown[1]!.stack]);
          break;
        case "twin": {
          const off = choices.map((c) => deltaE00(c.lab, shown[0]!.lab));
          expect(off[right[0]!]).toBe(Math.min(...off));
          expect(choices.some((c) => c.stack[0] === shown[0]!.stack[0])).toBe(false);
          break;
        }
        case "behind":
          expect(chosen.lab[0]).toBeCloseTo(shown[1]!.lab[0], 9);
          for (const l of L) expect(l > 0 && l < 100).toBe(true);
          for (const c of choices) expect(chroma(c.lab)).toBe(0);
          break;
        case "coats":
          expect(shown[1]!.stack).toHaveLength(right[0]! + 1);
          break;
      }
    }
  });
  it("is about the inks that it is to be about, and nothing is asked of too few", () => {
    for (const seed of seeds) {
      expect([5, 6]).toContain(ask("twin", 0.5, seed, [5, 6]).shown[0]!.stack[0]);
      expect([5, 6]).toContain(ask("coats", 0.5, seed, [5, 6]).shown[0]!.stack[0]);
    }
    const few = layDesk(...scannedDesk(5, 7));
    expect(eyeQuestion(few, "twin", { about: [], level: 0, random: seeded(1) })).toBeUndefined();
  });
  it("takes an order as right only when all of it is", () => {
    expect(isRight({ right: [2, 0, 1] }, [2, 0, 1])).toBe(true);
    expect(isRight({ right: [2, 0, 1] }, [2, 1, 0])).toBe(false);
    expect(isRight({ right: [2] }, [])).toBe(false);
  });
});
