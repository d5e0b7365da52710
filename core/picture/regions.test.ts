import fc from "fast-check";
import { box, drawnLines, sketched } from "@/fixtures/drawings";
import { lineArt } from "@/sim/line-art";
import { cutPixels } from "./cut";
import { regionsOf, TooManyRegions, type RegionWishes } from "./regions";

const plain: RegionWishes = { gap: 0, speck: 0, under: 3 };
const at = (r: ReturnType<typeof regionsOf>, x: number, y: number) => r.labels.data[y * r.labels.width + x];

describe("regions between lines", () => {
  it("are what a plain flood finds where no gap is closed", () => {
    fc.assert(
      fc.property(
        fc.array(fc.array(fc.constantFrom("#", ".", "."), { minLength: 9, maxLength: 9 }), {
          minLength: 5,
          maxLength: 9,
        }),
        (cells) => {
          const line = sketched(cells.map((r) => r.join("")));
          const { labels } = regionsOf(line, { ...plain, under: 0.5 });
          // Two free neighbours are in one region, and a region is connected.
          const seen = new Map<number, number>();
          for (let p = 0; p < line.data.length; p++) {
            if (line.data[p]) continue;
            expect(labels.data[p]).toBeGreaterThan(0);
            if ((p + 1) % line.width && !line.data[p + 1]) expect(labels.data[p + 1]).toBe(labels.data[p]);
            if (p + line.width < line.data.length && !line.data[p + line.width])
              expect(labels.data[p + line.width]).toBe(labels.data[p]);
          }
          let floods = 0;
          for (let start = 0; start < line.data.length; start++) {
            if (line.data[start] || seen.has(start)) continue;
            floods++;
            const stack = [start];
            seen.set(start, floods);
            while (stack.length) {
              const p = stack.pop()!;
              const x = p % line.width;
              for (const q of [
                x ? p - 1 : -1,
                x + 1 < line.width ? p + 1 : -1,
                p - line.width,
                p + line.width,
              ])
                if (q >= 0 && q < line.data.length && !line.data[q] && !seen.has(q)) {
                  seen.set(q, floods);
                  stack.push(q);
                }
            }
          }
          expect(new Set([...labels.data].filter(Boolean)).size).toBe(floods);
        },
      ),
      { numRuns: 120 },
    );
  });

  it("are parted by a gap in the line that is no wider than wished, and are one where it is wider", () => {
    // Two rooms; the wall between them has a door of 8 pixels.
    const line = drawnLines(120, 80, [...box(10, 10, 100, 60), [60, 10, 60, 36], [60, 45, 60, 70]]);
    const open = regionsOf(line, { ...plain, gap: 4 });
    expect(at(open, 30, 40)).toBe(at(open, 90, 40));
    const closed = regionsOf(line, { ...plain, gap: 9 });
    expect(at(closed, 30, 40)).not.toBe(at(closed, 90, 40));
    expect(closed.gaps).toBe(1);
    // The border runs across the door, near its middle.
    expect(at(closed, 55, 40)).toBe(at(closed, 30, 40));
    expect(at(closed, 65, 40)).toBe(at(closed, 90, 40));
  });

  it("a strand that swells and thins is one, however narrow it is", () => {
    const beads = Array.from({ length: 6 }, (_, i) => 14 + 16 * i);
    const wavy = beads.flatMap((x) => [
      [x - 8, 30, x, 27, 53],
      [x, 27, x + 8, 30, 53],
    ]);
    const lines = wavy.flatMap(([x0, y0, x1, y1]) => [
      [x0!, y0!, x1!, y1!] as const,
      [x0!, 72 - y0!, x1!, 72 - y1!] as const,
    ]);
    const strand = drawnLines(120, 72, [...lines, [6, 30, 6, 42], [102, 30, 102, 42]], 2);
    const found = regionsOf(strand, { ...plain, gap: 13 });
    expect(new Set(beads.map((x) => at(found, x, 36))).size).toBe(1);
    expect(at(found, 14, 36)).not.toBe(at(found, 60, 5));
  });

  it("hatching and dots lie in a region, they do not part it", () => {
    const hatching = Array.from({ length: 9 }, (_, i) => [30 + 7 * i, 30, 30 + 7 * i, 62] as const);
    const dots = Array.from({ length: 36 }, (_, i) => {
      const [x, y] = [130 + 8 * (i % 6), 28 + 8 * Math.floor(i / 6)];
      return [x, y, x, y] as const;
    });
    const line = drawnLines(200, 100, [...box(10, 10, 180, 80), [110, 10, 110, 90], ...hatching, ...dots]);
    const found = regionsOf(line, { ...plain, gap: 5, speck: 20 });
    expect(found.regions).toHaveLength(3);
    expect(at(found, 34, 45)).toBe(at(found, 16, 16));
    expect(at(found, 134, 45)).toBe(at(found, 180, 80));
  });

  it("specks go to the neighbour they share most border with, a whole crosshatch too", () => {
    const hatch = Array.from({ length: 6 }, (_, i) => [
      [40 + 6 * i, 40, 40 + 6 * i, 70],
      [40, 40 + 6 * i, 70, 40 + 6 * i],
    ]).flat() as unknown as (readonly [number, number, number, number])[];
    const line = drawnLines(120, 120, [...box(10, 10, 100, 100), ...hatch], 1.4);
    const kept = regionsOf(line, { ...plain, speck: 1 });
    expect(kept.regions.length).toBeGreaterThan(20);
    const found = regionsOf(line, { ...plain, speck: 60 });
    expect(found.regions).toHaveLength(2);
    expect(found.specks).toBeGreaterThan(20);
    expect(at(found, 43, 43)).toBe(at(found, 20, 20));
  });

  it("a filled black is nobody's, but for its rim under which ink may run", () => {
    const line = sketched(["......", ".####.", ".####.", ".####.", "......"], 12);
    const found = regionsOf(line, { ...plain, under: 4 });
    expect(at(found, 36, 30)).toBe(0);
    expect(at(found, 13, 30)).toBe(at(found, 5, 30));
  });

  it("a cut parts without being line, and ends that nearly meet the line are closed", () => {
    const line = drawnLines(120, 80, box(10, 10, 100, 60));
    const cuts = cutPixels(
      [
        {
          points: [
            [0.5, 0.15],
            [0.5, 0.84],
          ],
          closed: false,
          curved: false,
        },
      ],
      120,
      80,
    );
    const found = regionsOf(line, { ...plain, gap: 6, cuts });
    expect(at(found, 30, 40)).not.toBe(at(found, 90, 40));
    expect(found.regions).toHaveLength(3);
  });

  it("say their size, width, middle and what they touch", () => {
    const line = drawnLines(200, 120, [
      ...box(20, 20, 100, 80),
      [120, 60, 180, 60],
      [120, 20, 180, 20],
      [180, 20, 180, 60],
    ]);
    const found = regionsOf(line, plain);
    const left = found.regions[at(found, 60, 60)! - 1]!;
    expect(left.pixels).toBeGreaterThan(100 * 80 * 0.98);
    expect(left.pixels).toBeLessThan(102 * 82 * 1.02);
    expect(2 * left.reach).toBeCloseTo(77, -1);
    left.box.forEach((v, i) => expect(Math.abs(v - [20, 20, 120.5, 100.5][i]!)).toBeLessThan(1.5));
    expect(found.labels.data[left.middle[1] * 200 + left.middle[0]]).toBe(left.id);
    const right = at(found, 150, 40)!;
    const shared = found.borders.find(
      (b) => b.a === Math.min(left.id, right) && b.b === Math.max(left.id, right),
    )!;
    expect(shared.length).toBeGreaterThan(36);
    expect(shared.length).toBeLessThan(46);
    expect(left.edge).toBe(0);
    expect(found.regions[at(found, 2, 2)! - 1]!.edge).toBeGreaterThan(500);
  });

  it("are numbered the same from the same line", () => {
    const art = lineArt({ seed: 3, width: 320, height: 260, pxPerMm: 4, cells: 30, lines: [0.3, 1], gap: 1 });
    const line = { ...art, data: Uint8Array.from(art.line, (v) => Math.round(255 * v)) };
    const wish = { gap: 4, speck: 16, under: 4 };
    expect(regionsOf(line, wish).labels.data).toEqual(regionsOf(line, wish).labels.data);
  });

  it("nothing and all line are no trouble, and noise is refused when it cannot be numbered", () => {
    expect(regionsOf(sketched(["....", "...."], 8), plain).regions).toHaveLength(1);
    expect(regionsOf(sketched(["####", "####"], 8), { ...plain, under: 2 }).regions).toHaveLength(0);
    const [width, height] = [540, 540];
    const holes = new Uint8Array(width * height).fill(255);
    for (let y = 0; y < height; y += 2) for (let x = 0; x < width; x += 2) holes[y * width + x] = 0;
    expect(() => regionsOf({ width, height, data: holes }, plain)).toThrow(TooManyRegions);
  });
});

describe("areas of drawings made for it", () => {
  const share = (gap: number): number => {
    const pxPerMm = 5;
    const art = lineArt({ seed: 11, width: 640, height: 500, pxPerMm, cells: 45, lines: [0.3, 1.5], gap });
    const line = { ...art, data: Uint8Array.from(art.line, (v) => Math.round(255 * v)) };
    const found = regionsOf(line, { gap: gap * pxPerMm, speck: pxPerMm ** 2, under: pxPerMm });
    const overlap = new Map<string, number>();
    const [truth, own] = [new Map<number, number>(), new Map<number, number>()];
    for (let p = 0; p < art.areas.length; p++) {
      const [t, l] = [art.areas[p]!, found.labels.data[p]!];
      truth.set(t, (truth.get(t) ?? 0) + 1);
      own.set(l, (own.get(l) ?? 0) + 1);
      overlap.set(`${t} ${l}`, (overlap.get(`${t} ${l}`) ?? 0) + 1);
    }
    const right = new Set(
      [...overlap].flatMap(([key, n]) => {
        const [t, l] = key.split(" ").map(Number) as [number, number];
        return l && n / (truth.get(t)! + own.get(l)! - n) >= 0.9 ? [t] : [];
      }),
    );
    const large = [...truth].filter(([, n]) => n >= 3 * pxPerMm ** 2).map(([t]) => t);
    return large.filter((t) => right.has(t)).length / large.length;
  };
  it("are nearly all found with whole lines, and with broken ones", () => {
    expect(share(0)).toBeGreaterThan(0.97);
    expect(share(1)).toBeGreaterThan(0.94);
  });
});
