import { displayLab, rgb8ToLab } from "@/core/colour/display";
import type { Lab } from "@/core/colour/lab";
import { FormatError } from "./format-error";

/** One colour of a GIMP palette. */
export interface PaletteColour {
  readonly name: string;
  readonly lab: Lab;
  readonly hex: string;
  readonly line: number;
}

/**
 * Colours of a GIMP palette (.gpl): "GIMP Palette", then lines of three 8-bit numbers and a name.
 * @throws FormatError naming the line
 */
export function parseGpl(text: string): PaletteColour[] {
  const lines = text.replace(/^\uFEFF/, "").split(/\r\n|\r|\n/);
  if (lines[0]?.trim() !== "GIMP Palette")
    throw new FormatError(1, 'expected "GIMP Palette" on the first line');
  return lines.flatMap((raw, i) => {
    const line = raw.trim();
    if (i === 0 || !line || line.startsWith("#") || /^(Name|Columns|Channels):/i.test(line)) return [];
    const match = /^(\d{1,3})\s+(\d{1,3})\s+(\d{1,3})(?:\s+(.*))?$/.exec(line);
    const rgb = match?.slice(1, 4).map(Number);
    if (!rgb || rgb.some((v) => v > 255))
      throw new FormatError(
        i + 1,
        `expected three numbers from 0 to 255 and a name; found "${line.slice(0, 60)}"`,
      );
    const hex = `#${rgb.map((v) => v.toString(16).padStart(2, "0")).join("")}`;
    return [{ name: match![4]?.trim() || hex, lab: rgb8ToLab(rgb[0]!, rgb[1]!, rgb[2]!), hex, line: i + 1 }];
  });
}

/** GIMP palette of colours. */
export function formatGpl(
  name: string,
  colours: readonly { readonly name: string; readonly lab: Lab }[],
): string {
  const rows = colours.map(({ name: own, lab }) => {
    const { hex } = displayLab(lab);
    const rgb = [1, 3, 5].map((i) => String(Number.parseInt(hex.slice(i, i + 2), 16)).padStart(3));
    return `${rgb.join(" ")}\t${own.replace(/[\r\n]+/g, " ")}`;
  });
  return ["GIMP Palette", `Name: ${name.replace(/[\r\n]+/g, " ")}`, "Columns: 0", "#", ...rows, ""].join(
    "\n",
  );
}
