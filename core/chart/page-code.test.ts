import fc from "fast-check";
import { decodePage, encodePage, MODULES } from "./page-code";

const name = fc.record({
  serial: fc.integer({ min: 1, max: 65535 }),
  page: fc.integer({ min: 0, max: 63 }),
  sheet: fc.constantFrom("A4" as const, "Letter" as const),
});

describe("the strip that says which page it is", () => {
  it("reads back what was printed", () =>
    fc.assert(fc.property(name, (page) => expect(decodePage(encodePage(page))).toEqual(page))));
  it("does not read with one module misread, or upside down", () => {
    fc.assert(
      fc.property(name, fc.integer({ min: 0, max: MODULES - 1 }), (page, at) => {
        expect(decodePage(encodePage(page).map((b, i) => (i === at ? !b : b)))).toBeUndefined();
      }),
    );
    expect(decodePage([...encodePage({ serial: 17, page: 2, sheet: "A4" })].reverse())).toBeUndefined();
    expect(decodePage([])).toBeUndefined();
  });
  it("says what does not fit into it", () => {
    expect(() => encodePage({ serial: 0, page: 0, sheet: "A4" })).toThrow(/chart 0/);
    expect(() => encodePage({ serial: 1, page: 64, sheet: "A4" })).toThrow(RangeError);
  });
});
