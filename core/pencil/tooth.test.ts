import fc from "fast-check";
import { BANDS } from "@/core/colour/observer";
import { makePaper } from "@/core/ink/paper";
import { pencilFilm } from "./film";
import { labOf } from "@/core/colour/lab-of";
import {
  covered,
  draw,
  drawAll,
  exposure,
  PRESSURES,
  seenReflectance,
  undrawn,
  usualTooth,
  type ToothFit,
} from "./tooth";

const paper = makePaper([94, 0, 3]).reflectance;
const dark = pencilFilm("dark", [34, 4, -8], [31, 3, -6]);
const pale = pencilFilm("pale", [90, 2, 8], [78, 1, 5]);

const fits: fc.Arbitrary<ToothFit> = fc.record({
  build: fc.double({ min: 0.05, max: 1, noNaN: true }),
  evenness: fc.double({ min: 0.4, max: 4, noNaN: true }),
  reach: fc.double({ min: 0.2, max: 3, noNaN: true }),
  press: fc.double({ min: 0.2, max: 3, noNaN: true }),
  fill: fc.double({ min: 0.3, max: 4, noNaN: true }),
  carry: fc.double({ min: 0.2, max: 1.5, noNaN: true }),
  mix: fc.double({ min: 1, max: 3, noNaN: true }),
});
const layers = fc.integer({ min: 1, max: 8 });
const pressures = fc.constantFrom(...PRESSURES);

describe("how a paper takes wax, whatever its tooth", () => {
  it("touches no place fully and none not at all, peaks more than valleys", () =>
    fc.assert(
      fc.property(fits, pressures, (fit, pressure) => {
        const e = exposure(fit, pressure);
        expect(e.every((v) => v > 0 && v < 1)).toBe(true);
        expect(e).toEqual([...e].sort((a, b) => a - b));
      }),
      { numRuns: 60 },
    ));

  it("never takes wax away, and takes the same from n layers as from n times one", () =>
    fc.assert(
      fc.property(fits, layers, pressures, (fit, n, pressure) => {
        const at_once = draw(undrawn(paper), { film: dark, layers: n, pressure }, fit);
        const in_turn = drawAll(
          paper,
          Array.from({ length: n }, () => ({ film: dark, layers: 1, pressure })),
          fit,
        );
        at_once.wax.forEach((w, j) => {
          expect(w).toBeGreaterThanOrEqual(0);
          expect(in_turn.wax[j]!).toBeCloseTo(w, 6);
        });
      }),
      { numRuns: 40 },
    ));

  it("darkens with a dark pencil, stays within 0 and 1, and covers no less with more", () =>
    fc.assert(
      fc.property(fits, layers, pressures, (fit, n, pressure) => {
        const [few, more] = [n, n + 2].map((count) =>
          draw(undrawn(paper), { film: dark, layers: count, pressure }, fit),
        );
        const [a, b] = [few!, more!].map((d) => seenReflectance(d, fit));
        for (let i = 0; i < BANDS; i++) {
          expect(a![i]!).toBeGreaterThanOrEqual(0);
          expect(a![i]!).toBeLessThanOrEqual(1);
        }
        expect(labOf(b!)[0]).toBeLessThanOrEqual(labOf(a!)[0] + 1e-9);
        expect(covered(more!)).toBeGreaterThanOrEqual(covered(few!));
      }),
      { numRuns: 40 },
    ));

  it("shows the upper of two pencils more: order matters", () => {
    const fit = usualTooth(0.2);
    const firm = (film: typeof dark) => ({ film, layers: 6, pressure: "firm" as const });
    const [darkOnTop, paleOnTop] = [
      [firm(pale), firm(dark)],
      [firm(dark), firm(pale)],
    ].map((l) => labOf(seenReflectance(drawAll(paper, l, fit), fit))[0]);
    expect(darkOnTop!).toBeLessThan(paleOnTop!);
  });

  it("keeps bare valleys longer on rough paper", () => {
    const light = { film: dark, layers: 3, pressure: "light" as const };
    const L = [0, 0.5, 1].map((roughness) => draw(undrawn(paper), light, usualTooth(roughness)));
    const spread = L.map((d) => Math.max(...d.wax) - Math.min(...d.wax));
    expect(spread).toEqual([...spread].sort((a, b) => a - b));
    expect(usualTooth(null)).toEqual(usualTooth(0.35));
  });
});
