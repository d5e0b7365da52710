import { ORDER_COLUMNS, orderCells, orderMarkdown, type OrderRow } from "./order-file";

const row = (more: Partial<OrderRow>): OrderRow => ({
  ...{
    step: 1,
    start: 0,
    seconds: 12.4,
    wetUntil: 57,
    code: "clay3m",
    area: "Sea",
    part: "",
    how: "mid, 1 coat",
    mm2: 240.3,
  },
  ...more,
});

describe("an order of work that goes out", () => {
  it("has a cell for each column", () => {
    expect(orderCells(row({}))).toEqual([
      "1",
      "0:00",
      "12",
      "0:57",
      "clay3m",
      "Sea",
      "",
      "mid, 1 coat",
      "240",
    ]);
    expect(orderCells(row({ wetUntil: null, mm2: 3.14, seconds: 0 }))).toEqual([
      ...["1", "0:00", "1", "", "clay3m", "Sea", "", "mid, 1 coat", "3.1"],
    ]);
    expect(ORDER_COLUMNS).toHaveLength(9);
  });
  it("is a Markdown list to tick, one heading a marker, in which names mean nothing", () => {
    const text = orderMarkdown("Kite *1*", "Taken up 2 times", [
      row({}),
      row({ step: 2, start: 20, area: "Sky [x]", part: "2 of 3" }),
      row({ step: 3, start: 70, code: "lake`1", wetUntil: null }),
    ]);
    expect(text.match(/^## /gm)).toHaveLength(2);
    expect(text.match(/^- \[ \] /gm)).toHaveLength(3);
    expect(text).toContain("# Kite \\*1\\*: order of work");
    expect(text).toContain("- [ ] 0:20 **Sky \\[x\\]** part 2 of 3: mid, 1 coat, wet until 0:57");
    expect(text).toContain("## lake\\`1");
  });
});
