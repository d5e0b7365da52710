import { BANDS } from "@/core/colour/observer";
import { carryAlong, smoothestMeeting } from "./smooth";

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
  it("carries neighbours along as the inverse of the slope penalty does", () => {
    const row = Float64Array.from({ length: 2 * BANDS }, (_, i) => Math.sin(7 * i));
    const x = carryAlong(row.slice());
    for (const at of [0, BANDS])
      for (let i = 0; i < BANDS; i++) {
        const ends = i === 0 || i === BANDS - 1;
        const beside = (i ? x[at + i - 1]! : 0) + (i < BANDS - 1 ? x[at + i + 1]! : 0);
        expect(((ends ? 1 : 2) + 1e-3) * x[at + i]! - beside).toBeCloseTo(row[at + i]!, 9);
      }
  });
  it("gives way to what is uncertain", () => {
    const doubtful = smoothestMeeting(one(10), new Float64Array([2]), new Float64Array([1e6]));
    expect(Math.abs(doubtful[10]!)).toBeLessThan(0.1);
  });
});
