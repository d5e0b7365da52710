import { displayLab, labToHex, rgb8ToLab } from "@/core/colour/display";
import type { Lab } from "@/core/colour/lab";
import { SaxesParser } from "saxes";
import { FormatError } from "./format-error";
import type { PaletteColour } from "./gpl";
import { xmlText } from "./xml-text";

/** A colour as it goes into a palette. */
export interface NamedColour {
  readonly name: string;
  readonly lab: Lab;
}

export const MOST_COLOURS = 20_000;
const LONGEST_NAME = 120;

export const byRgb = (name: string, r: number, g: number, b: number, line: number): PaletteColour => {
  const bytes = [r, g, b].map((v) => Math.min(255, Math.max(0, Math.round(255 * v))));
  const hex = `#${bytes.map((v) => v.toString(16).padStart(2, "0")).join("")}`;
  return {
    name: name.slice(0, LONGEST_NAME) || hex,
    lab: rgb8ToLab(bytes[0]!, bytes[1]!, bytes[2]!),
    hex,
    line,
  };
};
/** Lab of palettes is adapted to the screen's white by the programs that show it: its numbers stand for what one sees there. */
export const byLab = (name: string, lab: Lab, line: number): PaletteColour => {
  const hex = labToHex(lab);
  return { name: name.slice(0, LONGEST_NAME) || hex, lab, hex, line };
};
export const noLook = (line: number, model: string) =>
  new FormatError(
    line,
    `expected colours in RGB, grey or Lab; colour ${line} is in ${model}, which looks otherwise on each press: save the palette in RGB`,
  );

/** Reads numbers one after another, and says where a file breaks off. */
function reader(bytes: Uint8Array) {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  let at = 0;
  const step = (n: number): number => {
    if (at + n > bytes.length) throw new FormatError(0, "expected more: the file breaks off");
    at += n;
    return at - n;
  };
  return {
    u16: () => view.getUint16(step(2)),
    i16: () => view.getInt16(step(2)),
    u32: () => view.getUint32(step(4)),
    f32: () => view.getFloat32(step(4)),
    word: (n: number) => String.fromCharCode(...bytes.subarray(step(n), at)),
    /** UTF-16 with a nought at its end, so many units. */
    name: (units: number) => {
      const from = step(2 * units);
      let out = "";
      for (let i = 0; i < Math.min(units, LONGEST_NAME + 1); i++)
        out += String.fromCharCode(view.getUint16(from + 2 * i));
      return out.replace(/\0[^]*$/, "");
    },
    skipTo: (to: number) => void step(to - at),
    at: () => at,
    left: () => bytes.length - at,
  };
}

/** Whether a file is a swatch exchange palette: it says so in its first four letters. */
export const isAse = (bytes: Uint8Array): boolean => String.fromCharCode(...bytes.subarray(0, 4)) === "ASEF";

/**
 * Colours of a swatch exchange palette (.ase): blocks of names and values; groups are passed over.
 * @throws FormatError naming the colour
 */
export function parseAse(bytes: Uint8Array): PaletteColour[] {
  const from = reader(bytes);
  if (from.word(4) !== "ASEF") throw new FormatError(0, 'expected "ASEF" at the beginning');
  from.u32();
  const blocks = from.u32();
  const out: PaletteColour[] = [];
  for (let b = 0; b < blocks; b++) {
    const kind = from.u16();
    const length = from.u32();
    const end = from.at() + length;
    if (kind === 0x0001) {
      const name = from.name(from.u16());
      const model = from.word(4);
      const line = out.length + 1;
      if (line > MOST_COLOURS) throw new FormatError(line, `expected at most ${MOST_COLOURS} colours`);
      const values = (n: number) => Array.from({ length: n }, () => from.f32());
      const sound = (v: readonly number[]) => {
        if (!v.every(Number.isFinite)) throw new FormatError(line, "expected numbers for a colour");
        return v;
      };
      if (model === "RGB ") {
        const [r, g, c] = sound(values(3));
        out.push(byRgb(name, r!, g!, c!, line));
      } else if (model === "Gray") {
        const [v] = sound(values(1));
        out.push(byRgb(name, v!, v!, v!, line));
      } else if (model === "LAB ") {
        const [L, a, c] = sound(values(3));
        out.push(byLab(name, [Math.min(100, Math.max(0, 100 * L!)), clamped(a!), clamped(c!)], line));
      } else throw noLook(line, model.trim() || "no model");
    }
    from.skipTo(end);
  }
  if (!out.length) throw new FormatError(0, "expected at least one colour");
  return out;
}

const clamped = (v: number) => Math.min(128, Math.max(-128, v));

/**
 * Colours of a swatch palette (.aco): the second list, which has names, where there is one.
 * @throws FormatError naming the colour
 */
export function parseAco(bytes: Uint8Array): PaletteColour[] {
  const from = reader(bytes);
  const list = (named: boolean): PaletteColour[] =>
    Array.from({ length: from.u16() }, (_, i) => {
      const space = from.u16();
      const at = from.at();
      const [w, x, y] = [from.u16(), from.u16(), from.u16(), from.u16()];
      let name = "";
      if (named) {
        from.u16();
        name = from.name(from.u16());
      }
      const line = i + 1;
      if (space === 0) return byRgb(name, w! / 65535, x! / 65535, y! / 65535, line);
      if (space === 8) return byRgb(name, 1 - w! / 10_000, 1 - w! / 10_000, 1 - w! / 10_000, line);
      if (space === 7) {
        const signed = new DataView(bytes.buffer, bytes.byteOffset + at, 6);
        return byLab(
          name,
          [Math.min(100, w! / 100), clamped(signed.getInt16(2) / 100), clamped(signed.getInt16(4) / 100)],
          line,
        );
      }
      throw noLook(line, space === 2 ? "CMYK" : `space ${space}`);
    });
  const first = from.u16();
  if (first !== 1 && first !== 2) throw new FormatError(0, "expected a palette of version 1 or 2");
  const plain = list(first === 2);
  const out = first === 1 && from.left() > 4 && from.u16() === 2 ? list(true) : plain;
  if (!out.length) throw new FormatError(0, "expected at least one colour");
  return out;
}

/**
 * Colours of an office program's palette (.soc): elements with a name and a colour.
 * @throws FormatError naming the line
 */
export function parseSoc(text: string): PaletteColour[] {
  const parser = new SaxesParser();
  const out: PaletteColour[] = [];
  parser.on("error", (e) => {
    throw new FormatError(
      parser.line,
      `expected well-formed XML: ${e.message.replace(/^\d+:\d+: /, "").slice(0, 100)}`,
    );
  });
  parser.on("opentag", ({ attributes }) => {
    const own = Object.entries(attributes);
    const of = (name: string) => own.find(([n]) => n.slice(n.indexOf(":") + 1) === name)?.[1];
    const hex = /^#([0-9a-f]{6})$/i.exec(of("color") ?? "")?.[1];
    if (!hex) return;
    const [r, g, b] = [0, 2, 4].map((i) => Number.parseInt(hex.slice(i, i + 2), 16) / 255);
    out.push(byRgb(of("name") ?? "", r!, g!, b!, parser.line));
    if (out.length > MOST_COLOURS)
      throw new FormatError(parser.line, `expected at most ${MOST_COLOURS} colours`);
  });
  parser.write(text.replace(/^\uFEFF/, "")).close();
  if (!out.length) throw new FormatError(0, "expected at least one colour");
  return out;
}

const VARIABLE = /--([\w-]{1,120})\s*:\s*#([0-9a-f]{3}|[0-9a-f]{6})\b/gi;

/** Whether a text is a style sheet that names colours. */
export const isCssPalette = (text: string): boolean => text.includes("{") && text.search(VARIABLE) >= 0;

/** Colours that a style sheet names: `--clay3m: #c8a27a;`. */
export function parseCss(text: string): PaletteColour[] {
  const out: PaletteColour[] = [];
  let [line, seen] = [1, 0];
  for (const found of text.matchAll(VARIABLE)) {
    for (; seen < found.index; seen++) if (text[seen] === "\n") line++;
    const said = found[2]!;
    const hex = said.length === 3 ? [...said].map((c) => c + c).join("") : said;
    const [r, g, b] = [0, 2, 4].map((i) => Number.parseInt(hex.slice(i, i + 2), 16) / 255);
    out.push(byRgb(found[1]!, r!, g!, b!, line));
    if (out.length > MOST_COLOURS) throw new FormatError(line, `expected at most ${MOST_COLOURS} colours`);
  }
  if (!out.length) throw new FormatError(0, "expected at least one colour such as --clay: #c8a27a;");
  return out;
}

export const rgbOf = (lab: Lab): [number, number, number] => {
  const { hex } = displayLab(lab);
  return [1, 3, 5].map((i) => Number.parseInt(hex.slice(i, i + 2), 16)) as [number, number, number];
};
export const shortened = (name: string) => name.replace(/[\r\n]+/g, " ").slice(0, LONGEST_NAME);

/** A swatch exchange palette of colours, in sRGB. */
export function formatAse(colours: readonly NamedColour[]): Uint8Array {
  const names = colours.map((c) => `${shortened(c.name)}\0`);
  const size = names.reduce((sum, n) => sum + 6 + 2 + 2 * n.length + 4 + 12 + 2, 12);
  const out = new DataView(new ArrayBuffer(size));
  let at = 0;
  const word = (text: string) => [...text].forEach((c) => out.setUint8(at++, c.charCodeAt(0)));
  const u16 = (v: number) => {
    out.setUint16(at, v);
    at += 2;
  };
  const u32 = (v: number) => {
    out.setUint32(at, v);
    at += 4;
  };
  word("ASEF");
  u16(1);
  u16(0);
  u32(colours.length);
  colours.forEach(({ lab }, i) => {
    const name = names[i]!;
    u16(1);
    u32(2 + 2 * name.length + 4 + 12 + 2);
    u16(name.length);
    for (let k = 0; k < name.length; k++) u16(name.charCodeAt(k));
    word("RGB ");
    for (const v of rgbOf(lab)) {
      out.setFloat32(at, v / 255);
      at += 4;
    }
    u16(2);
  });
  return new Uint8Array(out.buffer);
}

/** A swatch palette of colours (.aco), in sRGB, both of its lists. */
export function formatAco(colours: readonly NamedColour[]): Uint8Array {
  const names = colours.map((c) => `${shortened(c.name)}\0`);
  const plain = 4 + 10 * colours.length;
  const out = new DataView(new ArrayBuffer(plain + 4 + names.reduce((sum, n) => sum + 14 + 2 * n.length, 0)));
  let at = 0;
  const u16 = (v: number) => {
    out.setUint16(at, v);
    at += 2;
  };
  for (const version of [1, 2]) {
    u16(version);
    u16(colours.length);
    colours.forEach(({ lab }, i) => {
      u16(0);
      rgbOf(lab).forEach((v) => u16(v * 257));
      u16(0);
      if (version === 1) return;
      u16(0);
      u16(names[i]!.length);
      for (let k = 0; k < names[i]!.length; k++) u16(names[i]!.charCodeAt(k));
    });
  }
  return new Uint8Array(out.buffer);
}

/** An office program's palette (.soc). */
export const formatSoc = (colours: readonly NamedColour[]): string =>
  `<?xml version="1.0" encoding="UTF-8"?>
<office:color-table xmlns:office="http://openoffice.org/2000/office" xmlns:draw="http://openoffice.org/2000/drawing">
${colours.map((c) => ` <draw:color draw:name="${xmlText(shortened(c.name))}" draw:color="${displayLab(c.lab).hex}"/>`).join("\n")}
</office:color-table>
`;

/** A style sheet that names colours. */
export const formatCss = (colours: readonly NamedColour[]): string =>
  `:root {\n${colours.map((c) => `  --${shortened(c.name).replace(/[^\w-]+/g, "-")}: ${displayLab(c.lab).hex};`).join("\n")}\n}\n`;
