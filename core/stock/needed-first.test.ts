import { deltaE00 } from "../colour/delta-e00";
import type { Lab } from "../colour/lab";
import { guessKey, readTypedCodes } from "../codes/typed";
import { expectedColours, neededFirst } from "./needed-first";

const { codes } = readTypedCodes("reed 1-9 c m\nclay 1-9 c m\nlake 1-9 c", 100, 40);
const key = guessKey(codes, true)!;
/** A range that is as regular as its codes: hue by family, lightness by depth, chroma by greyness. */
const HUES: Record<string, number> = { reed: 110, clay: 40, lake: 250 };
const truth = (code: string): Lab => {
  const [, family, depth, grey] = /^(\D+)(\d)(\D)$/.exec(code)!;
  const c = grey === "c" ? 42 : 24;
  const turn = (HUES[family!]! * Math.PI) / 180;
  return [95 - 7 * Number(depth), c * Math.cos(turn), c * Math.sin(turn)];
};
const read = (isRead: (code: string) => boolean) =>
  codes.map((code) => (isRead(code) ? { code, lab: truth(code) } : { code }));

describe("what codes let one expect", () => {
  it("follows from a few markers that were read", () => {
    const expected = expectedColours(
      key,
      read((c) => /reed[28]c|clay5c|clay5m|clay2c/.test(c)),
      HUES,
    );
    for (const { code, lab } of expected.filter((e) => !e.code.startsWith("lake")))
      expect([code, deltaE00(lab, truth(code)) < 3]).toEqual([code, true]);
    // Of lake nothing but its hue is known.
    expect(expected.filter((e) => e.code.startsWith("lake"))).toHaveLength(9);
    expect(deltaE00(expected.find((e) => e.code === "lake5c")!.lab, truth("lake5c"))).toBeLessThan(8);
  });
  it("says nothing of a family of which nothing is known, and of codes that do not read", () => {
    expect(
      expectedColours(
        key,
        read(() => false),
      ),
    ).toEqual([]);
    expect(expectedColours(key, [{ code: "?" }, { code: "reed1c", lab: truth("reed1c") }])).toEqual([]);
  });
  it("gives colours that can be, whatever was read", () => {
    const odd = [{ code: "reed5c", lab: [0, 0, 0] as Lab }, { code: "reed9c" }, { code: "reed1m" }];
    for (const { lab } of expectedColours(key, odd)) {
      expect(lab.every(Number.isFinite)).toBe(true);
      expect(lab[0]).toBeGreaterThanOrEqual(3);
    }
  });
});

describe("what a piece needs first", () => {
  const expected = expectedColours(
    key,
    read((c) => /reed[28]c|clay5c|clay5m|clay2c/.test(c)),
    HUES,
  );
  it("has the nearest of every colour, and is far fewer than all", () => {
    const colours = [truth("reed4c"), truth("clay7m"), truth("lake6c")];
    const first = neededFirst(expected, colours, 12);
    expect(first.length).toBeLessThanOrEqual(12);
    for (const wanted of ["reed4c", "clay7m", "lake6c"])
      expect(first.some((c) => deltaE00(truth(c), truth(wanted)) < 8)).toBe(true);
  });
  it("is nothing where nothing is wanted or expected", () => {
    expect(neededFirst(expected, [], 12)).toEqual([]);
    expect(neededFirst([], [truth("reed1c")], 12)).toEqual([]);
  });
});
