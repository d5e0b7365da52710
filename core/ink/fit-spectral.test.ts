import { median, quantile } from "@/core/algebra/median";
import { deltaE00 } from "@/core/colour/delta-e00";
import { xyzToLab } from "@/core/colour/lab";
import { labOf } from "@/core/colour/lab-of";
import { benchInks, byD50, byD65, bySpectrum } from "@/fixtures/bench-read";
import { scanInks } from "@/fixtures/scanned-desk";
import { strangeInks } from "@/sim/demo-range";
import { look } from "@/sim/observer";
import { warmToned, whiteCard, type PaperStock } from "@/sim/paper-stock";
import { seeded } from "@/sim/random";
import { colourSheet } from "@/sim/sheet";
import { layDesk, seenLab } from "./desk";
import { addedFor } from "./fit-spectral";
import { makePaper } from "./paper";
import { labReading, readingUnder, spectralReading } from "./reading";
import { sheetReflectance } from "./sheet";
import { stackReflectance } from "./stack-reflectance";
import { underLight } from "./under-light";

const range = strangeInks(40, 5);

/** ΔE00 of stacks of different inks that nobody read, against the sheet. */
function errors(desk: ReturnType<typeof layDesk>, stock: PaperStock, coats: number): number[] {
  const random = seeded(77);
  return Array.from({ length: 150 }, () => {
    const picks = Array.from({ length: coats }, () => Math.floor(random() * range.length));
    const sheet = colourSheet(
      stock,
      picks.map((i) => range[i]!.recipe),
    );
    return deltaE00(xyzToLab(look(sheet)), seenLab(desk, picks));
  });
}

describe.each([whiteCard, warmToned])("inks read by their spectra on $name", (stock) => {
  const spectral = layDesk(...benchInks(stock, range, bySpectrum));
  const scanned = layDesk(...scanInks(stock, range, 8));
  it("tell what they do over each other far better than colours do", () => {
    for (const n of [2, 3]) {
      const [own, theirs] = [errors(spectral, stock, n), errors(scanned, stock, n)];
      expect(median(own)).toBeLessThan(0.75 * median(theirs));
      expect(quantile(own, 0.95)).toBeLessThan(0.7 * quantile(theirs, 0.95));
    }
    expect(median(errors(spectral, stock, 2))).toBeLessThan(0.6);
    expect(median(errors(spectral, stock, 3))).toBeLessThan(1);
  });
  it("show each stack that was read as it was read, under any light", () => {
    const [, inks] = benchInks(stock, range, bySpectrum);
    const lamp = underLight(spectral, "A");
    inks.slice(0, 8).forEach(({ coats }, i) =>
      coats.forEach(({ reflectance }, n) => {
        const stack = Array<number>(n + 1).fill(i);
        expect(Array.from(stackReflectance(spectral, stack))).toEqual(Array.from(reflectance!));
        expect(deltaE00(seenLab(lamp, stack), labOf(reflectance!, "A"))).toBeLessThan(1e-9);
      }),
    );
  });
});

describe("colours under another light than daylight", () => {
  it("predict as well as those under daylight", () => {
    const [there, here] = [byD50, byD65].map((told) => layDesk(...benchInks(whiteCard, range, told)));
    for (const n of [2, 3])
      expect(median(errors(there!, whiteCard, n))).toBeLessThan(
        1.1 * median(errors(here!, whiteCard, n)) + 0.05,
      );
  });
  it("are carried over by the spectrum that all coats of an ink tell", () => {
    const [bare, inks] = benchInks(whiteCard, range, byD50);
    const desk = layDesk(bare, inks);
    const [, truths] = benchInks(whiteCard, range, byD65);
    const off = truths.flatMap(({ coats }, i) =>
      coats.map((c, n) => deltaE00(c.lab, seenLab(desk, Array<number>(n + 1).fill(i)))),
    );
    expect(median(off)).toBeLessThan(0.3);
    // Taken for colours under daylight they would lie far off.
    const taken = inks.flatMap(({ coats }, i) =>
      coats.map((c, n) => deltaE00(truths[i]!.coats[n]!.lab, c.told!.lab)),
    );
    expect(median(taken)).toBeGreaterThan(3 * median(off));
  });
  it("are themselves there, and by day what the smoothest surface is", () => {
    const read = labReading([60, 10, -20], "A");
    expect(readingUnder(read, "A")).toEqual([60, 10, -20]);
    expect(readingUnder(read, "D65")).toEqual(read.lab);
    expect(readingUnder(labReading([60, 0, 0]), "D50")[0]).toBeCloseTo(60, 0);
  });
});

describe("desks of colours and spectra", () => {
  it("are fitted together", () => {
    const [, byBand] = benchInks(whiteCard, range, bySpectrum);
    const [bare, byEye] = scanInks(whiteCard, range, 8);
    const desk = layDesk(
      bare,
      range.map((_, i) => (i % 2 ? byBand[i]! : byEye[i]!)),
    );
    expect(median(errors(desk, whiteCard, 2))).toBeLessThan(
      median(errors(layDesk(bare, byEye), whiteCard, 2)),
    );
  });
  it("find the K/S that gives a reflectance", () => {
    const paper = makePaper([94, 0, 2]);
    for (const z of [-4, -1, 0, 2])
      expect(addedFor(paper, 12, sheetReflectance(paper, 12, Math.exp(z)))).toBeCloseTo(z, 3);
  });
  it("bear bands that are black, white or beyond", () => {
    const bare = spectralReading(new Float64Array(36).fill(1.2));
    const odd = [0, 1, 1.5].map((v) => ({
      code: `c${v}`,
      coats: [spectralReading(new Float64Array(36).fill(v))],
    }));
    const desk = layDesk(bare, odd);
    odd.forEach((_, i) => expect(seenLab(desk, [i, (i + 1) % 3]).every(Number.isFinite)).toBe(true));
  });
});
