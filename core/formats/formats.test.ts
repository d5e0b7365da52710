import fc from "fast-check";
import { deltaE00 } from "@/core/colour/delta-e00";
import type { Lab } from "@/core/colour/lab";
import { demoColorimeter } from "@/demo/swatchbook";
import { whiteCard } from "@/sim/paper-stock";
import { formatCgats, nameStack, parseCgats, readStack } from "./cgats";
import { FormatError } from "./format-error";
import { formatGpl, parseGpl } from "./gpl";

const lab = fc
  .tuple(
    fc.integer({ min: 15, max: 95 }),
    fc.integer({ min: -15, max: 15 }),
    fc.integer({ min: -15, max: 15 }),
  )
  .map((v): Lab => v);
const name = fc.stringMatching(/^[a-z]{3,8}[1-9][cmd]?$/);

describe("CGATS.17", () => {
  it("goes out and comes back", () =>
    fc.assert(
      fc.property(fc.array(fc.record({ name, lab }), { minLength: 1, maxLength: 6 }), (samples) => {
        const back = parseCgats(formatCgats(samples, 'a "quoted" origin'));
        expect(back.map((s) => s.name)).toEqual(samples.map((s) => s.name));
        back.forEach((s, i) => expect(deltaE00(s.lab, samples[i]!.lab)).toBeLessThan(0.01));
      }),
    ));
  it("takes a colorimeter's file, XYZ, and spectra", () => {
    expect(
      parseCgats(demoColorimeter(whiteCard, [["clay3m"], ["clay3m", "clay3m"]], ["clay3m", "clay3m ×2"], 3)),
    ).toHaveLength(6);
    const xyz =
      "CGATS.17\nBEGIN_DATA_FORMAT\nSAMPLE_ID XYZ_X XYZ_Y XYZ_Z\nEND_DATA_FORMAT\nBEGIN_DATA\n1 41.24 21.26 1.93 # red\nEND_DATA\n";
    expect(parseCgats(xyz)[0]!.lab[0]).toBeCloseTo(53.2, 0);
    const bands = Array.from({ length: 36 }, (_, i) => `NM${380 + 10 * i}`);
    const flat = `CGATS.17\nBEGIN_DATA_FORMAT\nSAMPLE_NAME ${bands.join(" ")}\nEND_DATA_FORMAT\nBEGIN_DATA\n"grey" ${bands.map(() => "18.4").join(" ")}\nEND_DATA`;
    const [grey] = parseCgats(flat);
    expect(grey!.lab[0]).toBeCloseTo(50, 0);
    expect(Math.hypot(grey!.lab[1], grey!.lab[2])).toBeLessThan(0.1);
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
      /LAB_L LAB_A LAB_B, or XYZ/,
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
