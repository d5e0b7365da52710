import fc from "fast-check";
import { box, drawnLines } from "@/fixtures/drawings";
import { areaMap, type Claim } from "./area-map";
import { bordersOf } from "./borders";
import { outlinesOf, simplified } from "./contour";
import { courseOf, cutPixels } from "./cut";
import { placesOf } from "./places";
import { regionsOf } from "./regions";
import { stackingOf } from "./stacking";
import { tilesOf } from "./tiles";

const plain = { gap: 0, speck: 0, under: 4 };

describe("outlines of regions", () => {
  const filled = (
    rings: readonly (readonly (readonly [number, number])[])[],
    x: number,
    y: number,
  ): boolean => {
    let inside = false;
    for (const ring of rings)
      ring.forEach(([ax, ay], i) => {
        const [bx, by] = ring[(i + 1) % ring.length]!;
        if (ay > y !== by > y && x < ax + ((y - ay) * (bx - ax)) / (by - ay)) inside = !inside;
      });
    return inside;
  };
  it("filled by the even-odd rule are exactly the region, holes and all", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 9 }).chain((width) =>
          fc.record({
            width: fc.constant(width),
            cells: fc.array(fc.integer({ min: 0, max: 3 }), { minLength: width * 6, maxLength: width * 6 }),
          }),
        ),
        ({ width, cells }) => {
          const outlines = outlinesOf({ width, height: 6, data: Uint16Array.from(cells) }, 3, 0);
          for (let l = 1; l <= 3; l++)
            cells.forEach((c, p) =>
              expect(filled(outlines[l]!, (p % width) + 0.5, Math.floor(p / width) + 0.5)).toBe(c === l),
            );
        },
      ),
      { numRuns: 200 },
    );
  });
  it("made simpler stay within the tolerance", () => {
    const round = Array.from({ length: 400 }, (_, i) => {
      const a = (2 * Math.PI * i) / 400;
      return [100 + 80 * Math.cos(a), 100 + 60 * Math.sin(a)] as const;
    });
    const few = simplified(round, 0.8);
    expect(few.length).toBeLessThan(60);
    for (const [x, y] of round) {
      const off = few.map(([ax, ay], i) => {
        const [bx, by] = few[(i + 1) % few.length]!;
        const long = (bx - ax) ** 2 + (by - ay) ** 2;
        const t = Math.min(1, Math.max(0, ((x - ax) * (bx - ax) + (y - ay) * (by - ay)) / long));
        return Math.hypot(x - ax - t * (bx - ax), y - ay - t * (by - ay));
      });
      expect(Math.min(...off)).toBeLessThanOrEqual(0.81);
    }
  });
});

describe("borders", () => {
  it("have their length in any direction", () => {
    for (const degrees of [0, 20, 45, 63, 90]) {
      const a = (degrees * Math.PI) / 180;
      const size = 400;
      const labels = new Uint16Array(size * size);
      for (let p = 0; p < labels.length; p++) {
        const [x, y] = [(p % size) - size / 2, Math.floor(p / size) - size / 2];
        if (Math.hypot(x, y) < 150) labels[p] = x * Math.sin(a) - y * Math.cos(a) > 0 ? 1 : 2;
      }
      const [border] = bordersOf(labels, size, size, 2);
      expect(border!.length / 300).toBeGreaterThan(0.93);
      expect(border!.length / 300).toBeLessThan(1.07);
    }
  });
});

describe("cuts", () => {
  it("run through their points, curved ones too", () => {
    const points = [
      [0.1, 0.2],
      [0.4, 0.8],
      [0.7, 0.3],
      [0.9, 0.6],
    ] as const;
    for (const closed of [true, false]) {
      const course = courseOf({ points, closed, curved: true });
      for (const [x, y] of points)
        expect(Math.min(...course.map(([u, v]) => Math.hypot(u - x, v - y)))).toBeLessThan(1e-9);
      expect(course.length).toBeGreaterThan(40);
    }
  });
  it("leave nothing to slip through, whichever way they run", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.05, max: 0.95, noNaN: true }),
        fc.double({ min: 0.05, max: 0.95, noNaN: true }),
        (a, b) => {
          const [width, height] = [41, 29];
          const cut = cutPixels(
            [
              {
                points: [
                  [-0.1, a],
                  [1.1, b],
                ],
                closed: false,
                curved: false,
              },
            ],
            width,
            height,
          );
          const found = regionsOf(
            { width, height, data: new Uint8Array(width * height) },
            { ...plain, cuts: cut },
          );
          expect(found.labels.data[0]).not.toBe(found.labels.data[width * height - 1]);
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe("which regions make up which area", () => {
  // Three rooms in a row on a sheet.
  const line = drawnLines(240, 100, [...box(20, 20, 180, 60), [80, 20, 80, 80], [140, 20, 140, 80]]);
  const found = regionsOf(line, plain);
  const [a, b, c] = [
    [50 / 240, 0.5],
    [110 / 240, 0.5],
    [170 / 240, 0.5],
  ] as const;
  const claim = (id: string, ...at: Claim["at"]): Claim => ({ id, at });

  it("several points join what they lie in; sizes are in mm", () => {
    const map = areaMap(found, [claim("wide", a, b), claim("last", c)], 0.5);
    expect(map.areas[0]!.regions).toHaveLength(2);
    expect(map.areas[0]!.mm2).toBeGreaterThan(120 * 60 * 0.25 * 0.95);
    expect(map.areas[0]!.part).toBeLessThan(map.areas[0]!.mm2 * 0.55);
    expect(map.areas[1]!.width).toBeCloseTo(28.5, 0);
    expect(map.touches).toEqual([{ a: "wide", b: "last", mm: expect.closeTo(28, -1) }]);
    expect(map.free).toHaveLength(1);
  });
  it("two that point at one region: the first has it, the other is lost and keeps its name", () => {
    const map = areaMap(
      found,
      [claim("first", a), claim("second", [60 / 240, 0.4]), claim("gone", [0.5, 0.21])],
      1,
    );
    expect(map.areas.map((x) => x.id)).toEqual(["first", "gone"]);
    expect(map.lost).toEqual([{ id: "second", to: ["first"] }]);
  });
  it("points on nothing are lost to nobody", () => {
    const black = { width: 20, height: 20, data: new Uint8Array(400).fill(255) };
    expect(areaMap(regionsOf(black, plain), [claim("x", [0.5, 0.5])], 1).lost).toEqual([{ id: "x", to: [] }]);
  });
});

describe("what lies before what", () => {
  it("is told by T-junctions: a disc before a bar, a button on a coat", () => {
    const disc = Array.from({ length: 60 }, (_, i) => {
      const [s, t] = [(2 * Math.PI * i) / 60, (2 * Math.PI * (i + 1)) / 60];
      return [
        150 + 50 * Math.cos(s),
        100 + 50 * Math.sin(s),
        150 + 50 * Math.cos(t),
        100 + 50 * Math.sin(t),
      ] as const;
    });
    const bar = [
      [20, 85, 102, 85],
      [20, 115, 102, 115],
      [198, 85, 280, 85],
      [198, 115, 280, 115],
      [20, 85, 20, 115],
      [280, 85, 280, 115],
    ] as const;
    const line = drawnLines(300, 200, [...disc, ...bar, ...box(140, 90, 20, 20), ...box(5, 5, 290, 190)], 2);
    const found = regionsOf(line, { gap: 3, speck: 5, under: 3 });
    const at = (x: number, y: number) => [x / 300, y / 200] as const;
    const map = areaMap(
      found,
      [
        { id: "wall", at: [at(60, 30)] },
        { id: "bar", at: [at(60, 100), at(240, 100)] },
        { id: "disc", at: [at(150, 65)] },
        { id: "button", at: [at(150, 100)] },
      ],
      0.2,
    );
    const { order, pairs } = stackingOf(found.labels, map, 0.2);
    const place = (id: string) => order.indexOf(id);
    expect(place("button")).toBeLessThan(place("disc"));
    expect(place("disc")).toBeLessThan(place("bar"));
    expect(place("bar")).toBeLessThan(place("wall"));
    const pair = pairs.find((p) => p.front === "disc" && p.back === "bar")!;
    expect(pair.confidence).toBeGreaterThan(0.6);
    expect(pairs.every((p) => p.confidence >= 0.5 && p.confidence < 1)).toBe(true);
  });
});

describe("repeated blocks", () => {
  it("are recognised as a group, and what is not alike is none of it", () => {
    const bricks = Array.from({ length: 4 }, (_, r) =>
      Array.from({ length: 6 }, (_, i) => box(20 + 30 * i + (r % 2) * 15, 20 + 16 * r, 30, 16)).flat(),
    ).flat();
    const line = drawnLines(260, 140, [...bricks, ...box(20, 90, 60, 40)], 2);
    const [tiles, ...others] = tilesOf(regionsOf(line, plain));
    expect(others).toHaveLength(0);
    expect(tiles!.regions).toHaveLength(24);
  });
});

describe("places of named shapes", () => {
  it("lie deep in each part", () => {
    const [width, height] = [60, 30];
    const data = new Uint16Array(width * height);
    for (let y = 5; y < 25; y++) {
      for (let x = 5; x < 25; x++) data[y * width + x] = 1;
      for (let x = 35; x < 45; x++) data[y * width + x] = 1;
      for (let x = 50; x < 58; x++) data[y * width + x] = 2;
    }
    const [, one, two] = placesOf({ width, height, data }, 2);
    expect(one).toHaveLength(2);
    expect(one![0]![0] * width).toBeCloseTo(15, -0.5);
    expect(two).toHaveLength(1);
  });
});
