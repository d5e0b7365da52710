import { groundWhere } from "@/fixtures/forms";
import { referenceValues } from "./reference-values";

/** Two halves that meet at x = 50, and a reference that is dark on the left and light on the right. */
const ground = groundWhere(100, 60, 2, (x) => (x < 50 ? 0 : 1), 0.2);
const pictured = (border: number) => {
  const data = new Uint8Array(100 * 60 * 3);
  for (let p = 0; p < 100 * 60; p++) data.fill(p % 100 < border ? 40 : 220, 3 * p, 3 * p + 3);
  return { width: 100, height: 60, channels: 3 as const, data };
};
const values = (border: number) => referenceValues(ground, pictured(border), [], [1, 1, 1]);

describe("values of a reference", () => {
  it("are those of each area, up to its edge", () => {
    const all = values(50);
    const [dark, light] = [all[10]!, all[90]!];
    expect(dark).toBeGreaterThan(light + 20_000);
    for (let p = 0; p < all.length; p++) expect(all[p]).toBe(p % 100 < 50 ? dark : light);
  });
  it("on an edge are looked for further in, so that a reference that is a little off does not spill over", () => {
    for (const border of [48, 49, 51, 52]) {
      const all = values(border);
      // On the side from which the reference's border has moved away nothing is seen of the neighbour.
      const column = border > 50 ? 49 : 50;
      expect(all[30 * 100 + column]).toBe(border > 50 ? values(50)[10] : values(50)[90]);
    }
  });
});
