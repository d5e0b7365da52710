import type { Point } from "@/core/algebra/point";
import { cutLines } from "@/core/picture/cut-line";
import { DEFAULT_LIGHT, type Lamp } from "./light";
import { rimOf } from "./rim";

const lamp = (from: number, height = 40): Lamp => ({ ...DEFAULT_LIGHT.main, from, height, behind: true });
/** A circle of 20 mm about 50, 50, with itself on the right of the way. */
const circle = Array.from({ length: 72 }, (_, i): Point => {
  const a = (i * Math.PI) / 36;
  return [50 + 20 * Math.cos(a), 50 + 20 * Math.sin(a)];
});
const around = (p: Point) => Math.hypot(p[0] - 50, p[1] - 50);

test("a rim lies on the side of the lamp, just inside of the edge", () => {
  for (const [from, sx, sy] of [
    [0, 0, -1],
    [90, 1, 0],
    [180, 0, 1],
    [270, -1, 0],
  ] as const) {
    const strokes = rimOf([circle], lamp(from), 1);
    expect(strokes).toHaveLength(1);
    for (const p of strokes[0]!) {
      expect((p[0] - 50) * sx + (p[1] - 50) * sy).toBeGreaterThan(0);
      expect(around(p)).toBeGreaterThan(19.4);
      expect(around(p)).toBeLessThan(19.6);
    }
  }
});

test("a lamp straight behind lights all of it; what is too small for its width has none", () => {
  const [whole] = rimOf([circle], lamp(30, 90), 1);
  expect(whole).toHaveLength(73);
  const small = circle.map(([x, y]): Point => [x / 40, y / 40]);
  expect(rimOf([small], lamp(0), 1)).toEqual([]);
  expect(
    rimOf(
      [
        [
          [0, 0],
          [1, 1],
        ],
      ],
      lamp(0),
      1,
    ),
  ).toEqual([]);
});

test("a dent does not break it, a hole has its rim on the other side", () => {
  const dented = circle.map((p, i): Point => (i === 54 ? [p[0], p[1] + 0.6] : p));
  expect(rimOf([dented], lamp(0), 1)).toHaveLength(1);
  // The other way round: the figure is outside of it.
  const strokes = rimOf([[...circle].reverse()], lamp(0), 1);
  expect(strokes).toHaveLength(1);
  for (const p of strokes[0]!) expect(p[1]).toBeGreaterThan(50);
});

test("the outlines that are cut along have the figure on their right: the rim of a block lies where the lamp is", () => {
  const [width, height] = [60, 40];
  const inside = Uint8Array.from({ length: width * height }, (_, p) => {
    const [x, y] = [p % width, Math.floor(p / width)];
    return x >= 15 && x < 45 && y >= 10 && y < 30 ? 1 : 0;
  });
  const lines = cutLines(inside, { width, height, mmPerPixel: 1 }, { offset: 0, holes: false });
  const [top] = rimOf(lines, lamp(0), 0.5);
  expect(top!.length).toBeGreaterThan(1);
  for (const [, y] of top!) expect(Math.abs(y - 10.25)).toBeLessThan(1);
  const [right] = rimOf(lines, lamp(90), 0.5);
  for (const [x] of right!) expect(Math.abs(x - 44.75)).toBeLessThan(1);
});
