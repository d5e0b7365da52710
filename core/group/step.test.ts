import type { Lab } from "@/core/colour/lab";
import { blendOf } from "./step";

describe("the blend of a step", () => {
  const [first, second]: Lab[] = [
    [70, 10, 5],
    [40, 40, 45],
  ];
  it("bows by the distance of its middle from the straight line, to either side alike", () => {
    for (const by of [-6, -2, 0, 3, 8]) {
      // Across the line from (10, 5) to (40, 45), which runs along (3, 4) / 5.
      const middle: Lab = [55, 25 + by * 0.8, 25 - by * 0.6];
      expect(blendOf(first!, second!, middle).bow).toBeCloseTo(Math.abs(by), 9);
    }
  });
  it("bows nowhere along the line, and from a single point by the way there", () => {
    for (const t of [0.1, 0.5, 0.9])
      expect(blendOf(first!, second!, [55, 10 + 30 * t, 5 + 40 * t]).bow).toBeCloseTo(0, 9);
    expect(blendOf(first!, first!, [60, 13, 9]).bow).toBeCloseTo(5, 9);
  });
  it("is muddy by what its middle lacks of the duller end's strength, and never less than not", () => {
    expect(blendOf([70, 30, 0], [40, 0, 40], [55, 3, 4]).mud).toBeCloseTo(25, 9);
    expect(blendOf([70, 30, 0], [40, 0, 40], [55, 30, 30]).mud).toBe(0);
  });
});
