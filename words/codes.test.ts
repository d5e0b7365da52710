import { auditCodes } from "@/core/codes/audit";
import { isRead, keyProblems, parseCode, type CodeKey } from "@/core/codes/key";
import { saltmarshKey, skerryKey } from "@/demo/codes";
import { expectedInWords, findingInWords, keyProblemInWords, partInWords } from "./codes";

const expected = (key: CodeKey, code: string) => {
  const unread = parseCode(key, code);
  return isRead(unread) ? "reads" : expectedInWords(key, unread);
};
const problems = (key: CodeKey) => keyProblems(key).map((p) => keyProblemInWords(key, p));

describe("words about codes", () => {
  it("say what was expected where a code does not read", () => {
    expect(expected(saltmarshKey, "clay3q")).toBe("expected greyness: c, m, d");
    expect(expected(saltmarshKey, "clay")).toBe("expected depth in 1 digit");
    expect(expected(saltmarshKey, "clay3mm")).toBe('expected the code to end after "clay3m"');
    expect(expected(skerryKey, "65-kelp")).toBe('expected "."');
  });
  it("say what each part of a code stands for", () => {
    const parsed = parseCode(saltmarshKey, "clay3m");
    expect(isRead(parsed) && parsed.read.map(partInWords)).toEqual([
      "family clay",
      "depth 3",
      "greyness muted",
    ]);
  });
  it("say what keeps a key from being used", () => {
    expect(problems({ parts: [], examples: [] })).toEqual([expect.stringContaining("no part")]);
    expect(problems({ ...saltmarshKey, examples: ["clay33m"] })).toEqual([
      expect.stringContaining('"clay33m" does not read'),
    ]);
    const twice = {
      kind: "words" as const,
      means: "family" as const,
      words: ["a", "A"].map((written) => ({ written, name: written })),
    };
    const wide = { kind: "digits" as const, means: "depth" as const, least: 3, most: 2, rising: true };
    expect(problems({ parts: [twice, twice, wide], examples: [] })).toEqual(
      expect.arrayContaining([
        "Two parts say the family; one is enough.",
        'Part 1, the family, has "A" twice.',
        "Part 3 wants 3 to 2 digits; it can be 1 to 6, fewest first.",
      ]),
    );
  });
  it("say what a code promises and its swatch does not show", () => {
    const swatches = [
      { code: "clay4m", lab: [60, 10, 10] as const },
      { code: "clay5m", lab: [66, 10, 10] as const },
      { code: "clay9q", lab: [20, 10, 10] as const },
    ];
    expect(auditCodes(saltmarshKey, swatches).map((f) => findingInWords(saltmarshKey, f))).toEqual([
      'expected greyness: c, m, d after "clay9"',
      "clay5m should be deeper than clay4m and is 6.0 lighter",
    ]);
  });
});
