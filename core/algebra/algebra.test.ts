import fc from "fast-check";
import { invert } from "./invert";
import { krige } from "./kriging";
import { median, quantile } from "./median";
import { solve } from "./solve";

const entries = (n: number) =>
  fc.array(fc.double({ min: -3, max: 3, noNaN: true }), { minLength: n * n, maxLength: n * n });
/** A matrix whose rows lean on their diagonal, so that it has an inverse. */
const sound = (values: readonly number[], n: number) =>
  Float64Array.from(values, (v, i) => v + (Math.floor(i / n) === i % n ? 4 * n : 0));

describe("small linear systems", () => {
  it("are solved: a·x gives b back", () =>
    fc.assert(
      fc.property(
        entries(4),
        fc.array(fc.double({ min: -9, max: 9, noNaN: true }), { minLength: 4, maxLength: 4 }),
        (values, right) => {
          const a = sound(values, 4);
          const x = solve(a.slice(), Float64Array.from(right));
          right.forEach((b, r) => {
            let sum = 0;
            for (let c = 0; c < 4; c++) sum += a[r * 4 + c]! * x[c]!;
            expect(sum).toBeCloseTo(b, 8);
          });
        },
      ),
    ));
  it("are inverted: a·a⁻¹ is one", () =>
    fc.assert(
      fc.property(entries(5), (values) => {
        const a = sound(values, 5);
        const b = invert(a, 5);
        for (let r = 0; r < 5; r++)
          for (let c = 0; c < 5; c++) {
            let sum = 0;
            for (let k = 0; k < 5; k++) sum += a[r * 5 + k]! * b[k * 5 + c]!;
            expect(sum).toBeCloseTo(r === c ? 1 : 0, 9);
          }
      }),
    ));
  it("need a pivot even when the first entry is zero, and refuse what has no inverse", () => {
    expect([...invert(Float64Array.of(0, 2, 1, 0), 2)]).toEqual([0, 1, 0.5, 0]);
    expect(() => invert(Float64Array.of(1, 2, 2, 4), 2)).toThrow(RangeError);
  });
});

describe("kriging", () => {
  const near = (a: number, b: number) => Math.exp(-((a - b) ** 2) / 2);
  it("meets noiseless observations and fades to nothing far away", () => {
    const field = krige(
      [0, 3],
      [
        [2, -1],
        [4, 5],
      ],
      near,
      1e-9,
    );
    expect(field.at(0)[0]).toBeCloseTo(2, 6);
    expect(field.at(3)[1]).toBeCloseTo(5, 6);
    expect(Math.abs(field.at(40)[0]!)).toBeLessThan(1e-9);
    expect(field.nearest(3)).toBe(1);
  });
  it("believes a noisy observation by half when noise is as large as what is expected", () => {
    expect(krige([0], [[2]], near, 1).at(0)[0]).toBeCloseTo(1, 12);
  });
});

describe("quantiles", () => {
  it("are values of the list, whatever its order", () => {
    expect(median([5, 1, 3])).toBe(3);
    expect(median([4, 1, 3, 2])).toBe(3);
    expect(quantile([1, 2, 3, 4], 1)).toBe(4);
    expect(median([])).toBeNaN();
  });
});
