import {
  blendLines,
  fitOnLine,
  inkLine,
  layOutChart,
  linesAPage,
  MARK,
  marksOf,
  overlayLine,
  SHEETS,
  STRIP,
  whiteBoxes,
  type SheetName,
  type PrintBox,
} from "./layout";

const apart = (a: PrintBox, b: PrintBox) =>
  a.x + a.width <= b.x + 1e-6 ||
  b.x + b.width <= a.x + 1e-6 ||
  a.y + a.height <= b.y + 1e-6 ||
  b.y + b.height <= a.y + 1e-6;
const sheets = Object.keys(SHEETS) as SheetName[];

describe.each(sheets)("a chart on %s", (sheet) => {
  const codes = Array.from({ length: linesAPage(sheet) + 3 }, (_, i) => `clay${i}`);
  const pages = layOutChart({ serial: 9, sheet, lines: codes.map(inkLine) });
  it("goes on to as many pages as it needs, and loses no cell", () => {
    expect(pages).toHaveLength(2);
    expect(pages.flatMap((p) => p.cells)).toHaveLength(codes.length * 4);
    expect(pages[1]!.cells.map((c) => c.line)).toContain(codes.length - 1);
    expect(linesAPage(sheet)).toBeGreaterThanOrEqual(36);
  });
  it("keeps cells, white cells, marks and strip apart, and on the sheet", () => {
    const { width, height } = SHEETS[sheet];
    const marks = marksOf(sheet).map(([x, y]) => ({
      x: x - MARK.outer - 1,
      y: y - MARK.outer - 1,
      width: 2 * MARK.outer + 2,
      height: 2 * MARK.outer + 2,
    }));
    const strip = { x: 0, y: STRIP.y - STRIP.height / 2, width, height: STRIP.height };
    const boxes = [...pages[0]!.cells.map((c) => c.box), ...whiteBoxes(sheet)];
    boxes.forEach((a, i) => {
      expect(a.x >= 5 && a.y >= 5 && a.x + a.width <= width - 5 && a.y + a.height <= height - 5).toBe(true);
      for (const b of [...marks, strip, ...boxes.slice(i + 1)]) expect(apart(a, b)).toBe(true);
    });
  });
  it("has white cells in five columns, so that light may fall off in any direction", () => {
    expect(new Set(whiteBoxes(sheet).map((b) => b.x)).size).toBe(5);
  });
});

it("a line of one ink has one, two, three coats and a lift; an overlay has both orders", () => {
  expect(inkLine("reed2c").cells.map((c) => [c.stack.length, c.lift ?? false])).toEqual([
    [1, false],
    [2, false],
    [3, false],
    [2, true],
  ]);
  expect(overlayLine("a", "b").cells.map((c) => c.stack.join(""))).toEqual(["ab", "ba", "aab", "bba"]);
  expect(layOutChart({ serial: 1, sheet: "A4", lines: [] })).toHaveLength(1);
});

describe("long cells", () => {
  const lines = [...blendLines("clay1c", "clay6m"), inkLine("clay3m")];
  const [page] = layOutChart({ serial: 1, sheet: "A4", lines });
  it("take the place of a pair, and lie over nothing else", () => {
    expect(page!.cells.map((c) => c.meets?.how)).toEqual([
      "dark over wet light",
      "light over wet dark",
      "dark over dry light",
      "lifted",
      ...Array<undefined>(4).fill(undefined),
    ]);
    const boxes = [...page!.cells.map((c) => c.box), ...whiteBoxes("A4")];
    boxes.forEach((a, i) => boxes.slice(i + 1).forEach((b) => expect(apart(a, b)).toBe(true)));
    const [long, short] = [page!.cells[0]!.box, page!.cells[4]!.box];
    expect(long.x).toBe(short.x);
    expect(long.x + long.width).toBeCloseTo(page!.cells[5]!.box.x + short.width, 9);
  });
  it("are two to a line, and never across the white between the pairs", () => {
    const [long] = lines[0]!.cells;
    const short = { stack: ["a"] };
    expect(fitOnLine([])).toBe(true);
    expect(fitOnLine([long!, long!])).toBe(true);
    expect(fitOnLine([short, short, long!])).toBe(true);
    expect(fitOnLine([long!, long!, short])).toBe(false);
    expect(fitOnLine([short, long!, short])).toBe(false);
    expect(fitOnLine([short, short, short, short, short])).toBe(false);
  });
});
