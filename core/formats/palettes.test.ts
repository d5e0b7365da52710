import fc from "fast-check";
import { strFromU8, unzipSync } from "fflate";
import { deltaE00 } from "@/core/colour/delta-e00";
import { rgb8ToLab } from "@/core/colour/display";
import { FormatError } from "./format-error";
import {
  formatAco,
  formatAse,
  formatCss,
  formatSoc,
  isAse,
  isCssPalette,
  parseAco,
  parseAse,
  parseCss,
  parseSoc,
} from "./palettes";
import { BOOK, formatSwatchBook, parseSwatchBook } from "./swatch-book";

/** The XML in a swatch book. */
const bookText = (own: Parameters<typeof formatAse>[0]) =>
  strFromU8(unzipSync(formatSwatchBook("Mine", own))[BOOK]!);
const byte = fc.integer({ min: 0, max: 255 });
const colours = fc.array(
  fc.record({ name: fc.stringMatching(/^[a-z]{3,8}[1-9][cmd]?$/), rgb: fc.tuple(byte, byte, byte) }),
  { minLength: 1, maxLength: 8 },
);
const ways = [
  ["ASE", formatAse, parseAse],
  ["ACO", formatAco, parseAco],
  ["SOC", formatSoc, parseSoc],
  ["CSS", formatCss, parseCss],
  ["SBZ", bookText, parseSwatchBook],
] as const;

describe.each(ways)("a palette as %s", (_, format, parse) => {
  const read = parse as (file: Uint8Array | string) => ReturnType<typeof parseAse>;
  it("goes out and comes back, 8 bits for 8 bits", () =>
    fc.assert(
      fc.property(colours, (own) => {
        const named = own.map(({ name, rgb }) => ({ name, lab: rgb8ToLab(...rgb) }));
        const back = read(format(named));
        expect(back.map((c) => c.name)).toEqual(own.map((c) => c.name));
        back.forEach((c, i) => expect(deltaE00(c.lab, named[i]!.lab)).toBeLessThan(0.01));
      }),
    ));
  it("is refused in words where it breaks off or holds nothing", () => {
    const whole = format([{ name: "clay3m", lab: [60, 10, 12] }]);
    for (let n = 0; n < whole.length; n += 3) {
      try {
        const found = read(whole.slice(0, n));
        expect(found.length).toBeGreaterThan(0);
      } catch (e) {
        expect(e).toBeInstanceOf(FormatError);
      }
    }
  });
});

describe("palettes of other programs", () => {
  it("may have Lab and grey; colours of a press have no look of their own", () => {
    const aco = (space: number, ...values: number[]) =>
      Uint8Array.from([
        0,
        1,
        0,
        1,
        0,
        space,
        ...[...values, 0, 0, 0, 0].slice(0, 4).flatMap((v) => [(v >> 8) & 255, v & 255]),
      ]);
    expect(parseAco(aco(7, 6000, 65536 - 1000, 2000))[0]!.lab).toEqual([60, -10, 20]);
    expect(parseAco(aco(8, 5000))[0]!.hex).toBe("#808080");
    expect(() => parseAco(aco(2, 1, 2, 3, 4))).toThrow(/colour 1 is in CMYK/);
    expect(() => parseAco(Uint8Array.from([0, 9, 0, 1]))).toThrow(/version 1 or 2/);
  });
  it("are known by what they begin with", () => {
    expect(isAse(formatAse([{ name: "a", lab: [50, 0, 0] }]))).toBe(true);
    expect(isAse(new Uint8Array(0))).toBe(false);
    expect(isCssPalette(":root{--a:#fff}")).toBe(true);
    expect(isCssPalette("code,name\nclay,#ffffff")).toBe(false);
    expect(parseCss(":root{\n--a: #Fa0;\n --b-c:#010203 }").map((c) => [c.name, c.hex, c.line])).toEqual([
      ["a", "#ffaa00", 2],
      ["b-c", "#010203", 3],
    ]);
  });
  it("that claim more than they hold end at once", () => {
    const lie = formatAse([{ name: "a", lab: [50, 0, 0] }]);
    new DataView(lie.buffer).setUint32(8, 0xffffffff);
    expect(() => parseAse(lie)).toThrow(/breaks off/);
    expect(() => parseAco(Uint8Array.from([0, 1, 255, 255, 0, 0]))).toThrow(/breaks off/);
    expect(() => parseSoc("<a><b></a>")).toThrow(/well-formed/);
  });
  it("in a swatch book may have Lab, grey and hues; of several ways the one that looks the same everywhere is taken", () => {
    const book = (values: string) =>
      `<SwatchBook><materials><color><metadata><dc:identifier xmlns:dc="d">c1</dc:identifier></metadata>${values}</color></materials></SwatchBook>`;
    const hexOf = (values: string) => parseSwatchBook(book(values)).map((c) => [c.name, c.hex]);
    expect(hexOf('<values model="HSV">0.333333 1 1</values>')).toEqual([["c1", "#00ff00"]]);
    expect(hexOf('<values model="HSL">0.666667 1 0.25</values>')).toEqual([["c1", "#000080"]]);
    expect(hexOf('<values model="GRAY">0.2</values>')).toEqual([["c1", "#cccccc"]]);
    expect(hexOf('<values model="CMYK">0 1 1 0</values><values model="Lab">100 0 0</values>')).toEqual([
      ["c1", "#ffffff"],
    ]);
    expect(() => hexOf('<values model="CMYK">0 1 1 0</values>')).toThrow(/in CMYK, which looks otherwise/);
    expect(() => hexOf('<values model="RGB">0 1</values>')).toThrow(/3 numbers/);
    expect(() => hexOf('<values model="RGB">0 1e999 x</values>')).toThrow(/3 numbers/);
    expect(() => parseSwatchBook("<SwatchBook/>")).toThrow(/at least one colour/);
  });
});
