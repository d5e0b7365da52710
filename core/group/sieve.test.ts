import fc from "fast-check";
import { sieveFor } from "./sieve";

const L = fc.double({ min: 0, max: 100, noNaN: true });

describe("the sieve of tones", () => {
  it("lets something pass, whatever is wanted and whatever lies beneath", () =>
    fc.assert(
      fc.property(
        L,
        fc.option(L, { nil: undefined }),
        fc.array(L, { minLength: 1 }),
        (wanted, beneath, among) => {
          const passes = sieveFor(wanted, beneath, 96, among);
          expect(among.some(passes)).toBe(true);
        },
      ),
    ));
  it("keeps what may come out as wanted, and drops what is far too light or too dark", () => {
    const passes = sieveFor(50, undefined, 96, [90, 70, 55, 50, 40, 20]);
    expect([90, 70, 55, 50, 40, 20].filter(passes)).toEqual([55, 50, 40]);
    // Over something, a paler stroke is enough.
    expect(sieveFor(50, 60, 96, [90, 70, 40])(70)).toBe(true);
  });
});
