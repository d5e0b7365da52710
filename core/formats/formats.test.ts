import fc from "fast-check";
import { deltaE00 } from "@/core/colour/delta-e00";
import type { Lab } from "@/core/colour/lab";
import { demoColorimeter } from "@/demo/swatchbook";
import { whiteCard } from "@/sim/paper-stock";
import { spectralReading } from "@/core/ink/reading";
import { benchtop, cgatsFile } from "@/sim/spectrophotometer";
import { formatCgats, nameStack, parseCgats, readStack } from "./cgats";
import { FormatError } from "./format-error";
import { formatGpl, parseGpl } from "./gpl";
import { needsLight, readingOf, type MeasuredFile } from "./measured";

const lab = fc
  .tuple(
    fc.integer({ min: 15, max: 95 }),
    fc.integer({ min: -15, max: 15 }),
    fc.integer({ min: -15, max: 15 }),
  )
  .map((v): Lab => v);
const name = fc.stringMatching(/^[a-z]{3,8}[1-9][cmd]?$/);

const labOf = ({ samples, how }: MeasuredFile, at = 0): Lab => readingOf(samples[at]!, how, "D50").lab;

describe("CGATS.17", () => {
  it("goes out and comes back", () =>
    fc.assert(
      fc.property(fc.array(fc.record({ name, lab }), { minLength: 1, maxLength: 6 }), (samples) => {
        const back = parseCgats(formatCgats(samples, 'a "quoted" origin'));
        expect(back.how).toMatchObject({ light: "D65", observer: 2 });
        expect(back.samples.map((s) => s.name)).toEqual(samples.map((s) => s.name));
        samples.forEach((s, n) => expect(deltaE00(labOf(back, n), s.lab)).toBeLessThan(0.01));
      }),
    ));
  it("stays one row a reading, whatever a name holds", () => {
    const samples = [{ name: 'a\r\nEND_DATA\t"b"', lab: [60, 10, 12] as const }];
    expect(parseCgats(formatCgats(samples, "x\ny")).samples.map((s) => s.name)).toEqual(['a END_DATA "b"']);
  });
  it("goes out with spectra, and comes back with them", () => {
    const reflectance = Float64Array.from({ length: 36 }, (_, i) => 0.1 + 0.02 * i);
    const samples = [
      { name: "clay3m", lab: [60, 10, 12] as const },
      { name: "fern2c", lab: spectralReading(reflectance).lab, reflectance },
    ];
    const back = parseCgats(formatCgats(samples, "x"));
    expect(back.samples.map((s) => s.name)).toEqual(["clay3m", "fern2c"]);
    expect(back.samples[0]!.reflectance).toBeUndefined();
    back.samples[1]!.reflectance!.forEach((r, i) => expect(r).toBeCloseTo(reflectance[i]!, 4));
  });
  it("takes a colorimeter's file, XYZ, and spectra in percent", () => {
    expect(
      parseCgats(demoColorimeter(whiteCard, [["clay3m"], ["clay3m", "clay3m"]], ["clay3m", "clay3m ×2"], 3))
        .samples,
    ).toHaveLength(6);
    const xyz =
      "CGATS.17\nILLUMINANT D65\nBEGIN_DATA_FORMAT\nSAMPLE_ID XYZ_X XYZ_Y XYZ_Z\nEND_DATA_FORMAT\nBEGIN_DATA\n1 41.24 21.26 1.93 # red\nEND_DATA\n";
    expect(labOf(parseCgats(xyz))[0]).toBeCloseTo(53.2, 0);
    const bands = Array.from({ length: 36 }, (_, i) => `NM${380 + 10 * i}`);
    const flat = `CGATS.17\nBEGIN_DATA_FORMAT\nSAMPLE_NAME ${bands.join(" ")}\nEND_DATA_FORMAT\nBEGIN_DATA\n"grey" ${bands.map(() => "18.4").join(" ")}\nEND_DATA`;
    const grey = labOf(parseCgats(flat));
    expect(grey[0]).toBeCloseTo(50, 0);
    expect(Math.hypot(grey[1], grey[2])).toBeLessThan(0.1);
  });
  it("asks for the light of colours that it does not tell, and takes spectra before colours", () => {
    const readings = [{ name: "clay3m", values: Array.from({ length: 36 }, (_, i) => 0.2 + 0.01 * i) }];
    const samples = [Float64Array.from({ length: 71 }, (_, i) => 0.2 + 0.005 * i)];
    const of = (options: Parameters<typeof cgatsFile>[2]) =>
      parseCgats(cgatsFile(readings, benchtop, options));
    const silent = of({ samples, bands: false, light: "" });
    expect(silent.how.light).toBeUndefined();
    expect(needsLight(silent)).toBe(true);
    const d50 = of({ samples, bands: false });
    expect(d50.how).toMatchObject({ light: "D50", observer: 2, condition: "M1", backing: "white" });
    expect(needsLight(d50)).toBe(false);
    const both = of({ samples, light: "" });
    expect(needsLight(both)).toBe(false);
    // The same patch by its spectrum, and by its colour under the light that is told.
    expect(deltaE00(labOf(both), labOf(d50))).toBeLessThan(0.5);
    // A header that is wrong is wrong by as much as the lights are apart.
    const lie = of({ samples, bands: false, light: "D65" });
    expect(deltaE00(labOf(both), labOf(lie))).toBeGreaterThan(deltaE00(labOf(both), labOf(d50)));
  });
  it.each([
    ["F11", /under F11.*spectra/],
    ["D75", /under D75.*spectra/],
  ])("refuses colours under %s, which nothing here can carry over", (light, message) => {
    const readings = [{ name: "clay3m", values: [] }];
    const file = parseCgats(
      cgatsFile(readings, benchtop, { samples: [new Float64Array(71).fill(0.4)], bands: false, light }),
    );
    expect(() => labOf(file)).toThrow(message);
  });
  it("tells light, observer and condition in whichever words", () => {
    const how = (line: string) =>
      parseCgats(
        `${line}\nBEGIN_DATA_FORMAT\nLAB_L LAB_A LAB_B\nEND_DATA_FORMAT\nBEGIN_DATA\n50 1 2\nEND_DATA`,
      ).how;
    expect(how("ILLUMINATION_NAME D50")).toEqual({ light: "D50" });
    expect(how('ILLUMINANT "A"')).toEqual({ light: "A" });
    expect(how('WEIGHTING_FUNCTION "OBSERVER, 10 degree"')).toEqual({ observer: 10 });
    expect(how('OBSERVER "1964"')).toEqual({ observer: 10 });
    expect(how('INSTRUMENTATION "45/0, D65, 2 degree"')).toMatchObject({ light: "D65", observer: 2 });
    expect(how('FILTER "M2 UVcut"')).toMatchObject({ condition: "M2", filter: "M2 UVcut" });
    expect(how('ORIGINATOR "Daylight A50 Ltd"')).toEqual({});
  });
  it("reads twenty thousand spectra in linear time", () => {
    const values = Array.from({ length: 36 }, () => 0.5);
    const text = cgatsFile(
      Array.from({ length: 20_000 }, (_, i) => ({ name: `p${i}`, values })),
      benchtop,
    );
    expect(parseCgats(text).samples).toHaveLength(20_000);
    const more = cgatsFile(
      Array.from({ length: 20_001 }, (_, i) => ({ name: `p${i}`, values })),
      benchtop,
    );
    expect(() => parseCgats(more)).toThrow(/at most 20000 samples/);
  });
  it.each([
    ["hello", /at least one sample/],
    ["BEGIN_DATA\n1 2 3\nEND_DATA", /line 1: expected BEGIN_DATA_FORMAT/],
    [
      "BEGIN_DATA_FORMAT\nSAMPLE_ID LAB_L LAB_A LAB_B\nEND_DATA_FORMAT\nBEGIN_DATA\n1 50 0\nEND_DATA",
      /line 5: expected 4 values/,
    ],
    [
      "BEGIN_DATA_FORMAT\nSAMPLE_ID LAB_L LAB_A LAB_B\nEND_DATA_FORMAT\nBEGIN_DATA\n1 fifty 0 0\nEND_DATA",
      /line 5: expected a number for LAB_L; found "fifty"/,
    ],
    [
      "BEGIN_DATA_FORMAT\nSAMPLE_ID LAB_L LAB_A LAB_B\nEND_DATA_FORMAT\nBEGIN_DATA\n1 150 0 0\nEND_DATA",
      /line 5: expected a colour/,
    ],
    ["BEGIN_DATA_FORMAT\nSAMPLE_ID LAB_L LAB_A LAB_B\nEND_DATA_FORMAT\nBEGIN_DATA\n1 50 0 0\n", /breaks off/],
    [
      "BEGIN_DATA_FORMAT\nSAMPLE_ID DENSITY\nEND_DATA_FORMAT\nBEGIN_DATA\n1 0.5\nEND_DATA",
      /LAB_L LAB_A LAB_B, or XYZ_X/,
    ],
  ])("says what is wrong with %j", (text, message) => {
    expect(() => parseCgats(text)).toThrow(FormatError);
    expect(() => parseCgats(text)).toThrow(message);
  });
});

describe("the name of a stack", () => {
  it("reads back", () =>
    fc.assert(
      fc.property(fc.array(name, { minLength: 1, maxLength: 8 }), (stack) =>
        expect(readStack(nameStack(stack))).toEqual(stack),
      ),
    ));
  it("counts coats, and knows bare paper and what is no stack", () => {
    expect(nameStack(["clay3m", "clay3m", "dusk2c"])).toBe("clay3m ×2 + dusk2c");
    expect(readStack("65.kelp.x x3")).toEqual(["65.kelp.x", "65.kelp.x", "65.kelp.x"]);
    expect(readStack("paper")).toEqual([]);
    expect(readStack("")).toBeUndefined();
    expect(readStack("clay3m ×40")).toBeUndefined();
  });
});

describe("GIMP palettes", () => {
  it("go out and come back within an 8-bit step", () => {
    const colours = [
      { name: "clay3m", lab: [70, 15, 18] as const },
      { name: "80.gorse", lab: [90, -2, 30] as const },
    ];
    const back = parseGpl(formatGpl("Rack", colours));
    expect(back.map((c) => c.name)).toEqual(["clay3m", "80.gorse"]);
    back.forEach((c, i) => expect(deltaE00(c.lab, colours[i]!.lab)).toBeLessThan(0.6));
  });
  it("take comments, headers and colours without a name; refuse the rest by line", () => {
    expect(
      parseGpl("GIMP Palette\nName: x\nColumns: 3\n# c\n 255   0   0\tred\n0 0 0\n").map((c) => c.name),
    ).toEqual(["red", "#000000"]);
    expect(() => parseGpl("255 0 0 red")).toThrow(/line 1/);
    expect(() => parseGpl("GIMP Palette\n#\n300 0 0 red")).toThrow(
      /line 3: expected three numbers from 0 to 255/,
    );
  });
});
