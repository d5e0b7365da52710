import { localsOf } from "./guide";
import type { BadInput } from "./problem";

const refused = (said: unknown): string[] => {
  try {
    localsOf(said);
    return [];
  } catch (e) {
    return (e as BadInput).problems.map((p) => p.path);
  }
};

describe("which tone carries the local colour, in a form", () => {
  it("is read, or left out", () => {
    expect({ ...localsOf('{"a":1,"b":0}') }).toEqual({ a: 1, b: 0 });
    expect(localsOf(undefined)).toEqual({});
    expect(localsOf(null)).toEqual({});
  });
  it("is refused as anything else", () => {
    for (const odd of [
      "[]",
      "null",
      "7",
      "{",
      '{"a":1.5}',
      '{"a":-1}',
      '{"a":"1"}',
      '{"a":1e308}',
      "x".repeat(50_000),
      7,
    ])
      expect(refused(odd)).toEqual(["locals"]);
    expect(
      refused(JSON.stringify(Object.fromEntries(Array.from({ length: 401 }, (_, i) => [i, 0])))),
    ).toEqual(["locals"]);
  });
  it("names no prototype", () => expect(localsOf('{"__proto__":1}').toString).toBeUndefined());
});
