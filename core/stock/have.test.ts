import type { CodeKey } from "@/core/codes/key";
import { besideOwned, sameFamily, type Stocked } from "./have";

const marker = (code: string, depth: number, L: number | undefined, owned = true): Stocked => ({
  code,
  family: code.replace(/\d.*$/, ""),
  depth,
  owned,
  swatches: L === undefined ? [] : [{ lab: [L, 10, 20] }],
});
const rack = [
  marker("clay2", 2, 80),
  marker("clay4", 4, 60),
  marker("clay6", 6, 40),
  marker("sand2", 2, 80.5),
  marker("sand4", 4, 59, false),
  marker("sand9", 9, undefined, false),
];
const key: CodeKey = {
  parts: [
    {
      kind: "words",
      means: "family",
      words: ["clay", "sand"].map((w) => ({ written: w, name: w })),
    },
    { kind: "digits", means: "depth", least: 1, most: 2, rising: true },
  ],
  examples: [],
};

test("a marker that is wanted is told with its owned twins, or with the nearest that is owned", () => {
  const of = (code: string) =>
    besideOwned(
      rack,
      rack.find((m) => m.code === code)!,
    );
  expect(of("sand4").twins.map((t) => t.marker.code)).toEqual(["clay4"]);
  expect(of("sand4").nearest).toBeUndefined();
  // Owned itself, it is no twin of its own.
  expect(of("clay2").twins.map((t) => t.marker.code)).toEqual(["sand2"]);
  const alone = besideOwned(rack, marker("dusk5", 5, 50, false));
  expect(alone.twins).toEqual([]);
  expect(["clay4", "clay6"]).toContain(alone.nearest!.marker.code);
  expect(of("sand9")).toEqual({ marker: rack[5], twins: [] });
});

test("of a code that nobody knows its family is found by the rack's keys, nearest in depth first", () => {
  expect(sameFamily(rack, [key], "clay5").map((m) => m.code)).toEqual(["clay4", "clay6", "clay2"]);
  expect(sameFamily(rack, [key], "sand8").map((m) => m.code)).toEqual(["sand2"]);
  expect(sameFamily(rack, [key], "zz9")).toEqual([]);
  expect(sameFamily(rack, [], "Clay-x").map((m) => m.code)).toEqual(["clay2", "clay4", "clay6"]);
  expect(sameFamily(rack, [], "55")).toEqual([]);
});
