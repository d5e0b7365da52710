import fc from "fast-check";
import { deltaE00 } from "@/core/colour/delta-e00";
import { labOf } from "@/core/colour/lab-of";
import { demoRange } from "@/sim/demo-range";
import { whiteCard } from "@/sim/paper-stock";
import { seeded } from "@/sim/random";
import { colourSheet } from "@/sim/sheet";
import {
  benchtop,
  cgatsFile,
  cxfFile,
  readSpectrum,
  tableFile,
  type Spectrophotometer,
} from "@/sim/spectrophotometer";
import { readMeasured } from "@/workers/measured-file";
import { resampling, wavelengthOf } from "./bands";
import { glows, paperUnder } from "./measured";
import { parseCxf } from "./cxf";

const paper = colourSheet(whiteCard, []);
const inks = demoRange().filter((_, i) => i % 29 === 0);
const sheets = inks.map((i) => colourSheet(whiteCard, [i.recipe]));
const read = (instrument: Spectrophotometer) => {
  const random = seeded(3);
  return sheets.map((s, i) => ({ name: inks[i]!.code, values: readSpectrum(s, paper, instrument, random) }));
};
/** Every second value of a sheet known every 5 nm. */
const truth = (sheet: ArrayLike<number>) => Float64Array.from({ length: 36 }, (_, i) => sheet[2 * i]!);

describe("names of bands", () => {
  it.each([
    ["SPECTRAL_NM380", 380],
    ["SPECTRAL_NM_380", 380],
    ["SPEC_400", 400],
    ["nm 410", 410],
    ["nm410", 410],
    ["R_400", 400],
    ["r400", 400],
    ["730", 730],
    ["730.0", 730],
    ["550 nm", 550],
    ["LAB_L", undefined],
    ["RGB_255", undefined],
    ["200", undefined],
    ["D_500", undefined],
    ["4000", undefined],
  ])("%s is %s", (said, nm) => expect(wavelengthOf(said)).toBe(nm));
});

describe("spectra of other steps and ranges", () => {
  it("follow a polynomial exactly where steps are even", () =>
    fc.assert(
      fc.property(
        fc.constantFrom(5, 10, 20),
        fc.constantFrom(360, 370, 380, 400),
        fc.array(fc.double({ min: 0, max: 0.15, noNaN: true }), { minLength: 4, maxLength: 4 }),
        (step, from, c) => {
          const p = (nm: number) => {
            const x = (nm - 400) / 300;
            return 0.2 + c[0]! * x + c[1]! * x ** 2 + c[2]! * x ** 3 + c[3]! * x ** 4;
          };
          const nms = Array.from({ length: Math.floor((740 - from) / step) + 1 }, (_, i) => from + step * i);
          const { resample, held } = resampling(nms, 1);
          const out = resample(nms.map(p));
          const to = nms.at(-1)!;
          for (let i = held[0]; i < 36 - held[1]; i++) {
            const nm = 380 + 10 * i;
            // The published conditions at the ends are exact for straight lines only.
            const inside = nm >= from + 2 * step && nm <= to - 2 * step;
            expect(Math.abs(out[i]! - p(nm))).toBeLessThan(inside ? 1e-12 : 2e-3);
          }
          for (let i = 0; i < held[0]; i++) expect(out[i]).toBe(p(from));
        },
      ),
    ));
  it("follow a cubic where steps are uneven", () => {
    const nms = [
      380, 385, 400, 412, 420, 437, 450, 463, 480, 495, 510, 530, 545, 560, 580, 600, 617, 630, 650, 670, 690,
      700, 715, 730,
    ];
    const p = (nm: number) => 0.2 + ((nm - 400) / 400) ** 3;
    const out = resampling(nms, 1).resample(nms.map(p));
    out.forEach((v, i) => expect(v).toBeCloseTo(Math.max(0, p(380 + 10 * i)), 9));
  });
  it.each([
    [[380, 400], /at least 16/],
    [Array.from({ length: 20 }, (_, i) => 500 + 10 * i), /420 nm or less/],
    [[...Array.from({ length: 36 }, (_, i) => 380 + 10 * i), 400], /400 nm is there twice/],
    [[...Array.from({ length: 20 }, (_, i) => 380 + 10 * i), 700, 710], /at most 20 nm; after 570 nm/],
  ])("are refused when they leave too much out", (nms, message) =>
    expect(() => resampling(nms, 3)).toThrow(message),
  );
  it("of inks come within half a ΔE00 from steps of 20 nm, and as they are from 5 and 10", () => {
    for (const [step, from, to, most] of [
      [5, 380, 730, 0.01],
      [10, 380, 730, 0.01],
      [10, 400, 700, 0.3],
      [20, 380, 720, 0.6],
    ] as const) {
      const instrument = { ...benchtop, noise: 0, beside: 0, step, from, to };
      const { samples } = readMeasured(cgatsFile(read(instrument), instrument));
      samples.forEach((s, i) =>
        expect(deltaE00(labOf(s.reflectance!), labOf(truth(sheets[i]!)))).toBeLessThan(most),
      );
    }
  });
});

describe("an instrument's file", () => {
  const sharp = { ...benchtop, noise: 0, beside: 0 };
  it.each([
    ["CGATS.17", cgatsFile(read(sharp), sharp)],
    [
      "CGATS.17 in percent, spelled otherwise",
      cgatsFile(read(sharp), sharp, { prefix: "NM_", percent: true }),
    ],
    ["CxF3", cxfFile(read(sharp), sharp)],
    ["a table with commas", tableFile(read(sharp), sharp)],
  ])("is read: %s", (_, text) => {
    const { samples, bands } = readMeasured(text);
    expect(samples.map((s) => s.name)).toEqual(inks.map((i) => i.code));
    expect(bands).toEqual({ from: 380, to: 730, step: 10, held: [0, 0] });
    samples.forEach((s, i) =>
      expect(deltaE00(labOf(s.reflectance!), labOf(truth(sheets[i]!)))).toBeLessThan(0.05),
    );
  });
  it("says under which condition it was read, as far as it tells", () => {
    expect(readMeasured(cxfFile(read(sharp), { ...sharp, condition: "M2" })).how).toMatchObject({
      condition: "M2",
      device: "Bench",
    });
    expect(readMeasured(cgatsFile(read(sharp), { ...sharp, condition: "M0" })).how.condition).toBe("M0");
  });
  it("shows a sheet that glows, but under M2", () => {
    const bare = (condition: Spectrophotometer["condition"]) => {
      const glowing = { ...sharp, brightener: 0.12, condition };
      const values = readSpectrum(paper, paper, glowing, seeded(1));
      return readMeasured(cgatsFile([{ name: "paper", values }], glowing)).samples[0]!.reflectance!;
    };
    expect(glows(bare("M1"))).toBe(true);
    expect(glows(bare("M2"))).toBe(false);
    expect(glows(truth(paper))).toBe(false);
  });
  it("with colours of a light that nobody told shows it by the bare paper", () => {
    const text = cgatsFile([{ name: "paper", values: [] }], sharp, {
      samples: [paper],
      bands: false,
      light: "",
    });
    const { samples, how } = readMeasured(text);
    const [first, second] = paperUnder(samples[0]!, how, labOf(truth(paper)));
    expect(first!.off).toBeLessThan(0.5);
    expect(second!.off).toBeGreaterThan(0);
  });
  it.each([
    ["<a/>", /expected a CxF document; found one of "a"/],
    ["<CxF><Resources>", /well-formed/],
    ["<CxF></CxF>", /at least one measured object/],
    ['<!DOCTYPE x [<!ENTITY a "aaaa">]><CxF>&a;</CxF>', /well-formed/],
    [
      '<CxF><Object Name="x"><ReflectanceSpectrum StartWL="380">1 two</ReflectanceSpectrum></Object></CxF>',
      /expected a number; found "two"/,
    ],
    [
      '<CxF><Object Name="x"><ReflectanceSpectrum StartWL="380">1 1</ReflectanceSpectrum></Object></CxF>',
      /at least 16/,
    ],
    [
      '<CxF><Object Name="x"><ColorCIELab><L>1e308</L><A>0</A><B>0</B></ColorCIELab></Object></CxF>',
      /expected a colour/,
    ],
    [`${"<CxF>".repeat(60)}`, /within each other/],
    ["name,colour\nclay,red", /wavelengths/],
    [
      `Name,${Array.from({ length: 36 }, (_, i) => 380 + 10 * i).join()}\nclay,0.1`,
      /row|line 2: expected a reflectance at 390 nm/,
    ],
    ["a\0b", /file of another kind/],
    ["x".repeat(70_000), /line 1: expected lines of at most/],
    ["x\n".repeat(9_000_000), /million characters/],
  ])("is refused in our words: %#", (text, message) => expect(() => readMeasured(text)).toThrow(message));
  it("in CxF names its colours' light, whichever prefix it has", () => {
    const text =
      '<c:CxF xmlns:c="x"><c:ColorSpecification Id="s"><c:Illuminant>D50</c:Illuminant><c:Observer>2_Degree</c:Observer></c:ColorSpecification><c:Object Name="a"><c:ColorCIELab ColorSpecification="s"><c:L>50</c:L><c:A>1</c:A><c:B>2</c:B></c:ColorCIELab></c:Object></c:CxF>';
    expect(parseCxf(text).how).toEqual({ light: "D50", observer: 2 });
    const after = text.replace(/(<c:ColorSpec.*ion>)(<c:Object.*Object>)/, "$2$1");
    expect(parseCxf(after)).toMatchObject({ how: { light: "D50" }, samples: [{ lab: [50, 1, 2] }] });
  });
});
