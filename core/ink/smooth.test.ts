import fc from "fast-check";
import { BANDS } from "@/core/colour/observer";
import { invert, smoothestMeeting, solve } from "./smooth";

const entries = (n: number) =>
  fc.array(fc.integer({ min: -9, max: 9 }), { minLength: n * n, maxLength: n * n });
/** A positive matrix of whole numbers: never singular. */
const positive = (a: number[], n: number) =>
  Float64Array.from({ length: n * n }, (_, at) => {
    const [r, c] = [Math.floor(at / n), at % n];
    let sum = r === c ? 1 : 0;
    for (let k = 0; k < n; k++) sum += a[r * n + k]! * a[c * n + k]!;
    return sum;
  });

describe("small linear algebra", () => {
  it("inverts", () => {
    fc.assert(
      fc.property(entries(4), (a) => {
        const m = positive(a, 4);
        const inverse = invert(m, 4);
        for (let r = 0; r < 4; r++)
          for (let c = 0; c < 4; c++) {
            let sum = 0;
            for (let k = 0; k < 4; k++) sum += m[r * 4 + k]! * inverse[k * 4 + c]!;
            expect(sum).toBeCloseTo(r === c ? 1 : 0, 6);
          }
      }),
    );
  });

  it("solves, also where the first pivot is zero", () => {
    expect([...solve(new Float64Array([0, 2, 4, 0]), new Float64Array([6, 8]))]).toEqual([2, 3]);
    fc.assert(
      fc.property(entries(3), fc.tuple(fc.integer(), fc.integer(), fc.integer()), (a, b) => {
        const m = positive(a, 3);
        const x = solve(m.slice(), Float64Array.from(b));
        for (let r = 0; r < 3; r++) {
          const found = m[r * 3]! * x[0]! + m[r * 3 + 1]! * x[1]! + m[r * 3 + 2]! * x[2]!;
          expect(Math.abs(found - b[r]!)).toBeLessThanOrEqual(1e-6 * (1 + Math.abs(b[r]!)));
        }
      }),
    );
  });
  it("refuses a singular matrix", () => expect(() => invert(new Float64Array(4), 2)).toThrow(/singular/));
});

describe("the smoothest spectrum", () => {
  const one = (band: number) => Float64Array.from({ length: BANDS }, (_, i) => (i === band ? 1 : 0));

  it("meets what is asked exactly, and runs straight between", () => {
    const jacobian = new Float64Array(2 * BANDS);
    jacobian.set(one(5), 0);
    jacobian.set(one(25), BANDS);
    const z = smoothestMeeting(jacobian, new Float64Array([1, 3]), new Float64Array(2));
    expect(z[5]).toBeCloseTo(1, 6);
    expect(z[25]).toBeCloseTo(3, 6);
    for (let i = 6; i < 25; i++) expect(z[i]! - z[i - 1]!).toBeCloseTo(0.1, 1);
  });
  it("gives way to what is uncertain", () => {
    const doubtful = smoothestMeeting(one(10), new Float64Array([2]), new Float64Array([1e6]));
    expect(Math.abs(doubtful[10]!)).toBeLessThan(0.1);
  });
});
