import type { PlacedStep } from "@/core/piece/piece";
import { pinnedAnew, putElsewhere, TAKEN_ALONG } from "./put";

const [a, b0, b1, c]: PlacedStep[] = [
  ["a", 0, 0],
  ["b", 0, 0],
  ["b", 1, 0],
  ["c", 0, 0],
];

test("a row that is put elsewhere stands between its new neighbours, all of its steps", () => {
  expect(putElsewhere([[a!], [b0!, b1!], [c!]], 1, 2)).toEqual({
    follow: [a, c, b0, b1],
    put: [b0, b1],
    pins: [
      [c, b0],
      [c, b1],
    ],
  });
  expect(putElsewhere([[a!], [b0!, b1!], [c!]], 2, 1)).toEqual({
    follow: [a, c, b0, b1],
    put: [c],
    pins: [
      [a, c],
      [c, b0],
    ],
  });
  expect(putElsewhere([[a!], [c!]], 1, 0)).toEqual({ follow: [c, a], put: [c], pins: [[c, a]] });
});

describe("what goes along with a row", () => {
  const step = (area: string, section: number, pass: number): PlacedStep => [area, section, pass];
  const [d00, d01, d10, d11, d2] = [
    step("d", 0, 0),
    step("d", 0, 1),
    step("d", 1, 0),
    step("d", 1, 1),
    step("d", 0, 2),
  ];
  const rows = [[a!], [d00, d10], [c!], [d01], [b0!], [d11], [b1!], [d2]];
  const names = (steps: readonly PlacedStep[]) => steps.map((s) => s.join("")).join(" ");
  it("is all passes of its sections, gathered where it is put", () => {
    const found = putElsewhere(rows, 3, 6, "sections");
    expect(names(found.follow)).toBe("a00 d10 c00 b00 d11 b10 d00 d01 d02");
    expect(names(found.put)).toBe("d00 d01 d02");
    // Its first pass after what lies before, and nothing comes after its last one.
    expect(found.pins).toEqual([[b1, d00]]);
  });
  it("is all of its area", () => {
    const found = putElsewhere(rows, 1, 0, "area");
    expect(names(found.follow)).toBe("d00 d10 d01 d11 d02 a00 c00 b00 b10");
    expect(found.pins).toEqual([
      [d2, a],
      [d11, a],
    ]);
    expect(names(putElsewhere(rows, 7, 4, "area").follow)).toBe("a00 c00 d00 d10 d01 d11 d02 b00 b10");
  });
  it("loses and adds nothing, wherever it is put", () => {
    const all = rows.flat();
    for (const along of TAKEN_ALONG)
      for (let from = 0; from < rows.length; from++)
        for (let to = 0; to < rows.length; to++) {
          const { follow, put } = putElsewhere(rows, from, to, along);
          expect(new Set(follow)).toEqual(new Set(all));
          expect(follow).toHaveLength(all.length);
          // What is not put keeps its order, and what is put its own.
          expect(follow.filter((s) => !put.includes(s))).toEqual(all.filter((s) => !put.includes(s)));
          expect(follow.filter((s) => put.includes(s))).toEqual(all.filter((s) => put.includes(s)));
        }
  });
});

test("what is put once more is held where it was put last", () => {
  const first = putElsewhere([[a!], [b0!, b1!], [c!]], 2, 0).pins;
  expect(first).toEqual([[c, a]]);
  expect(pinnedAnew(first, [c!], [[b1!, c!]])).toEqual([[b1, c]]);
  expect(pinnedAnew(first, [b0!], [[a!, b0!]])).toEqual([
    [c, a],
    [a, b0],
  ]);
});
