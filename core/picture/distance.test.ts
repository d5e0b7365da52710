import fc from "fast-check";
import { FAR, nearestOf } from "./distance";
import { extremeIn, opened } from "./window";

const planes = fc
  .record({ width: fc.integer({ min: 1, max: 17 }), height: fc.integer({ min: 1, max: 13 }) })
  .chain(({ width, height }) =>
    fc.record({
      width: fc.constant(width),
      height: fc.constant(height),
      bytes: fc.array(fc.integer({ min: 0, max: 255 }), {
        minLength: width * height,
        maxLength: width * height,
      }),
    }),
  );

describe("the distance of each pixel from the nearest that is set", () => {
  it("is what trying every pixel gives, and so is the pixel", () => {
    fc.assert(
      fc.property(planes, fc.integer({ min: 0, max: 255 }), ({ width, height, bytes }, level) => {
        const set = Uint8Array.from(bytes, (v) => (v > level ? 1 : 0));
        const { squared, place } = nearestOf(set, width, height, true);
        for (let p = 0; p < set.length; p++) {
          let least = FAR;
          for (let q = 0; q < set.length; q++)
            if (set[q])
              least = Math.min(
                least,
                ((p % width) - (q % width)) ** 2 + (Math.floor(p / width) - Math.floor(q / width)) ** 2,
              );
          expect(squared[p]).toBe(least);
          if (least === FAR) expect(place![p]).toBe(-1);
          else {
            const q = place![p]!;
            expect(set[q]).toBe(1);
            expect(
              ((p % width) - (q % width)) ** 2 + (Math.floor(p / width) - Math.floor(q / width)) ** 2,
            ).toBe(least);
          }
        }
      }),
      { numRuns: 150 },
    );
  });
});

describe("the greatest and least within a square", () => {
  it("are what looking at every pixel of it gives, at the edges too", () => {
    fc.assert(
      fc.property(
        planes,
        fc.integer({ min: 1, max: 9 }),
        fc.boolean(),
        ({ width, height, bytes }, reach, least) => {
          const data = Uint8Array.from(bytes);
          const found = extremeIn(data, width, height, reach, least ? "least" : "greatest");
          for (let y = 0; y < height; y++)
            for (let x = 0; x < width; x++) {
              const near: number[] = [];
              for (let yy = Math.max(0, y - reach); yy <= Math.min(height - 1, y + reach); yy++)
                for (let xx = Math.max(0, x - reach); xx <= Math.min(width - 1, x + reach); xx++)
                  near.push(data[yy * width + xx]!);
              expect(found[y * width + x]).toBe(least ? Math.min(...near) : Math.max(...near));
            }
        },
      ),
      { numRuns: 150 },
    );
  });

  it("opened, take a thin stroke away and leave a wide shape", () => {
    const [width, height] = [90, 60];
    const data = new Uint8Array(width * height);
    for (let y = 10; y < 40; y++) for (let x = 10; x < 40; x++) data[y * width + x] = 200;
    for (let y = 0; y < height; y++) data[y * width + 70] = 250;
    const wide = opened(data, width, height, 6);
    const at = (x: number, y: number) =>
      wide.data[Math.floor(y / wide.factor) * wide.across + Math.floor(x / wide.factor)];
    expect(at(25, 25)).toBe(200);
    expect(at(70, 30)).toBe(0);
  });
});
