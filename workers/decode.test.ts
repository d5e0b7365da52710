import { SIDE, withoutAlpha, workingSize } from "./decode";

describe("a picture at working size", () => {
  it("keeps its shape and is never larger than it was", () => {
    expect(workingSize(4800, 2400)).toEqual({ width: SIDE, height: SIDE / 2 });
    expect(workingSize(300, 200)).toEqual({ width: 300, height: 200 });
    expect(workingSize(1, 100_000)).toEqual({ width: 1, height: SIDE });
  });
  it("has three bytes a pixel, in their order", () => {
    const rgba = new Uint8ClampedArray([1, 2, 3, 255, 4, 5, 6, 0]);
    expect([...withoutAlpha(rgba, 2)]).toEqual([1, 2, 3, 4, 5, 6]);
  });
});
