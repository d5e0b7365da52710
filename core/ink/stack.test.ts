import fc from "fast-check";
import { coatWeights } from "./weights";
import { BANDS } from "@/core/colour/observer";
import { deltaE00 } from "@/core/colour/delta-e00";
import { fitInkSpectrum, spectrumOf } from "./fit-ink";
import { DEFAULT_FIT, makePaper, refit, uptakeOf } from "./paper";
import { blendedLab, inkedLab, inkedReflectance } from "./sheet";
import { stackAbsorbance, stackLab } from "./stack";

const card = makePaper([96, 0, 3]);
const inkOf = (lab: [number, number, number], paper = card) => spectrumOf(fitInkSpectrum([{ lab }], paper));
const [yellow, blue, red] = [inkOf([88, -8, 60]), inkOf([55, -10, -40]), inkOf([52, 60, 30])];
const still = refit(card, { ...DEFAULT_FIT, lifting: 0 });

describe("a stack of coats", () => {
  it("without coats is the paper", () => expect(deltaE00(stackLab(card, []), [96, 0, 3])).toBeLessThan(0.01));

  it("of one coat is the swatch", () =>
    expect(deltaE00(stackLab(card, [red]), [52, 60, 30])).toBeLessThan(0.6));

  it("does not depend on order without lifting, and does with it", () => {
    expect(deltaE00(stackLab(still, [yellow, blue]), stackLab(still, [blue, yellow]))).toBeLessThan(1e-9);
    const wet = refit(card, { ...DEFAULT_FIT, lifting: 0.3 });
    const [under, over] = [stackLab(wet, [blue, yellow]), stackLab(wet, [yellow, blue])];
    expect(under[0]).toBeGreaterThan(over[0]);
  });

  it("of one ink has the uptake of its paper, whatever the lifting", () => {
    for (const lifting of [0, 0.02, 0.3]) {
      const fit = { ...DEFAULT_FIT, lifting };
      const two = stackAbsorbance([red, red], fit);
      two.forEach((k, i) => expect(k).toBeCloseTo(uptakeOf(fit, 2) * red[i]!, 9));
    }
    expect(coatWeights(3, { ...DEFAULT_FIT, lifting: 0.1 })).toEqual(
      [...coatWeights(3, { ...DEFAULT_FIT, lifting: 0.1 })].sort((a, b) => a - b),
    );
  });

  it("darkens with every further coat of the same ink, less each time", () => {
    fc.assert(
      fc.property(fc.constantFrom(yellow, blue, red), fc.integer({ min: 1, max: 6 }), (ink, n) => {
        const L = (coats: number) => stackLab(card, Array<typeof ink>(coats).fill(ink))[0];
        expect(L(n + 1)).toBeLessThan(L(n));
        expect(L(n) - L(n + 1)).toBeLessThan(L(n - 1) - L(n));
      }),
    );
  });

  it("turns yellow under blue green", () => expect(stackLab(card, [yellow, blue])[1]).toBeLessThan(-20));

  it("reflects no more than the paper in any band", () => {
    const r = inkedReflectance(card, stackAbsorbance([yellow, blue], DEFAULT_FIT));
    expect(r).toHaveLength(BANDS);
    r.forEach((v, i) => expect(v).toBeLessThanOrEqual(card.reflectance[i]! + 1e-9));
  });

  it("blends from one tone to the other", () => {
    const mix = (t: number) => blendedLab(card, yellow, red, t);
    expect(mix(0)).toEqual(inkedLab(card, yellow));
    expect(mix(1)).toEqual(inkedLab(card, red));
    const half = yellow.map((k, i) => (k + red[i]!) / 2);
    mix(0.5).forEach((v, c) => expect(v).toBeCloseTo(inkedLab(card, half)[c]!, 9));
  });
});

describe("uptake", () => {
  it("grows with each coat, by less, also beyond what was fitted", () => {
    const u = [0, 1, 2, 3, 4, 5, 6, 7].map((n) => uptakeOf({ ...DEFAULT_FIT, uptake: [1, 1.8, 2.5] }, n));
    expect(u.slice(0, 4)).toEqual([0, 1, 1.8, 2.5]);
    for (let n = 2; n < u.length; n++) {
      expect(u[n]!).toBeGreaterThan(u[n - 1]!);
      expect(u[n]! - u[n - 1]!).toBeLessThan(u[n - 1]! - u[n - 2]!);
    }
  });
});

describe("a sheet without ink", () => {
  it("looks as it was read, however dark or colourful, or says that no sheet can", () =>
    fc.assert(
      fc.property(
        fc.tuple(
          fc.double({ min: 2, max: 99, noNaN: true }),
          fc.double({ min: -70, max: 70, noNaN: true }),
          fc.double({ min: -70, max: 70, noNaN: true }),
        ),
        (lab) => {
          const sheet = makePaper(lab);
          const off = deltaE00(stackLab(sheet, []), lab);
          if (!sheet.clamped) expect(off).toBeLessThan(0.25);
          else expect(off).toBeGreaterThan(0);
        },
      ),
      { numRuns: 300 },
    ));
  it("of black board and of deep red paper is right to a tenth", () => {
    for (const lab of [
      [18, 0, 0],
      [30, 52, 30],
      [12, 4, -8],
    ] as const) {
      const sheet = makePaper(lab);
      expect(sheet.clamped).toBe(false);
      expect(deltaE00(stackLab(sheet, []), lab)).toBeLessThan(0.1);
    }
  });
});
