import type { CodeKey } from "@/core/codes/key";
import { rackFile } from "./rack-file";

const key: CodeKey = {
  parts: [
    { kind: "words", means: "family", words: [{ written: "clay", name: "clay" }] },
    { kind: "digits", means: "depth", least: 1, most: 6, rising: true },
  ],
  examples: ["clay3"],
} as unknown as CodeKey;
const bytes = (text: string) => new TextEncoder().encode(text).buffer as ArrayBuffer;
const byCode = { code: 0, owned: 1 };

describe("a rack file beside the page", () => {
  it("tells its head, then what a mapping makes of it", () => {
    const file = rackFile();
    const nothing = () => undefined;
    const opened = file.open(
      "mine.csv",
      bytes("code,owned\nclay1,yes\nfern9,no\n,no\nclay2,often\n"),
      nothing,
    );
    expect(opened).toMatchObject({ ok: true, is: { headings: ["code", "owned"], rows: 4 } });
    const count = file.read(byCode, key, nothing);
    expect(count).toMatchObject({ good: 2, bad: 2, unread: 1 });
    expect(file.rows(0, 10).map((r) => [r.code, r.family])).toEqual([
      ["clay1", "clay"],
      ["fern9", "other"],
    ]);
    expect(file.badRows()).toContain("4,the code is missing");
    // Without a key nothing is unread.
    expect(file.read(byCode, null, nothing).unread).toBe(0);
  });
  it("is refused in words, and leaves an empty file behind", () => {
    const file = rackFile();
    expect(file.open("a.csv", bytes(" "), () => undefined)).toEqual({
      ok: false,
      message: '"a.csv" is empty',
    });
    expect(file.read(byCode, key, () => undefined).good).toBe(0);
  });
  it("tells how far it is, whatever the length", () => {
    const file = rackFile();
    const told: number[] = [];
    const rows = Array.from({ length: 200_000 }, (_, i) => `clay${i},yes`).join("\n");
    file.open("long.csv", bytes(`code,owned\n${rows}`), (s) => told.push(s));
    const opened = told.length;
    expect(opened).toBeGreaterThan(1);
    expect(file.read(byCode, null, (s) => told.push(s)).good).toBe(200_000);
    expect(told.length).toBeGreaterThan(opened + 20);
    expect(told.every((s) => s >= 0 && s <= 1)).toBe(true);
    expect(file.rows(199_999, 400)).toHaveLength(1);
  });
});
