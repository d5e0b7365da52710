import fc from "fast-check";
import type { InkPass } from "@/core/ink/fade";
import { shareBelow } from "@/core/algebra/normal";
import { deltaE00 } from "@/core/colour/delta-e00";
import { layDesk } from "@/core/ink/desk";
import { laidLab } from "@/core/ink/laid";
import { pencilFilm } from "@/core/pencil/film";
import { usualTooth } from "@/core/pencil/tooth";
import { scannedDesk } from "@/fixtures/scanned-desk";
import { layArea, levelOf, SAMPLES, STEEPNESS } from "./laid-area";

const desk = layDesk(...scannedDesk(8, 12));
const reach = { wet: 1.3, dry: 0.2 };
const pass = (ink: number, from: number, to: number, wet = true, coats = 1): InkPass => ({
  ink,
  coats,
  wet,
  from,
  to,
});
const group = [pass(0, 0, 1, false), pass(1, 0.3, 1), pass(2, 0.7, 1), pass(0, 0, 0.45, true, 0.5)];
const area = layArea(desk, { ink: group, pencil: [], opaque: [] }, reach);
const stackAt = (passes: readonly InkPass[], t: number) =>
  passes.filter((p) => p.from <= t && (t < p.to || p.to >= 1));

describe("an area as it lies", () => {
  it("is exactly the stack of each place where no edge is near", () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            ink: fc.integer({ min: 0, max: 7 }),
            from: fc.constantFrom(0, 0.25, 0.5),
            to: fc.constantFrom(0.75, 1),
            wet: fc.boolean(),
            coats: fc.constantFrom(0.5, 1, 2),
          }),
          { maxLength: 5 },
        ),
        (ink) => {
          const laid = layArea(desk, { ink, pencil: [], opaque: [] }, reach);
          for (const t of [0.12, 0.37, 0.62, 0.88])
            expect(deltaE00(laid.at(t, 0.01), laidLab(desk, stackAt(ink, t)))).toBeLessThan(0.05);
        },
      ),
      { numRuns: 60 },
    );
  });
  it("runs from one tone to the next as wide as wet ink moves, and crisply where it dried", () => {
    const step = (wet: boolean, steepness: number) => {
      const two = layArea(
        desk,
        { ink: [pass(0, 0, 1, false), pass(2, 0.5, 1, wet)], pencil: [], opaque: [] },
        reach,
      );
      // How much of the way from one to the other is gone 0.04 before the border.
      const [a, b] = [two.at(0.02, 0), two.at(0.98, 0)];
      return deltaE00(a, two.at(0.46, steepness)) / deltaE00(a, b);
    };
    expect(step(true, 0.06)).toBeGreaterThan(0.15);
    expect(step(false, 0.06)).toBeLessThan(0.02);
    // In a small area, whose fade is steep, tones run together more.
    expect(step(true, 0.2)).toBeGreaterThan(step(true, 0.06));
  });
  it("shows the paper where nothing lies, and goes from light to dark", () => {
    const bare = layArea(desk, { ink: [], pencil: [], opaque: [] }, reach);
    expect(bare.at(0.4, 0.1)).toEqual(desk.paper.lab);
    const twice = layArea(
      desk,
      {
        ink: [],
        pencil: [],
        opaque: [
          { lab: [20, 0, 0], from: 0, to: 0.6 },
          { lab: [96, 0, 0], from: 0.4, to: 1 },
        ],
      },
      reach,
    );
    // What is laid last lies on top.
    expect([0.2, 0.5, 0.9].map((t) => twice.at(t, 0.03)[0])).toEqual([20, 96, 96]);
    const late = layArea(desk, { ink: [pass(1, 0.5, 1)], pencil: [], opaque: [] }, reach);
    expect(deltaE00(late.at(0.1, 0.01), desk.paper.lab)).toBeLessThan(0.01);
    expect(area.at(0.1, 0.03)[0]).toBeGreaterThan(area.at(0.95, 0.03)[0]);
  });
  it("keeps its colours for every steepness: those of an even coat are all alike", () => {
    const colours = area.colours();
    expect(colours).toHaveLength(STEEPNESS.length * SAMPLES * 3);
    const s = Math.round(0.5 * (SAMPLES - 1));
    expect([...colours.slice((2 * SAMPLES + s) * 3, (2 * SAMPLES + s) * 3 + 3)]).toEqual(
      area.at(0.5, STEEPNESS[2]).map((v) => expect.closeTo(v, 3) as number),
    );
    const even = layArea(desk, { ink: [pass(3, 0, 1)], pencil: [], opaque: [] }, reach).colours();
    expect([...even.slice(-3)]).toEqual([...even.slice(0, 3)]);
  });
  it("has pencil over it by the place's value, and what is opaque over all", () => {
    const white = pencilFilm("white", [95, 0, 1], [62, 0, -2]);
    const layer = { film: white, layers: 6, pressure: "firm" } as const;
    const dark = [pass(2, 0, 1, false, 2)];
    const drawn = layArea(
      desk,
      {
        ink: dark,
        pencil: [{ fit: usualTooth(0.3), steps: [[layer], []] }],
        opaque: [{ lab: [96, 0, 0], from: 0, to: 0.05 }],
      },
      reach,
    );
    const plain = layArea(desk, { ink: dark, pencil: [], opaque: [] }, reach);
    expect(drawn.at(0.1, 0.01)[0]).toBeGreaterThan(plain.at(0.1, 0.01)[0] + 8);
    expect(deltaE00(drawn.at(1, 0.01), plain.at(1, 0.01))).toBeLessThan(0.5);
    expect(drawn.at(0.02, 0.01)).toEqual([96, 0, 0]);
  });
  it("has pencil at the values at which it is drawn, and between them on the way", () => {
    const film = pencilFilm("dark", [20, 0, 0], [12, 0, 0]);
    const steps = [[], [], [{ film, layers: 6, pressure: "firm" as const }]];
    const bare = layArea(desk, { ink: [pass(3, 0, 1)], pencil: [], opaque: [] }, reach);
    const drawn = layArea(
      desk,
      { ink: [pass(3, 0, 1)], pencil: [{ steps, fit: usualTooth(0.3) }], opaque: [] },
      reach,
    );
    const darker = (t: number) => bare.at(t, 0.03)[0] - drawn.at(t, 0.03)[0];
    expect(darker(0)).toBeCloseTo(0, 6);
    expect(darker(0.5)).toBeCloseTo(0, 6);
    expect(darker(1)).toBeGreaterThan(10);
    expect(darker(0.75)).toBeGreaterThan(1);
    expect(darker(0.75)).toBeLessThan(darker(1));
  });
});

it("a steepness has its place among those that are kept", () => {
  STEEPNESS.forEach((s, i) => expect(levelOf(s * s)).toBeCloseTo(i, 9));
  expect(levelOf(0)).toBe(0);
  expect(levelOf(100)).toBe(STEEPNESS.length - 1);
  expect(levelOf(0.03 * 0.06)).toBeCloseTo(2.5, 9);
});

it("the normal share is symmetric and meets its table", () => {
  expect(shareBelow(0)).toBeCloseTo(0.5, 6);
  expect(shareBelow(1)).toBeCloseTo(0.8413447, 5);
  expect(shareBelow(-1.96)).toBeCloseTo(0.0249979, 5);
});
