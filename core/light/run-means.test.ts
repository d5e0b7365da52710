import { seeded } from "@/sim/random";
import { runMeans } from "./run-means";

type Box = readonly [number, number, number, number];

/** The mean over the pixels of one run that lie within the radius, pixel by pixel. */
function plainly(
  plane: Float32Array,
  own: Int16Array,
  width: number,
  radius: readonly number[],
  [left, top, right, bottom]: Box,
) {
  const along = (
    from: Float32Array,
    step: number,
    first: (p: number) => number,
    last: (p: number) => number,
  ) => {
    const out = new Float32Array(plane.length);
    for (let y = top; y < bottom; y++)
      for (let x = left; x < right; x++) {
        const p = y * width + x;
        const a = own[p]!;
        if (a < 0) continue;
        const values = [from[p]!];
        for (const way of [-1, 1])
          for (let k = 1; k <= radius[a]!; k++) {
            const q = p + way * k * step;
            if (way < 0 ? q < first(p) : q > last(p)) break;
            if (own[q] !== a) break;
            values.push(from[q]!);
          }
        out[p] = values.reduce((sum, v) => sum + v, 0) / values.length;
      }
    return out;
  };
  const row = (p: number) => Math.floor(p / width) * width;
  const rows = along(
    plane,
    1,
    (p) => row(p) + left,
    (p) => row(p) + right - 1,
  );
  return along(
    rows,
    width,
    (p) => top * width + (p % width),
    (p) => (bottom - 1) * width + (p % width),
  );
}

test("running means are the means of each run, in any box, of any radius", () => {
  const next = seeded(7);
  for (let round = 0; round < 30; round++) {
    const [width, height] = [3 + Math.floor(next() * 30), 3 + Math.floor(next() * 30)];
    const cells = 1 + Math.floor(next() * 6);
    const own = Int16Array.from(
      { length: width * height },
      (_, p) => ((Math.floor((p % width) / cells) * 5 + Math.floor(p / width / cells) * 3) % 4) - 1,
    );
    const plane = Float32Array.from(own, () => next() * 255);
    const radius = [0, 2, Math.floor(next() * 40)];
    const box: Box = [
      Math.floor(next() * 2),
      Math.floor(next() * 2),
      width - Math.floor(next() * 2),
      height - Math.floor(next() * 2),
    ];
    const [mine, plain] = [
      runMeans(plane, { width, own }, radius, box),
      plainly(plane, own, width, radius, box),
    ];
    const off = mine.reduce((most, v, p) => Math.max(most, Math.abs(v - plain[p]!)), 0);
    expect(off).toBeLessThan(1e-3);
  }
});

test("a box of nothing gives nothing", () => {
  const out = runMeans(new Float32Array(4).fill(9), { width: 2, own: new Int16Array(4) }, [1], [1, 0, 1, 2]);
  expect([...out]).toEqual([0, 0, 0, 0]);
});
