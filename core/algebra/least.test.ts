import fc from "fast-check";
import { leastOf } from "./least";

it("finds the bottom of a valley, at an end too", () => {
  fc.assert(
    fc.property(fc.double({ min: -3, max: 5, noNaN: true }), (bottom) => {
      const found = leastOf((x) => (x - bottom) ** 2, [0, 2], 30);
      expect(found).toBeCloseTo(Math.min(2, Math.max(0, bottom)), 4);
    }),
  );
});
