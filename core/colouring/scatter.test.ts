import type { Ground } from "@/core/light/ground";
import { scattered, type ScatteredIn } from "./scatter";

const [width, height, mmPerPixel] = [120, 90, 0.25];
/** A disc, area 0, on nothing; its values darken to the right. */
const own = Int16Array.from({ length: width * height }, (_, p) =>
  Math.hypot((p % width) - 60, Math.floor(p / width) - 45) < 40 ? 0 : -1,
);
const ground = { width, height, own, mmPerPixel, count: 1 } as Ground;
const values = Uint16Array.from(own, (_, p) => ((p % width) / width) * 65535);
const ask = (apart: number, part: ScatteredIn = "all", most = 1000, seed = 1) =>
  scattered(ground, 0, values, { apart, room: 1, part, most, seed }).map(
    ([x, y]) => [x * width, y * height] as const,
  );
const nearest = (spots: ReturnType<typeof ask>) =>
  Math.min(
    ...spots.flatMap(([x, y], i) => spots.slice(0, i).map(([u, v]) => Math.hypot(x - u, y - v) * mmPerPixel)),
  );

test("spots keep apart and from the edge, and leave no room for another", () => {
  for (const apart of [1, 2, 4]) {
    const spots = ask(apart);
    expect(nearest(spots)).toBeGreaterThanOrEqual(apart - 1e-9);
    for (const [x, y] of spots)
      expect(Math.hypot(x - 60.5, y - 45.5)).toBeLessThanOrEqual(40 - 1 / mmPerPixel + 1.5);
    // Every place that keeps its room has a spot nearer than that.
    for (let p = 0; p < own.length; p++) {
      const [x, y] = [(p % width) + 0.5, Math.floor(p / width) + 0.5];
      if (Math.hypot(x - 60.5, y - 45.5) > 40 - 1 / mmPerPixel - 2) continue;
      expect(Math.min(...spots.map(([u, v]) => Math.hypot(x - u, y - v)))).toBeLessThan(
        apart / mmPerPixel + 1e-6,
      );
    }
  }
});

test("the light and the shadow have their own spots; the same is the same each time, another seed is not", () => {
  const [light, shadow] = [ask(1, "light"), ask(1, "shadow")];
  expect(Math.max(...light.map(([x]) => x))).toBeLessThan(Math.min(...shadow.map(([x]) => x)));
  expect(ask(2)).toEqual(ask(2));
  expect(ask(2, "all", 1000, 2)).not.toEqual(ask(2));
  expect(ask(1, "all", 7)).toHaveLength(7);
  expect(scattered(ground, 5, values, { apart: 1, room: 0, part: "all", most: 9 })).toEqual([]);
});
