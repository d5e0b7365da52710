import fc from "fast-check";
import { displayLab, rgb8ToLab } from "@/core/colour/display";
import { deltaE00 } from "@/core/colour/delta-e00";
import { xyzToLab } from "@/core/colour/lab";
import { BANDS, reflectanceToXyz } from "@/core/colour/observer";
import { reconstructReflectance } from "./reconstruct";

const full = new Float64Array(BANDS).fill(1);
const labOf = (r: ArrayLike<number>) => xyzToLab(reflectanceToXyz(r));

describe("reconstructed reflectance", () => {
  it("is exact for every colour a scanner reads, and lies within 0–1", () => {
    fc.assert(
      fc.property(
        fc.tuple(
          fc.integer({ min: 5, max: 250 }),
          fc.integer({ min: 5, max: 250 }),
          fc.integer({ min: 5, max: 250 }),
        ),
        ([r, g, b]) => {
          const lab = rgb8ToLab(r, g, b);
          const found = reconstructReflectance(lab, full);
          if (!found.clamped) expect(deltaE00(labOf(found.reflectance), lab)).toBeLessThan(0.001);
          expect(Math.min(...found.reflectance)).toBeGreaterThan(0);
          expect(Math.max(...found.reflectance)).toBeLessThan(1);
        },
      ),
      { numRuns: 200 },
    );
  });

  it("is flat for a grey", () => {
    const { reflectance } = reconstructReflectance([50, 0, 0], full);
    expect(Math.max(...reflectance) - Math.min(...reflectance)).toBeLessThan(0.02);
  });

  it("stays below the paper it is relative to", () => {
    const paper = reconstructReflectance([72, 6, 20], full).reflectance;
    const ink = reconstructReflectance([50, 20, 10], paper);
    expect(ink.clamped).toBe(false);
    ink.reflectance.forEach((r, i) => expect(r).toBeLessThan(paper[i]!));
    expect(deltaE00(labOf(ink.reflectance), [50, 20, 10])).toBeLessThan(0.001);
  });

  it("clamps what no ink on this paper can be, and says so", () => {
    const paper = reconstructReflectance([60, 0, 0], full).reflectance;
    const bright = reconstructReflectance([90, 40, -40], paper);
    expect(bright.clamped).toBe(true);
    expect(deltaE00(labOf(bright.reflectance), bright.lab)).toBeLessThan(0.01);
    expect(displayLab(bright.lab).hex).toMatch(/^#/);
  });

  it("refuses a lightness that does not exist", () =>
    expect(() => reconstructReflectance([101, 0, 0], full)).toThrow(/0–100/));
});
