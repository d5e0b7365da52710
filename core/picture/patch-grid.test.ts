import { inRows, patchGrid } from "./patch-grid";

const size = { width: 1000, height: 500 };

describe("patches of a swatch sheet", () => {
  it("are found from three of them, row by row", () => {
    const { middles, side } = patchGrid([0.1, 0.2], [0.5, 0.2], [0.5, 0.6], { rows: 3, columns: 5 }, size);
    expect(middles).toHaveLength(15);
    expect(middles[0]).toEqual([0.1, 0.2]);
    expect(middles[4]).toEqual([0.5, 0.2]);
    expect(middles[14]!.map((v) => v.toFixed(6))).toEqual(["0.500000", "0.600000"]);
    expect(middles[7]!.map((v) => v.toFixed(6))).toEqual(["0.300000", "0.400000"]);
    // Patches lie 100 px apart either way.
    expect(side).toBeCloseTo(40);
  });
  it("are found where the sheet lies askew", () => {
    const { middles } = patchGrid([0.2, 0.1], [0.6, 0.3], [0.5, 0.7], { rows: 2, columns: 3 }, size);
    expect(middles[5]!.map((v) => v.toFixed(6))).toEqual(["0.500000", "0.700000"]);
    expect(middles[3]!.map((v) => v.toFixed(6))).toEqual(["0.100000", "0.500000"]);
  });
  it("may be one row, one column, or one", () => {
    expect(patchGrid([0.1, 0.5], [0.9, 0.5], [0.9, 0.5], { rows: 1, columns: 3 }, size).middles).toEqual([
      [0.1, 0.5],
      [0.5, 0.5],
      [0.9, 0.5],
    ]);
    const column = patchGrid([0.5, 0.1], [0.5, 0.1], [0.5, 0.9], { rows: 3, columns: 1 }, size);
    expect(column.middles.map((m) => m[1].toFixed(2))).toEqual(["0.10", "0.50", "0.90"]);
    const one = patchGrid([0.5, 0.5], [0.5, 0.5], [0.5, 0.5], { rows: 1, columns: 1 }, size);
    expect(one.middles).toEqual([[0.5, 0.5]]);
    expect(one.side).toBeGreaterThan(0);
  });
  it("get their codes along the rows or down the columns", () => {
    const sheet = { rows: 2, columns: 3 };
    expect(inRows(["a", "b", "c", "d", "e"], sheet, false)).toEqual(["a", "b", "c", "d", "e", undefined]);
    expect(inRows(["a", "b", "c", "d", "e"], sheet, true)).toEqual(["a", "c", "e", "b", "d", undefined]);
  });
});
