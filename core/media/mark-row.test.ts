import fc from "fast-check";
import type { Point } from "@/core/algebra/point";
import { MOST_MARKS } from "./mark";
import { markRow } from "./mark-row";

const size = { width: 100, height: 50 };
const dot = { kind: "spark", width: 0.8 } as const;

test("dots stand evenly along a stroke from its beginning to its end", () => {
  const row = markRow(
    [
      [0.1, 0.2],
      [0.3, 0.2],
      [0.3, 0.6],
    ],
    size,
    dot,
    5,
  );
  // 20 mm across and 20 mm down.
  expect(row).toHaveLength(9);
  expect(row.map((m) => m.points[0])).toEqual([
    [0.1, 0.2],
    [0.15, 0.2],
    [0.2, 0.2],
    [0.25, 0.2],
    [0.3, 0.2],
    [0.3, 0.3],
    [0.3, 0.4],
    [0.3, 0.5],
    [0.3, 0.6],
  ]);
  expect(row.every((m) => m.kind === "spark" && m.width === 0.8)).toBe(true);
});

test("a stroke of no length is one dot, a long one never more than an area holds", () => {
  expect(markRow([[0.5, 0.5]], size, dot, 2)).toHaveLength(1);
  expect(
    markRow(
      [
        [0.5, 0.5],
        [0.5, 0.5],
      ],
      size,
      dot,
      2,
    ),
  ).toHaveLength(1);
  expect(
    markRow(
      [
        [0, 0],
        [1, 1],
      ],
      size,
      dot,
      0.01,
    ),
  ).toHaveLength(MOST_MARKS);
  const share = fc.double({ min: 0, max: 1, noNaN: true });
  fc.assert(
    fc.property(
      fc.array(fc.tuple(share, share), { minLength: 1, maxLength: 64 }),
      fc.double({ min: 0.3, max: 50, noNaN: true }),
      (points, apart) =>
        markRow(points as Point[], size, dot, apart).every(({ points: [p] }) =>
          p!.every((v) => v >= 0 && v <= 1),
        ),
    ),
  );
});
