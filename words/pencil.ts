import type { LaidPencil, Shortfall } from "@/core/pencil/plan";
import type { Pass } from "@/core/media/medium";
import { chroma, type Lab } from "@/core/colour/lab";
import { colourInWords } from "./colour";
import { differenceWords } from "./closeness";
import { counted, signed } from "./numbers";

/** How one colour lies from another of the same lightness, in plain words. */
function apartInWords(found: Lab, wanted: Lab): string {
  const stronger = chroma(found) - chroma(wanted);
  const how = Math.abs(stronger) > 12 ? "clearly" : "a little";
  if (Math.abs(stronger) > 2) return `${how} ${stronger < 0 ? "duller" : "stronger in colour"}`;
  return `as strong, ${colourInWords(found)} where ${colourInWords(wanted)} is wanted`;
}

/** Why a value of a pencil plan is out of reach. */
export function shortfallInWords(s: Shortfall): string {
  switch (s.kind) {
    case "no dark pencil":
      return "no pencil at hand is dark enough";
    case "darkest too light":
      return `the darkest pencil at hand, ${s.code}, gives lightness ${signed(s.lightness)}`;
    case "colour would go":
      return `deeper layers of ${s.code} would take its colour away: it still reads as itself down to lightness ${signed(s.lightness)}`;
    case "white stops":
      return `white over this ground stops at lightness ${signed(s.lightness)}`;
    case "no white pencil":
      return "no white pencil is at hand to lighten it";
    case "hue out of reach":
      return `your pencils cannot reach this hue; the nearest is ${apartInWords(s.found, s.wanted)}`;
  }
}

/** Over what else a value that is out of reach would come nearer. */
export const reachInWords = (code: string, coats: number, off: number): string =>
  `over ${coats > 1 ? `${counted(coats, "coat")} of ` : ""}${code} it would come out ${differenceWords(off)}`;

/** That a value is predicted near what is wanted, but not surely. */
export const unsureInWords = (doubt: number): string =>
  `predicted near, but may come out up to ${doubt.toFixed(0)} ΔE00 from that`;

/** Parts of a pencil drawing, short enough for a chip. */
export const partInWords: Readonly<Record<LaidPencil["part"], string>> = {
  "dark beneath": "dark",
  "white beneath": "white",
  "over all": "over",
};

/** The name on a pencil, without saying again that it is one. */
export const pencilName = (code: string): string => code.replace(/^pencil /, "");

/** Where a pencil of a plan is used, and how. */
export function drawingInWords({ part, strokes }: NonNullable<Pass["drawing"]>): {
  readonly where: string;
  readonly stroke: string;
} {
  const value = (v: number) => `lightness ${v.toFixed(0)}`;
  const values = strokes.map((s) => s.lightness);
  const layers = strokes.map((s) => s.layers);
  const pressures = [...new Set(strokes.map((s) => s.pressure))];
  const [fewest, most] = [Math.min(...layers), Math.max(...layers)];
  return {
    where: `${part}: ${
      values.length === 1
        ? `at ${value(values[0]!)}`
        : `${value(Math.max(...values))} to ${value(Math.min(...values))}`
    }`,
    stroke: `${fewest === most ? most : `${fewest}–${most}`} layers, ${pressures.join(" to ")}; short strokes, sharp point`,
  };
}
