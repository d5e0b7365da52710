import fc from "fast-check";
import { groundWhere } from "@/fixtures/forms";
import { DARKEST } from "@/core/light/value-field";
import { mm2Between, NO_TONES, tOf, toneMap, zoneAt, type ToneWish } from "./tone-map";

const SIDE = 200;
const sheet = groundWhere(SIDE, SIDE, 1, () => 0, 0.1);
/** Light on the left, dark on the right. */
const ramp = Uint16Array.from({ length: SIDE * SIDE }, (_, p) => ((p % SIDE) / (SIDE - 1)) * DARKEST);
const wish = (change: Partial<ToneWish> = {}): ToneWish => ({
  ...NO_TONES,
  borders: [0, 0.2, 0.7, 1],
  ...change,
});
const shareOf = (counts: Uint32Array, from: number, to: number) =>
  mm2Between(counts, 0, from, to, 0.1) / (SIDE * 0.1) ** 2;

describe("a tone map", () => {
  it("gives each tone the share of the area that the plan gives it, whatever the light", () => {
    for (const bend of [0.4, 1, 2.5]) {
      const values = ramp.map((v) => DARKEST * (v / DARKEST) ** bend);
      const { counts } = toneMap(values, sheet, [wish()]);
      for (const [from, to] of [
        [0, 0.2],
        [0.2, 0.7],
        [0.7, 1],
      ] as const)
        expect(Math.abs(shareOf(counts, from, to) - (to - from))).toBeLessThan(0.04);
    }
  });
  it("never puts a darker place before a lighter one", () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: DARKEST }), { minLength: 400, maxLength: 400 }),
        fc.option(
          fc.tuple(
            fc.double({ min: 0, max: 0.5, noNaN: true }),
            fc.double({ min: 0.5, max: 1, noNaN: true }),
          ),
        ),
        (list, shares) => {
          const ground = groundWhere(20, 20, 1, () => 0);
          const values = Uint16Array.from(list);
          const { places } = toneMap(values, ground, [wish({ shares })]);
          const byValue = [...values.keys()].sort((a, b) => values[a]! - values[b]!);
          for (let i = 1; i < byValue.length; i++)
            expect(places[byValue[i]!]!).toBeGreaterThanOrEqual(places[byValue[i - 1]!]!);
        },
      ),
      { numRuns: 40 },
    );
  });
  it("holds what is flat about its local colour, and lets shade rise from there without a jump", () => {
    const flat = new Uint16Array(SIDE * SIDE).fill(20_000);
    expect(tOf(toneMap(flat, sheet, [wish()]).places[0]!)).toBeCloseTo(0.5, 2);
    // Shade that begins gently over the last quarter.
    const shaded = flat.map((v, p) => v + 300_000 * Math.max(0, (p % SIDE) / SIDE - 0.75) ** 2);
    const { places } = toneMap(shaded, sheet, [wish()]);
    for (let x = 1; x < SIDE; x++) expect(Math.abs(places[x]! - places[x - 1]!)).toBeLessThan(26);
    expect(tOf(places[SIDE - 1]!)).toBeGreaterThan(0.9);
  });
  it("moves where a tone ends by hand, and goes by the plan when another number of tones was meant", () => {
    const moved = toneMap(ramp, sheet, [wish({ shares: [0.5, 0.9] })]);
    expect(Math.abs(shareOf(moved.counts, 0, 0.2) - 0.5)).toBeLessThan(0.03);
    expect(Math.abs(shareOf(moved.counts, 0.7, 1) - 0.1)).toBeLessThan(0.03);
    const other = toneMap(ramp, sheet, [wish({ shares: [0.5] })]);
    expect([...other.counts]).toEqual([...toneMap(ramp, sheet, [wish()]).counts]);
  });
  it("is lighter and darker where it was touched, and bare where it stays white", () => {
    const flat = new Uint16Array(SIDE * SIDE).fill(30_000);
    const at = (x: number, y: number) => y * SIDE + x;
    const { places, counts } = toneMap(flat, sheet, [
      wish({
        touches: [
          { at: [0.25, 0.5], radius: 3, by: -1 },
          { at: [0.75, 0.5], radius: 3, by: 1 },
        ],
        whites: [{ at: [0.5, 0.1], radius: 1 }],
      }),
    ]);
    expect(places[at(50, 100)]!).toBeLessThan(40);
    expect(places[at(150, 100)]!).toBeGreaterThan(215);
    expect(places[at(100, 20)]).toBe(0);
    expect(places[at(100, 35)]).toBeGreaterThan(0);
    expect(counts[0]! * 0.01).toBeCloseTo(Math.PI, 0);
  });
  it("leaves what stays white, and what is nobody's, without ink", () => {
    const two = groundWhere(40, 40, 2, (x) => (x < 10 ? -1 : x < 25 ? 0 : 1));
    const values = new Uint16Array(1600).fill(9000);
    const { places } = toneMap(values, two, [wish({ white: true }), wish()]);
    expect(places[5]).toBe(0);
    expect(places[15]).toBe(0);
    expect(places[30]).toBeGreaterThan(0);
  });
});

it("zones follow the borders, both ends of the area included", () => {
  const borders = [0, 0.2, 0.7, 1];
  expect([0, 0.19, 0.2, 0.5, 0.7, 1].map((t) => zoneAt(borders, t))).toEqual([0, 0, 1, 1, 2, 2]);
  expect(zoneAt([0, 1], 1)).toBe(0);
});
