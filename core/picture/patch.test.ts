import { deltaE00 } from "@/core/colour/delta-e00";
import { hexToLab } from "@/core/colour/display";
import { spreadInWords } from "@/words/patch";
import { readPatch } from "./patch";

const patch = (...runs: [count: number, r: number, g: number, b: number, a?: number][]) =>
  runs.flatMap(([n, r, g, b, a = 255]) => Array.from({ length: n }, () => [r, g, b, a]).flat());

describe("a patch of the picture", () => {
  it("of one colour is that colour, without spread", () => {
    const { lab, spread, kept } = readPatch(patch([25, 200, 162, 122]));
    expect(deltaE00(lab, hexToLab("#c8a27a")!)).toBeLessThan(1e-6);
    expect([spread, kept]).toEqual([expect.closeTo(0, 6), 1]);
  });
  it("is not tinted by a line or a speck in it", () => {
    const { lab, kept } = readPatch(patch([80, 200, 162, 122], [15, 20, 20, 20], [5, 255, 255, 255]));
    expect(deltaE00(lab, hexToLab("#c8a27a")!)).toBeLessThan(0.01);
    expect(kept).toBeCloseTo(0.8, 2);
  });
  it("tells when it is mixed", () => {
    expect(spreadInWords(readPatch(patch([50, 200, 162, 122], [50, 60, 90, 160])).spread)).toMatch(/mixed/);
    expect(spreadInWords(0.3)).toBe("even");
    expect(spreadInWords(3)).toBe("a little mixed");
  });
  it("passes over what is transparent, and refuses nothing at all", () => {
    expect(
      deltaE00(readPatch(patch([9, 0, 0, 0, 0], [9, 128, 128, 128])).lab, hexToLab("#808080")!),
    ).toBeLessThan(1e-6);
    expect(() => readPatch(patch([4, 0, 0, 0, 0]))).toThrow(/no pixel/);
    expect(() => readPatch([])).toThrow(RangeError);
  });
  it("thins a large patch without losing its colour", () =>
    expect(
      deltaE00(readPatch(patch([40_000, 90, 120, 60])).lab, readPatch(patch([4, 90, 120, 60])).lab),
    ).toBeLessThan(1e-6));
});
