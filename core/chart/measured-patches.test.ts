import { deltaE00 } from "@/core/colour/delta-e00";
import { readStack } from "@/core/formats/cgats";
import { labOf } from "@/core/colour/lab-of";
import { demoRange } from "@/sim/demo-range";
import { whiteCard } from "@/sim/paper-stock";
import { seeded } from "@/sim/random";
import { colourSheet } from "@/sim/sheet";
import { benchtop, cgatsFile, readSpectrum } from "@/sim/spectrophotometer";
import { readMeasured } from "@/workers/measured-file";
import { measuredPatches } from "./measured-patches";

const paper = colourSheet(whiteCard, []);
const inks = demoRange().slice(0, 4);
const sheets = inks.map((i) => colourSheet(whiteCard, [i.recipe]));
const truth = (s: ArrayLike<number>) => labOf(Float64Array.from({ length: 36 }, (_, i) => s[2 * i]!));
const random = seeded(2);
const named = (name: string, sheet: ArrayLike<number>) => ({
  name,
  values: readSpectrum(sheet, paper, benchtop, random),
});
/** Each ink three times, one of them once beside the patch; bare paper; and a patch that is nobody's. */
const file = readMeasured(
  cgatsFile(
    [
      ...inks.flatMap((ink, i) =>
        [1, 2, 3].map((k) => named(ink.code, i === 1 && k === 2 ? paper : sheets[i]!)),
      ),
      named("paper", paper),
      named("nobody", sheets[0]!),
    ],
    benchtop,
  ),
);
const codes = new Set(inks.map((i) => i.code));
const byName = (name: string) => {
  const stack = readStack(name);
  return stack?.every((c) => codes.has(c)) ? stack : undefined;
};
const nothing = () => undefined;

describe("patches of an instrument's file", () => {
  it("are its readings as one, misreads left out, each beside the code it goes to", () => {
    const patches = measuredPatches(file, "D50", byName, nothing);
    expect(patches.map((p) => [p.name, p.used, p.misreads])).toEqual([
      [inks[0]!.code, 3, 0],
      [inks[1]!.code, 2, 1],
      [inks[2]!.code, 3, 0],
      [inks[3]!.code, 3, 0],
      ["paper", 1, 0],
      ["nobody", 1, 0],
    ]);
    expect(patches.map((p) => p.stack)).toEqual([...inks.map((i) => [i.code]), [], undefined]);
    patches.slice(0, 4).forEach((p, i) => {
      expect(p.reading.reflectance).toHaveLength(36);
      expect(deltaE00(p.reading.lab, truth(sheets[i]!))).toBeLessThan(0.5);
      expect(p.doubts).toEqual([]);
    });
  });
  it("are doubted when they are far from what is known, or no bare paper", () => {
    const knownOf = (stack: readonly string[]) =>
      stack.length ? truth(sheets[(inks.findIndex((i) => i.code === stack[0]) + 2) % 4]!) : truth(sheets[0]!);
    const patches = measuredPatches(file, "D50", byName, knownOf);
    expect(patches[4]!.doubts.map((d) => d.kind)).toEqual(["no bare paper"]);
    const far = patches.slice(0, 4).filter((p) => p.doubts.some((d) => d.kind === "far"));
    expect(far.length).toBe(
      patches.slice(0, 4).filter((p) => deltaE00(p.reading.lab, knownOf(p.stack!)) > 6).length,
    );
  });
  it("go by their place where a list tells", () => {
    const list = [["a"], ["a", "a"], undefined, []];
    const patches = measuredPatches(file, "D50", (_, place) => list[place], nothing);
    expect(patches.map((p) => p.stack)).toEqual([["a"], ["a", "a"], undefined, [], undefined, undefined]);
  });
  it("of colours keep the light they were told in", () => {
    const text = cgatsFile(
      inks.map((i) => ({ name: i.code, values: [] })),
      benchtop,
      { samples: sheets, bands: false, light: "" },
    );
    const patches = measuredPatches(readMeasured(text), "D50", byName, nothing);
    patches.forEach((p, i) => {
      expect(p.reading.told!.light).toBe("D50");
      expect(deltaE00(p.reading.lab, truth(sheets[i]!))).toBeLessThan(1);
    });
  });
});
