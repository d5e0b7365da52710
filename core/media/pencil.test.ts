import { courseOf } from "@/core/course/course";
import { seeded } from "@/sim/random";
import type { PencilLayer } from "./layer";

const CODES = ["straw", "brick", "plum", "slate", "ink"];
type Part = PencilLayer["steps"][number]["layers"][number]["part"];
const layerOf = (steps: readonly (readonly (readonly [string, Part])[])[]): PencilLayer => ({
  medium: "pencil",
  base: null,
  place: "all",
  steps: steps.map((layers, i) => ({
    lightness: 90 - 10 * i,
    onPaper: true,
    layers: layers.map(([code, part]) => ({ code, layers: 2, pressure: "light" as const, part })),
  })),
});
const passesOf = (layer: PencilLayer) =>
  courseOf([layer], { school: "light first", capacity: 6 }).passes.filter((p) => p.role === "pencil");

describe("pencils taken in hand one after the other", () => {
  it("lie in every value as they were planned there, whichever values use them", () => {
    const random = seeded(3);
    for (let n = 0; n < 300; n++) {
      const order = [...CODES].sort(() => random() - 0.5);
      const darks = 1 + Math.floor(2 * random());
      const named = order.map((c, i) => [c, i < darks ? "dark beneath" : "over all"] as const);
      const steps = Array.from({ length: 5 }, () => named.filter(() => random() < 0.5));
      const passes = passesOf(layerOf(steps));
      expect(new Set(passes.map((p) => p.code)).size).toBe(passes.length);
      for (const [step, layers] of steps.entries()) {
        const laid = passes.filter((p) => p.drawing!.strokes.some((s) => s.step === step)).map((p) => p.code);
        expect(laid).toEqual(layers.map(([c]) => c));
      }
    }
  });

  it("are each there once, even where values contradict each other", () => {
    const passes = passesOf(
      layerOf([
        [
          ["straw", "over all"],
          ["brick", "over all"],
        ],
        [
          ["brick", "over all"],
          ["straw", "over all"],
        ],
      ]),
    );
    expect(passes.map((p) => p.code).sort()).toEqual(["brick", "straw"]);
  });

  it("go beneath first and over all last when one does both", () => {
    const passes = passesOf(
      layerOf([
        [
          ["straw", "over all"],
          ["plum", "over all"],
        ],
        [
          ["plum", "dark beneath"],
          ["straw", "over all"],
        ],
      ]),
    );
    expect(passes.map((p) => [p.code, p.drawing!.part])).toEqual([
      ["plum", "dark beneath"],
      ["straw", "over all"],
      ["plum", "over all"],
    ]);
  });
});
