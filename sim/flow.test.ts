import { demoRange } from "./demo-range";
import { colourAlong, type PassAlong } from "./flow";
import { look } from "./observer";
import { whiteCard } from "./paper-stock";
import { BLENDER, colourSheet, layOnSheet } from "./sheet";

const by = (code: string) => demoRange().find((i) => i.code === code)!.recipe;
const pass = (code: string, from: number, wet: boolean): PassAlong => ({
  ink: by(code),
  coats: 1,
  wet,
  from,
});
const along = (passes: readonly PassAlong[]) =>
  colourAlong(whiteCard, passes, 40, 0.5).map((r) => look(r)[1]);
/** Length over which most of the way from one end's lightness to the other's is gone, in columns. */
const width = (Y: readonly number[]) => {
  const share = (y: number) => (y - Y[0]!) / (Y.at(-1)! - Y[0]!);
  return Y.filter((y) => share(y) > 0.1 && share(y) < 0.9).length;
};

describe("a cell along which two layings meet", () => {
  const wet = along([pass("clay2c", 0, false), pass("clay6m", 10, true)]);
  const dry = along([pass("clay2c", 0, false), pass("clay6m", 10, false)]);
  it("is at its ends what lies on a sheet there", () => {
    const lone = look(colourSheet(whiteCard, [by("clay2c")]))[1];
    const both = look(
      layOnSheet(whiteCard, [
        { ink: by("clay2c"), coats: 1, wet: false },
        { ink: by("clay6m"), coats: 1, wet: true },
      ]),
    )[1];
    expect(wet[0]).toBeCloseTo(lone, 2);
    expect(wet.at(-1)).toBeCloseTo(both, 2);
  });
  it("runs together where the sheet is wet, and hardly where it is dry", () => {
    expect(width(wet)).toBeGreaterThan(width(dry) + 1);
    expect(width(dry)).toBeLessThanOrEqual(3);
  });
  it("darkens steadily from the light to the dark end, and moves dye without making any", () => {
    for (const Y of [wet, dry]) Y.slice(1).forEach((y, i) => expect(y).toBeLessThan(Y[i]! + 1e-9));
    const free = colourAlong(
      { ...whiteCard, flow: 0 },
      [pass("clay2c", 0, false), pass("clay6m", 10, true)],
      40,
      0.5,
    ).map((r) => look(r)[1]);
    const sum = (v: readonly number[]) => v.reduce((a, b) => a + b, 0);
    expect(Math.abs(sum(wet) - sum(free)) / sum(free)).toBeLessThan(0.03);
  });
  it("is lighter where the blender went over it", () => {
    const lifted = along([
      pass("clay6m", 0, false),
      pass("clay6m", 0, false),
      { ink: BLENDER as typeof BLENDER, coats: 1, wet: false, from: 10 },
    ]);
    expect(lifted.at(-1)!).toBeGreaterThan(lifted[0]! + 0.03);
  });
});
