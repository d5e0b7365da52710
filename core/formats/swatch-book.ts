import { strToU8, zipSync } from "fflate";
import { SaxesParser } from "saxes";
import { FormatError } from "./format-error";
import type { PaletteColour } from "./gpl";
import { byLab, byRgb, MOST_COLOURS, noLook, rgbOf, shortened, type NamedColour } from "./palettes";
import { xmlText } from "./xml-text";

/** The part of a swatch book (.sbz) that has its colours. */
export const BOOK = "swatchbook.xml";
const LONGEST_TEXT = 400;

/** Levels of red, green and blue, 0–1, of a hue (0–1 round), a saturation and a lightness. */
function ofHsl([h, s, l]: readonly number[]): number[] {
  const reach = s! * Math.min(l!, 1 - l!);
  return [0, 8, 4].map((n) => {
    const k = (n + 12 * h!) % 12;
    return l! - reach * Math.max(-1, Math.min(k - 3, 9 - k, 1));
  });
}

/** Of the models in which a colour is written that one which looks the same everywhere, the surest first. */
const MODELS: Readonly<Record<string, (name: string, v: readonly number[], line: number) => PaletteColour>> =
  {
    lab: (name, v, line) => byLab(name, [v[0]!, v[1]!, v[2]!], line),
    rgb: (name, v, line) => byRgb(name, v[0]!, v[1]!, v[2]!, line),
    srgb: (name, v, line) => byRgb(name, v[0]!, v[1]!, v[2]!, line),
    hsl: (name, v, line) => {
      const [r, g, b] = ofHsl(v);
      return byRgb(name, r!, g!, b!, line);
    },
    hsv: (name, [h, s, v], line) => {
      const l = v! * (1 - s! / 2);
      const [r, g, b] = ofHsl([h!, l > 0 && l < 1 ? (v! - l) / Math.min(l, 1 - l) : 0, l]);
      return byRgb(name, r!, g!, b!, line);
    },
    gray: (name, v, line) => byRgb(name, 1 - v[0]!, 1 - v[0]!, 1 - v[0]!, line),
  };
const NUMBERS: Readonly<Record<string, number>> = { gray: 1 };

/**
 * Colours of a swatch book: its materials, each with a name and one or several ways to write its colour.
 * @param text the XML in it
 * @throws FormatError naming the line
 */
export function parseSwatchBook(text: string): PaletteColour[] {
  const parser = new SaxesParser();
  const out: PaletteColour[] = [];
  let colour:
    { title: string; id: string; line: number; values: Map<string, number[]>; other?: string } | undefined;
  let within = "";
  let model = "";
  let said = "";
  const local = (name: string) => name.slice(name.indexOf(":") + 1);
  parser.on("error", (e) => {
    throw new FormatError(
      parser.line,
      `expected well-formed XML: ${e.message.replace(/^\d+:\d+: /, "").slice(0, 100)}`,
    );
  });
  parser.on("opentag", ({ name, attributes }) => {
    within = local(name);
    said = "";
    if (within === "color") colour = { title: "", id: "", line: parser.line, values: new Map() };
    if (within === "values")
      model = (Object.entries(attributes).find(([n]) => n === "model")?.[1] ?? "").toLowerCase();
  });
  parser.on("text", (t) => {
    if (said.length < LONGEST_TEXT) said += t;
  });
  parser.on("closetag", ({ name }) => {
    const tag = local(name);
    if (!colour) return;
    if (tag === "title") colour.title = said.trim();
    if (tag === "identifier") colour.id = said.trim();
    if (tag === "values") {
      const numbers = said.trim().split(/\s+/).map(Number);
      if (!(model in MODELS)) colour.other = model.toUpperCase() || "no model";
      else if (numbers.length !== (NUMBERS[model] ?? 3) || !numbers.every(Number.isFinite))
        throw new FormatError(
          parser.line,
          `expected ${NUMBERS[model] ?? 3} numbers for a colour in ${model.toUpperCase()}`,
        );
      else colour.values.set(model, numbers);
    }
    if (tag !== "color") return;
    const found = Object.keys(MODELS).find((m) => colour!.values.has(m));
    if (!found) throw noLook(out.length + 1, colour.other ?? "no model");
    out.push(MODELS[found]!(colour.title || colour.id, colour.values.get(found)!, colour.line));
    if (out.length > MOST_COLOURS)
      throw new FormatError(parser.line, `expected at most ${MOST_COLOURS} colours`);
    colour = undefined;
  });
  parser.write(text.replace(/^\uFEFF/, "")).close();
  if (!out.length) throw new FormatError(0, "expected at least one colour");
  return out;
}

/** A swatch book (.sbz) of colours, in sRGB. */
export function formatSwatchBook(title: string, colours: readonly NamedColour[]): Uint8Array {
  const materials = colours.map(({ name, lab }, i) => {
    const rgb = rgbOf(lab).map((v) => (v / 255).toFixed(6));
    return `  <color>\n   <metadata>\n    <dc:identifier>c${i + 1}</dc:identifier>\n    <dc:title>${xmlText(shortened(name))}</dc:title>\n   </metadata>\n   <values model="RGB" space="sRGB">${rgb.join(" ")}</values>\n  </color>`;
  });
  const xml = `<?xml version="1.0" encoding="UTF-8"?>
<SwatchBook version="0.2" xmlns:dc="http://purl.org/dc/elements/1.1/">
 <metadata>
  <dc:title>${xmlText(shortened(title))}</dc:title>
 </metadata>
 <materials>
${materials.join("\n")}
 </materials>
 <book>
${colours.map((_, i) => `  <swatch material="c${i + 1}"/>`).join("\n")}
 </book>
</SwatchBook>
`;
  return zipSync({ [BOOK]: strToU8(xml) });
}
