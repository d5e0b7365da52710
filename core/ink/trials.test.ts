import { finish } from "@/core/progress";
import { scannedDesk } from "@/fixtures/scanned-desk";
import { deltaE00 } from "@/core/colour/delta-e00";
import { xyzToLab, type Lab } from "@/core/colour/lab";
import { matchTarget } from "@/core/match/match";
import { strangeInks } from "@/sim/demo-range";
import { look } from "@/sim/observer";
import { whiteCard } from "@/sim/paper-stock";
import { BLENDER, colourSheet } from "@/sim/sheet";
import { keepInks, knowledgeOf, layDesk, seenLab, withOverlays, type Stack } from "./desk";
import { fitLifting, liftedLab } from "./fit-lifting";
import { DEFAULT_LIFTING } from "./paper";

const inks = strangeInks(16, 6);
const desk = layDesk(...scannedDesk(16, 6));
const truth = (stack: Stack): Lab =>
  xyzToLab(
    look(
      colourSheet(
        whiteCard,
        stack.map((i) => inks[i]!.recipe),
      ),
    ),
  );
const off = (d: typeof desk, stack: Stack) => deltaE00(seenLab(d, stack), truth(stack));

describe("a desk with trials", () => {
  const pairs: Stack[] = [];
  for (let a = 0; a < 16; a += 2) pairs.push([a, a + 1]);
  const tried = withOverlays(
    desk,
    pairs.map((stack) => ({ stack, lab: truth(stack) })),
  );
  it("shows a measured stack as measured, and leaves single inks alone", () => {
    for (const stack of pairs) expect(seenLab(tried, stack)).toEqual(truth(stack));
    expect(seenLab(tried, [3, 3])).toEqual(seenLab(desk, [3, 3]));
    expect(knowledgeOf(tried, pairs[0]!)).toBe("measured");
    expect(knowledgeOf(desk, pairs[0]!)).toBe("predicted");
  });
  it("leans towards it near by: the same inks the other way round", () => {
    const mean = (d: typeof desk) => pairs.reduce((sum, [a, b]) => sum + off(d, [b!, a!]), 0) / pairs.length;
    expect(mean(tried)).toBeLessThan(0.75 * mean(desk));
    expect(knowledgeOf(tried, [1, 0])).toBe("leaning");
  });
  it("is left as it was without overlays of several inks", () => {
    expect(withOverlays(desk, [])).toBe(desk);
    expect(withOverlays(desk, [{ stack: [2, 2], lab: [10, 0, 0] }])).toBe(desk);
  });
  it("keeps what was measured of the inks that stay when others are put away", () => {
    const fewer = keepInks(tried, (i) => i.code !== desk.inks[0]!.code);
    expect(seenLab(fewer, [1, 2])).toEqual(seenLab(tried, [2, 3]));
    expect(fewer.overlays!.stacks).toHaveLength(pairs.length - 1);
  });
  it("offers a measured stack as a recipe, by what was measured", () => {
    const [best] = finish(matchTarget(tried, truth(pairs[2]!), { maxInks: 2, maxCoats: 2, top: 3 })).recipes;
    expect(best!.deltaE00).toBeLessThan(1e-6);
    expect(best!.layers.map((l) => l.ink)).toEqual(pairs[2]);
  });
});

describe("lift cells", () => {
  it("tell how much the blender takes away, and predict inks that were not lifted", () => {
    const lifted = (i: number): Lab =>
      xyzToLab(look(colourSheet(whiteCard, [inks[i]!.recipe, inks[i]!.recipe, BLENDER])));
    const cell = (i: number) => ({ spectrum: desk.inks[i]!.spectrum, coats: 2, lab: lifted(i) });
    const fit = fitLifting(desk.paper, [0, 2, 4, 6, 8, 10].map(cell));
    expect(fit.cells).toBe(6);
    expect(fit.blender).toBeGreaterThan(0.1);
    expect(fit.blender).toBeLessThan(0.8);
    const errors = [1, 3, 5, 7, 9, 11].map((i) =>
      deltaE00(liftedLab(desk.paper, desk.inks[i]!.spectrum, 2, fit.blender), lifted(i)),
    );
    const before = [1, 3, 5, 7, 9, 11].map((i) => deltaE00(seenLab(desk, [i, i]), lifted(i)));
    expect(errors.sort((a, b) => a - b)[3]).toBeLessThan(0.5 * before.sort((a, b) => a - b)[3]!);
  });
  it("leave the expected value where there are none", () =>
    expect(fitLifting(desk.paper, [])).toEqual({ blender: DEFAULT_LIFTING.blender, residual: 0, cells: 0 }));
});
