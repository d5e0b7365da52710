import fc from "fast-check";
import { filmReflectance } from "./film";
import { absorbance, reflectance } from "./kubelka-munk";
import { inside, outside } from "./saunderson";

const share = fc.double({ min: 0.01, max: 0.99, noNaN: true });

describe("Kubelka–Munk and Saunderson", () => {
  it("come back from K/S and from the surface", () => {
    fc.assert(
      fc.property(
        share,
        fc.double({ min: 0.01, max: 0.06, noNaN: true }),
        fc.double({ min: 0.1, max: 0.6, noNaN: true }),
        (r, k1, k2) => {
          expect(reflectance(absorbance(r))).toBeCloseTo(r, 9);
          expect(inside(outside(r, { k1, k2 }), { k1, k2 })).toBeCloseTo(r, 9);
        },
      ),
    );
  });
  it("give K/S ¼ at Ri ½, as the textbook does", () => expect(absorbance(0.5)).toBe(0.25));
});

describe("a film over the bare sheet", () => {
  it("is the single-constant sheet when deep and a filter when thin", () => {
    expect(filmReflectance(0.8, 50, 0.9)).toBeCloseTo(reflectance(0.8), 9);
    // A thin film of K·X lets light through twice: R ≈ Rg·exp(−2·K·X·2) to first order, with q·depth = K·X.
    const [kx, depth] = [0.05, 1e-4];
    expect(filmReflectance(kx / depth, depth, 0.9)).toBeCloseTo(0.9 * Math.exp(-2 * kx), 3);
  });

  it("is the bare sheet without ink", () => {
    fc.assert(
      fc.property(share, fc.double({ min: 0.1, max: 5, noNaN: true }), (bare, depth) =>
        expect(filmReflectance(absorbance(bare), depth, bare)).toBeCloseTo(bare, 9),
      ),
    );
  });

  it("only darkens with ink", () => {
    fc.assert(
      fc.property(
        share,
        fc.double({ min: 0.1, max: 5, noNaN: true }),
        fc.double({ min: 0, max: 20, noNaN: true }),
        fc.double({ min: 1e-6, max: 20, noNaN: true }),
        (bare, depth, ink, more) => {
          const k = absorbance(bare);
          expect(filmReflectance(k + ink + more, depth, bare)).toBeLessThanOrEqual(
            filmReflectance(k + ink, depth, bare) + 1e-12,
          );
        },
      ),
    );
  });
});
