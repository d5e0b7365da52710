import { lanesOf } from "./family-tracks";
import { spreadLabels } from "./value-ruler";

describe("labels on the value ruler", () => {
  it("stay where they are when there is room", () =>
    expect(spreadLabels([10, 40, 90], 15, 0, 100)).toEqual([10, 40, 90]));
  it("never come closer than asked, nor leave the ruler", () => {
    for (const wanted of [
      [10, 11, 12],
      [95, 96, 97, 98],
      [0, 0, 0],
      [50, 51, 90, 99, 100],
    ]) {
      const placed = spreadLabels(wanted, 15, 0, 100);
      placed.slice(1).forEach((y, i) => expect(y - placed[i]!).toBeGreaterThanOrEqual(15 - 1e-9));
      expect(Math.min(...placed)).toBeGreaterThanOrEqual(0);
      expect(Math.max(...placed)).toBeLessThanOrEqual(100);
    }
  });
  it("are none where there is nothing", () => expect(spreadLabels([], 15, 0, 100)).toEqual([]));
});

describe("lanes of a family track", () => {
  it("share a lane when far apart and part when near", () => {
    expect(lanesOf([90, 60, 30])).toEqual([0, 0, 0]);
    expect(lanesOf([90, 89.5, 89])).toEqual([0, 1, 2]);
    expect(lanesOf([90, 89.5, 80])).toEqual([0, 1, 0]);
  });
});
