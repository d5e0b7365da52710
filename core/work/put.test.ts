import type { PlacedStep } from "@/core/piece/piece";
import { pinnedAnew, putElsewhere } from "./put";

const [a, b0, b1, c]: PlacedStep[] = [
  ["a", 0, 0],
  ["b", 0, 0],
  ["b", 1, 0],
  ["c", 0, 0],
];

test("a row that is put elsewhere stands between its new neighbours, all of its steps", () => {
  expect(putElsewhere([[a!], [b0!, b1!], [c!]], 1, 2)).toEqual({
    follow: [a, c, b0, b1],
    pins: [
      [c, b0],
      [c, b1],
    ],
  });
  expect(putElsewhere([[a!], [b0!, b1!], [c!]], 2, 1)).toEqual({
    follow: [a, c, b0, b1],
    pins: [
      [a, c],
      [c, b0],
    ],
  });
  expect(putElsewhere([[a!], [c!]], 1, 0)).toEqual({ follow: [c, a], pins: [[c, a]] });
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
