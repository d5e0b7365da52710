import { labToXyz } from "@/core/colour/lab";
import { readableOn } from "./readable";

describe("figures on a colour", () => {
  it("stand out at least 4.5 to 1, whatever its lightness", () => {
    for (let L = 0; L <= 100; L += 0.25) {
      const y = labToXyz([L, 0, 0])[1];
      const [high, low] = readableOn(L) === "#fff" ? [1, y] : [y, 0];
      expect((high + 0.05) / (low + 0.05)).toBeGreaterThanOrEqual(4.5);
    }
  });
});
