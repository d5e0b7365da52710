import { BANDS } from "@/core/colour/observer";
import { smoothestMeeting } from "./smooth";

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
