import fc from "fast-check";
import { isRead, keyProblems, parseCode } from "./key";
import { familyOf, guessKey, readTypedCodes } from "./typed";

const typed = (text: string, most = 1000) => readTypedCodes(text, most, 40);

describe("codes as they are typed", () => {
  it("are one after another, each once", () =>
    expect(typed("clay3m, reed4c reed4c\nsoot9c").codes).toEqual(["clay3m", "reed4c", "soot9c"]));
  it("are a family at a time, with ranges of digits and its endings", () => {
    expect(typed("reed 1-3 c m").codes).toEqual(["reed1c", "reed1m", "reed2c", "reed2m", "reed3c", "reed3m"]);
    expect(typed("reed 1 – 2, 5 c").codes).toEqual(["reed1c", "reed2c", "reed5c"]);
    expect(typed("fen 01-03").codes).toEqual(["fen01", "fen02", "fen03"]);
    expect(typed("reed1-3c; clay 7").codes).toEqual(["reed1c", "reed2c", "reed3c", "clay7"]);
  });
  it("that make no family stand for themselves", () => {
    expect(typed("reed c").codes).toEqual(["reed", "c"]);
    expect(typed("reed 3-1 c").codes).toEqual(["reed", "3-1", "c"]);
    expect(typed("65.kelp 35.coral.xx").codes).toEqual(["65.kelp", "35.coral.xx"]);
  });
  it("are bounded, whatever is typed", () => {
    expect(typed("a 1-999999").codes).toEqual(["a", "1-999999"]);
    const many = typed(Array.from({ length: 400 }, (_, i) => `f${i} 1-999 a b c`).join("\n"), 500);
    expect(many.codes.length).toBeLessThanOrEqual(500);
    expect(typed("a 1-999\nb 1-999", 1200)).toMatchObject({ isCut: true });
    expect(typed(`${"x".repeat(41)} y1`)).toEqual({
      codes: ["y1"],
      problems: [{ line: 1, text: "x".repeat(40) }],
      isCut: false,
    });
  });
  it("never throw, and never come twice", () =>
    fc.assert(
      fc.property(fc.string({ maxLength: 200 }), (text) => {
        const { codes } = typed(text);
        expect(new Set(codes).size).toBe(codes.length);
        expect(codes.every((c) => c.length > 0 && c.length <= 40)).toBe(true);
      }),
    ));
});

describe("a key guessed from codes", () => {
  it("reads every code it was guessed from", () => {
    for (const text of [
      "reed 1-9 c m\nclay 1-12 c",
      "fen 01-20\ndune 01-20",
      "kelp-3 kelp-14 bark-2",
      "n 1-9\nreed 2-4 c",
    ]) {
      const { codes } = typed(text);
      const key = guessKey(codes, true)!;
      expect(keyProblems(key)).toEqual([]);
      for (const code of codes) expect(isRead(parseCode(key, code))).toBe(true);
    }
  });
  it("says family, depth and greyness", () => {
    const key = guessKey(typed("reed 1-9 c m").codes, false)!;
    expect(parseCode(key, "reed4m")).toMatchObject({ family: "reed", depth: -4, greyness: 1 });
  });
  it("is none where codes have no common shape", () => {
    expect(guessKey(["65.kelp", "35.coral"], true)).toBeUndefined();
    expect(guessKey(["a-1", "a.2"], true)).toBeUndefined();
    expect(guessKey([], true)).toBeUndefined();
  });
  it("leaves the family to the letters before the digits", () =>
    expect(["reed4c", "65.kelp", "über2"].map(familyOf)).toEqual(["reed", "other", "über"]));
});
