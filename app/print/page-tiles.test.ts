import fc from "fast-check";
import { MARGIN, OVERLAP, pageTiles } from "./page-tiles";

const A4 = [210, 297] as const;

test("a sheet that fits is one page; a larger one as few as hold it, upright or lying", () => {
  expect(pageTiles([180, 270], A4)).toMatchObject({ rows: 1, columns: 1, width: 210 });
  expect(pageTiles([270, 180], A4)).toMatchObject({ rows: 1, columns: 1, width: 297 });
  // A3: two pages lying would be too narrow for its margins, so that it takes a third each way it lies.
  const a3 = pageTiles([297, 420], A4);
  expect(a3.rows * a3.columns).toBeLessThanOrEqual(4);
});

test("every place of a sheet lies on a page, neighbours share their overlap, and nothing lies in the margin", () => {
  const lengths = fc.double({ min: 10, max: 2000, noNaN: true });
  fc.assert(
    fc.property(lengths, lengths, fc.constantFrom(A4, [215.9, 279.4] as const), (w, h, page) => {
      const { width, height, tiles, rows, columns } = pageTiles([w, h], page);
      expect(tiles).toHaveLength(rows * columns);
      for (const { row, column, part, joins } of tiles) {
        const [left, top, wide, high] = part;
        expect(wide).toBeGreaterThan(0);
        expect(high).toBeGreaterThan(0);
        expect(wide).toBeLessThanOrEqual(width - 2 * MARGIN + 1e-9);
        expect(high).toBeLessThanOrEqual(height - 2 * MARGIN + 1e-9);
        const next = tiles.find((t) => t.row === row && t.column === column + 1);
        expect(joins.right).toBe(next !== undefined);
        if (next) expect(left + wide - next.part[0]).toBeCloseTo(OVERLAP, 6);
        else expect(left + wide).toBeCloseTo(w, 6);
        const under = tiles.find((t) => t.column === column && t.row === row + 1);
        expect(joins.below).toBe(under !== undefined);
        if (under) expect(top + high - under.part[1]).toBeCloseTo(OVERLAP, 6);
        else expect(top + high).toBeCloseTo(h, 6);
      }
    }),
  );
});
