import { flood } from "./flood";

/** Regions of a corridor whose pixels lie so far (squared) from its walls. */
function along(squared: readonly number[], gap: number) {
  const width = squared.length;
  const rows = [...Array<number>(width).fill(0), ...squared, ...Array<number>(width).fill(0)];
  return flood({ squared: Uint32Array.from(rows), place: undefined }, width, 3, gap);
}

describe("a flood between lines", () => {
  it("takes a neck for a gap only where both sides are clearly wider, in proportion and in pixels", () => {
    // √5 − ½ beside √2 − ½: a third wider and more, and less than a pixel.
    const grain = along([0, 1, 2, 5, 5, 2, 5, 5, 2, 1, 0], 2);
    expect([grain.count, grain.gaps]).toEqual([1, 0]);
    // √8 − ½ beside the same neck: wider by more than a pixel.
    const gap = along([0, 1, 2, 8, 8, 2, 8, 8, 2, 1, 0], 2);
    expect([gap.count, gap.gaps > 0]).toEqual([2, true]);
    // 5½ beside 4½: wider by a pixel, and by no third.
    const swelling = along([0, 4, 16, 36, 36, 25, 36, 36, 16, 4, 0], 10);
    expect(swelling.count).toBe(1);
  });
  it("closes no gap that is wider than asked", () => {
    expect(along([0, 1, 4, 16, 16, 9, 16, 16, 4, 1, 0], 2).count).toBe(1);
    expect(along([0, 1, 4, 25, 25, 4, 25, 25, 4, 1, 0], 4).count).toBe(2);
  });
  it("gives every free pixel to a region, and the line to none", () => {
    const { labels } = along([0, 1, 2, 8, 8, 2, 8, 8, 2, 1, 0], 2);
    expect([...labels.slice(11, 22)].map((v) => v > 0)).toEqual([
      false,
      ...Array<boolean>(9).fill(true),
      false,
    ]);
    expect([...labels.slice(0, 11)].some((v) => v > 0)).toBe(false);
  });
});
