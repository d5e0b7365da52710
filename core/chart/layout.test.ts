import {
  inkLine,
  layOutChart,
  linesAPage,
  MARK,
  marksOf,
  overlayLine,
  SHEETS,
  STRIP,
  whiteBoxes,
  type Box,
  type SheetName,
} from "./layout";

const apart = (a: Box, b: Box) =>
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
