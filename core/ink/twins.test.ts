import { alike, standIns, twinsOf } from "./twins";

describe("twins", () => {
  it("differ by less than two ΔE00: lightness 50 and 51.5, not 50 and 53", () => {
    expect(alike([50, 0, 0], [51.5, 0, 0])).toBe(true);
    expect(alike([50, 0, 0], [53, 0, 0])).toBe(false);
  });
  it("are stood in for by the first of them", () =>
    expect([
      ...standIns([
        [50, 0, 0],
        [70, 0, 0],
        [51, 0, 0],
        [70.5, 0, 0],
        [30, 0, 0],
      ]),
    ]).toEqual([0, 1, 0, 1, 4]));
  it("are told nearest first, without the marker itself", () => {
    const all = [
      { code: "a", lab: [50, 0, 0] as const },
      { code: "b", lab: [51.6, 0, 0] as const },
      { code: "c", lab: [50.4, 0, 0] as const },
      { code: "d", lab: [60, 0, 0] as const },
    ];
    expect(twinsOf("a", all).map((t) => t.code)).toEqual(["c", "b"]);
  });
});
