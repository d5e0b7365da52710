import fc from "fast-check";
import { saltmarshKey, skerryKey } from "@/demo/codes";
import { demoRange } from "@/sim/demo-range";
import { secondRange } from "@/sim/second-range";
import {
  compareCodes,
  completeCode,
  isRead,
  keyProblems,
  parseCode,
  type CodeKey,
  type KeyPart,
  type ParsedCode,
} from "./key";

const read = (key: CodeKey, code: string) => parseCode(key, code) as ParsedCode;

describe("a code key", () => {
  it("reads every code of two ranges that are written in different ways", () => {
    for (const { code, family, depth } of demoRange())
      expect(parseCode(saltmarshKey, code)).toMatchObject({ code, family, depth });
    for (const { code, family } of secondRange())
      expect(parseCode(skerryKey, code)).toMatchObject({ code, family });
  });
  it("says what each part says", () => {
    expect(read(saltmarshKey, "CLAY3m")).toMatchObject({
      code: "clay3m",
      family: "clay",
      depth: 3,
      greyness: 1,
      read: [
        { text: "clay", means: "family", value: "clay" },
        { text: "3", means: "depth", value: "3" },
        { text: "m", means: "greyness", value: "muted" },
      ],
    });
    expect(read(skerryKey, "65.kelp")).toMatchObject({ family: "kelp", depth: -65, greyness: -1 });
    expect(read(skerryKey, "65.kelp.xx")).toMatchObject({ greyness: 1 });
  });
  it("reads every code of two ranges as what it was made of", () => {
    for (const { code } of demoRange()) expect(read(saltmarshKey, code).code).toBe(code);
    for (const { code } of secondRange()) expect(read(skerryKey, code).code).toBe(code);
  });
  it("names the part that failed, and how far the code could be read", () => {
    expect(parseCode(saltmarshKey, "clay3q")).toEqual({
      code: "clay3q",
      readUpTo: 5,
      part: 2,
    });
    expect(parseCode(saltmarshKey, "moon3c")).toMatchObject({ part: 0, readUpTo: 0 });
    expect(parseCode(saltmarshKey, "clay")).toMatchObject({
      part: 1,
      readUpTo: 4,
    });
    expect(parseCode(saltmarshKey, "clay3mm")).toMatchObject({ part: 3, readUpTo: 6 });
    expect(parseCode(skerryKey, "65-kelp")).toMatchObject({ part: 1, readUpTo: 2 });
  });
  it("finds a reading when the longest words first would not", () => {
    const key: CodeKey = {
      parts: [
        {
          kind: "words",
          means: "family",
          words: [
            { written: "re", name: "red" },
            { written: "reed", name: "reed" },
          ],
        },
        {
          kind: "words",
          means: "greyness",
          words: [
            { written: "ed", name: "e" },
            { written: "x", name: "x" },
          ],
        },
      ],
      examples: [],
    };
    expect(read(key, "reed").family).toBe("red");
    expect(read(key, "reedx").family).toBe("reed");
  });
  it("never throws, whatever is typed", () =>
    fc.assert(
      fc.property(fc.string(), (text) =>
        expect(["read", "readUpTo"].some((k) => k in parseCode(skerryKey, text))).toBe(true),
      ),
    ));
  it("sorts by family, clarity and depth, light to deep, whichever way the digits run", () => {
    expect(
      ["soot2c", "clay9m", "what?", "clay1m", "clay2c", "rose3c"].sort(compareCodes(saltmarshKey)),
    ).toEqual(["rose3c", "clay2c", "clay1m", "clay9m", "soot2c", "what?"]);
    expect(["10.gorse", "80.gorse", "65.gorse.x", "80.coral"].sort(compareCodes(skerryKey))).toEqual([
      "80.gorse",
      "10.gorse",
      "65.gorse.x",
      "80.coral",
    ]);
  });
  it("completes what was begun", () => {
    expect(completeCode(saltmarshKey, "")).toContain("rose");
    expect(completeCode(saltmarshKey, "ru")).toEqual(["ruby", "rust"]);
    expect(completeCode(saltmarshKey, "clay")).toEqual(
      ["1", "2", "3", "4", "5", "6", "7", "8", "9"].map((d) => `clay${d}`),
    );
    expect(completeCode(saltmarshKey, "clay3")).toEqual(["clay3c", "clay3m", "clay3d"]);
    expect(completeCode(skerryKey, "65.kelp.x")).toEqual(["65.kelp.xx"]);
    expect(completeCode(saltmarshKey, "clay3m")).toEqual([]);
  });
  it("tells what is wrong with itself before it is used", () => {
    expect(keyProblems(saltmarshKey)).toEqual([]);
    expect(keyProblems({ parts: [], examples: [] })).toEqual([{ kind: "says nothing" }]);
    expect(keyProblems({ ...saltmarshKey, examples: ["clay33m"] })).toMatchObject([
      { kind: "example", unread: { code: "clay33m" } },
    ]);
    const twice = {
      kind: "words" as const,
      means: "family" as const,
      words: [
        { written: "a", name: "a" },
        { written: "A", name: "b" },
      ],
    };
    expect(keyProblems({ parts: [twice, twice], examples: [] })).toEqual(
      expect.arrayContaining([
        { kind: "said twice", means: "family" },
        { kind: "word twice", part: 0, word: "A" },
      ]),
    );
    expect(
      keyProblems({
        parts: [
          { kind: "digits", means: "depth", least: 3, most: 2, rising: true },
          { kind: "separator", text: "" },
        ],
        examples: [],
      }),
    ).toHaveLength(2);
  });
  it("reads an optional part only where it is", () =>
    expect(isRead(parseCode(skerryKey, "65.kelp."))).toBe(false));
});

describe("a key made to be slow", () => {
  /** Every part takes any number of the same letter, so that there are ways without number to read a code that reads by none. */
  const words = Array.from({ length: 40 }, (_, i) => ({ written: "a".repeat(i + 1), name: `n${i}` }));
  const slow: CodeKey = {
    parts: Array.from({ length: 12 }, (): KeyPart => ({
      kind: "words",
      means: "serial",
      words,
      optional: true,
    })),
    examples: [],
  };
  it("takes no longer than its parts and letters ask for", () => {
    // With all ways tried this would be more steps than there is time for: 60 letters over 12 parts.
    expect(parseCode(slow, `${"a".repeat(59)}b`)).toMatchObject({ readUpTo: 59 });
    expect(isRead(parseCode(slow, "a".repeat(60)))).toBe(true);
    expect(completeCode(slow, "a".repeat(30)).length).toBeGreaterThan(0);
  });
});
