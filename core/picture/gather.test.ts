import type { Point } from "@/core/algebra/point";
import type { Lab } from "@/core/colour/lab";
import { box, drawnLines } from "@/fixtures/drawings";
import { alikeTo, enclosedBy, neighboursOf, regionsAcross, regionsAround } from "./gather";
import { gatheringsOf } from "./gatherings";
import { regionsOf, type Regions } from "./regions";

const wishes = { gap: 0, speck: 0, under: 6 };
const [W, H] = [260, 180];
const share = (x: number, y: number): Point => [x / W, y / H];
const at = ({ labels }: Regions, x: number, y: number) => labels.data[y * labels.width + x]!;

/** Four by three cells of 40 pixels, a small square in the second of the middle row. */
const cells = Array.from({ length: 12 }, (_, i) =>
  box(20 + 40 * (i % 4), 20 + 40 * Math.floor(i / 4), 40, 40),
).flat();
const grid = regionsOf(drawnLines(W, H, [...cells, ...box(72, 72, 16, 16)], 2), wishes);
const cell = (column: number, row: number) => at(grid, 26 + 40 * column, 26 + 40 * row);
const inner = at(grid, 80, 80);

describe("shapes chosen by a stroke", () => {
  const around = (x0: number, y0: number, x1: number, y1: number) =>
    regionsAround(grid, [share(x0, y0), share(x1, y0), share(x1, y1), share(x0, y1)]).sort((a, b) => a - b);
  it("are those that lie for the most part within an outline", () => {
    expect(around(15, 15, 100, 62)).toEqual([cell(0, 0), cell(1, 0)].sort((a, b) => a - b));
    // A third of a cell is not meant; two thirds are.
    expect(around(15, 15, 74, 62)).toEqual([cell(0, 0)]);
    expect(around(15, 15, 90, 62)).toEqual([cell(0, 0), cell(1, 0)].sort((a, b) => a - b));
  });
  it("are found whichever way round the outline runs, and none by two points", () => {
    const way = [share(15, 15), share(15, 62), share(62, 62), share(62, 15)];
    expect(regionsAround(grid, way)).toEqual(regionsAround(grid, [...way].reverse()));
    expect(regionsAround(grid, way.slice(0, 2))).toEqual([]);
  });
  it("are those that a stroke crosses, in its order", () => {
    expect(regionsAcross(grid, [share(30, 40), share(150, 40)])).toEqual([
      cell(0, 0),
      cell(1, 0),
      cell(2, 0),
      cell(3, 0),
    ]);
    expect(regionsAcross(grid, [share(30, 40), share(30, 130)])).toEqual([
      cell(0, 0),
      cell(0, 1),
      cell(0, 2),
    ]);
  });
});

describe("shapes chosen by others", () => {
  it("are their neighbours, but never the bare sheet", () => {
    const next = neighboursOf(grid, [cell(0, 0)]);
    expect(next).toEqual(expect.arrayContaining([cell(1, 0), cell(0, 1)]));
    expect(next).not.toContain(at(grid, 5, 5));
    expect(next).not.toContain(inner);
  });
  it("are alike in size and shape, wherever they lie", () => {
    const alike = alikeTo(grid, [cell(0, 0)]);
    expect(alike).toContain(cell(3, 2));
    expect(alike).toHaveLength(10);
    expect(alike).not.toContain(inner);
  });
  it("are what lies within them", () => {
    expect(enclosedBy(grid, [cell(1, 1)])).toEqual([inner]);
    const ring = [0, 1, 2, 3].flatMap((c) => [cell(c, 0), cell(c, 2)]).concat(cell(0, 1), cell(3, 1));
    expect(enclosedBy(grid, ring).sort((a, b) => a - b)).toEqual(
      [cell(1, 1), cell(2, 1), inner].sort((a, b) => a - b),
    );
    expect(enclosedBy(grid, [cell(0, 0)])).toEqual([]);
  });
});

describe("shapes that are proposed as one area", () => {
  const seen = (lines: Parameters<typeof drawnLines>[2], thick: readonly (typeof lines)[number][] = []) => {
    const thin = drawnLines(W, H, lines, 2);
    const heavy = drawnLines(W, H, thick, 7);
    const line = { ...thin, data: thin.data.map((v, p) => Math.max(v, heavy.data[p]!)) };
    return { found: regionsOf(line, wishes), line, mmPerPixel: 0.25 };
  };
  it("lie within a heavier outline and are parted by thin lines", () => {
    // Two heavy boxes, each cut in three by thin lines.
    const drawing = seen(
      [
        [50, 20, 50, 100],
        [80, 20, 80, 100],
        [150, 46, 240, 46],
        [150, 72, 240, 72],
      ],
      [...box(20, 20, 90, 80), ...box(150, 20, 90, 80)],
    );
    const found = gatheringsOf(drawing);
    expect(found.map((g) => [g.kind, g.regions.length])).toEqual([
      ["heavier outline", 3],
      ["heavier outline", 3],
    ]);
    const [first] = found;
    const left = [30, 60, 95].map((x) => at(drawing.found, x, 60));
    expect([left, [200, 200, 200].map((x, i) => at(drawing.found, x, [34, 60, 86][i]!))]).toContainEqual(
      expect.arrayContaining([...first!.regions]),
    );
  });
  it("are none where all lines are of one weight and nothing repeats", () =>
    expect(gatheringsOf(seen([...box(20, 20, 60, 120), ...box(80, 20, 150, 50)]))).toEqual([]));
  it("are strips that hatching leaves, with what they lie in", () => {
    const strokes = Array.from({ length: 5 }, (_, i) => [60 + 4 * i, 20, 60 + 4 * i, 140] as const);
    const drawing = seen([...box(20, 20, 200, 120), ...strokes]);
    const [hatching, ...others] = gatheringsOf(drawing);
    expect(others).toEqual([]);
    expect(hatching!.kind).toBe("hatching");
    expect(hatching!.regions).toHaveLength(5);
    expect(hatching!.regions[0]).toBe(at(drawing.found, 150, 80));
  });
  it("have one colour in the reference, on the whole and not from each to the next only", () => {
    const lines = Array.from({ length: 6 }, (_, i) => box(20 + 36 * i, 30, 36, 100)).flat();
    const drawing = seen(lines);
    const cellAt = (i: number) => at(drawing.found, 38 + 36 * i, 80);
    const colours: (Lab | undefined)[] = [];
    // Two reds, then greys that step by 3 L* each: only neighbours are near each other.
    const labs: Lab[] = [
      [50, 60, 30],
      [51, 60, 30],
      [40, 0, 0],
      [43.5, 0, 0],
      [47, 0, 0],
      [50.5, 0, 0],
    ];
    labs.forEach((lab, i) => (colours[cellAt(i)] = lab));
    const found = gatheringsOf({ ...drawing, colours }).filter((g) => g.kind === "one colour");
    const sets = found.map((g) => [...g.regions].sort((a, b) => a - b));
    expect(sets).toContainEqual([cellAt(0), cellAt(1)].sort((a, b) => a - b));
    expect(sets.every((s) => s.length <= 3)).toBe(true);
  });
  it("of one colour lie near each other too, with bare sheet between; farther off only where they are alike", () => {
    // Two rows of pebbles, a board a little off them, and one that lies far away.
    const pebbles = Array.from({ length: 8 }, (_, i) =>
      box(20 + 32 * (i % 4), 20 + 32 * Math.floor(i / 4), 16, 16),
    );
    const drawing = seen(
      [...pebbles, box(160, 20, 60, 40), box(20, 130, 60, 8), box(200, 140, 16, 16)].flat(),
    );
    const id = (x: number, y: number) => at(drawing.found, x, y);
    const stones = pebbles.map((_, i) => id(28 + 32 * (i % 4), 28 + 32 * Math.floor(i / 4)));
    const [board, plank, far] = [id(190, 40), id(50, 134), id(208, 148)];
    const colours: (Lab | undefined)[] = [];
    for (const r of [...stones, board, plank, far]) colours[r] = [60, 5, 20];
    const sets = () =>
      gatheringsOf({ ...drawing, colours })
        .filter((g) => g.kind === "one colour")
        .map((g) => [...g.regions].sort((a, b) => a - b));
    expect(sets()).toEqual([[...stones].sort((a, b) => a - b)]);
    colours[stones[0]!] = [60, 40, 20];
    expect(sets()).toEqual([stones.slice(1).sort((a, b) => a - b)]);
  });
  it("are in one proposal each, and only those that may be gathered", () => {
    const bricks = Array.from({ length: 4 }, (_, r) =>
      Array.from({ length: 6 }, (_, i) => box(20 + 30 * i + (r % 2) * 15, 20 + 16 * r, 30, 16)).flat(),
    ).flat();
    const drawing = seen(bricks);
    const all = gatheringsOf(drawing);
    expect(all.flatMap((g) => g.regions)).toHaveLength(new Set(all.flatMap((g) => g.regions)).size);
    expect(all[0]).toMatchObject({ kind: "alike" });
    expect(gatheringsOf(drawing, (r) => r === all[0]!.regions[0])).toEqual([]);
  });
});
