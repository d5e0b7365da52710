import { layersOf } from "@/core/media/layer";
import { inkOf } from "@/core/media/registry";
import { isUnder } from "@/core/media/shadow";
import { tonesOf, type Area, type Piece } from "@/core/piece/piece";
import type { Pressure } from "@/core/pencil/tooth";
import { blendLines, CELLS_A_LINE, inkLine, overlayLine, type ChartCell, type ChartLine } from "./layout";

/** Pairs that are laid one over the other: each tone with the next, and what makes a shadow with the tones beneath or over it. */
function overlaid(area: Area): [string, string][] {
  const tones = tonesOf(area).map((t) => t.code);
  const steps = tones.slice(1).map((code, i): [string, string] => [tones[i]!, code]);
  const mids = tones.length > 2 ? tones.slice(1, -1) : tones;
  const shades = layersOf(area.layers, "shadow").flatMap((s) =>
    mids.map((mid): [string, string] => (isUnder(s) ? [s.code, mid] : [mid, s.code])),
  );
  return [...steps, ...shades];
}

/** A piece's inks, then the overlays that its areas make. */
export function pieceLines(piece: Piece): ChartLine[] {
  const inks = [...new Set([...piece.whole.underlay, ...piece.areas.flatMap((a) => inkOf(a.layers))])];
  const pairs = new Map<string, ChartLine>();
  for (const area of piece.areas)
    for (const [first, second] of overlaid(area)) {
      const key = [first, second].sort().join("\n");
      if (first !== second && !pairs.has(key)) pairs.set(key, overlayLine(first, second));
    }
  return [...inks.map(inkLine), ...pairs.values()];
}

const chunks = <T>(list: readonly T[], size: number): T[][] =>
  Array.from({ length: Math.ceil(list.length / size) }, (_, i) => list.slice(i * size, (i + 1) * size));

/** Lines of any stacks, four to a line, under a label. */
export const stackLines = (label: string, cells: readonly ChartCell[]): ChartLine[] =>
  chunks(cells, CELLS_A_LINE).map((own, i) => ({ label: i ? `${label} ${i + 1}` : label, cells: own }));

/** Trials of each pencil over one coat of each marker, four markers to a line. */
export const pencilLines = (pencils: readonly string[], markers: readonly string[]): ChartLine[] =>
  pencils.flatMap((pencil) =>
    chunks(markers, CELLS_A_LINE).map((own) => ({
      label: `${pencil}\nover ${own[0]}…`,
      cells: own.map((m) => ({ stack: [m, pencil] })),
    })),
  );

/** Coats and layers that a cell may have, and letters of a label. */
export const MOST_LAID = 12;
export const LONGEST_LABEL = 120;

/** A trial strip: what lies beneath, and pencils over it, all at one pressure. */
export interface StripWish {
  readonly stack: readonly string[];
  readonly layers: readonly { readonly code: string; readonly layers: number; readonly pressure: Pressure }[];
}

/** Lines of trial strips, one a line, with what is drawn and how hard beside its cell; each drawn twice, so that a hand's own unevenness is seen. */
export const stripLines = (strips: readonly StripWish[], nameOf: (code: string) => string): ChartLine[] =>
  strips.flatMap(({ stack, layers }) => {
    const pressure = layers[0]!.pressure;
    const drawn = layers.flatMap((l) => Array<string>(l.layers).fill(l.code));
    if (stack.length + drawn.length > MOST_LAID) return [];
    const cell: ChartCell = { stack: [...stack, ...drawn], pressure };
    const line: ChartLine = {
      label: [
        `${pressure}${stack.length ? ` on ${stack.join("+")}` : ""}`,
        ...layers.map((l) => `${nameOf(l.code)} x${l.layers}`),
      ]
        .join("\n")
        .slice(0, LONGEST_LABEL),
      cells: [cell, cell],
    };
    return [line];
  });

/** Pairs that tell how ink moves on a paper, and how much darker the second of a pair is to be, L*. */
const BLEND_PAIRS = 6;
const [BLEND_STEP, LEAST_STEP] = [32, 14];

/** Lines of long cells: of each family its lightest ink against one well darker, of families spread over the rack. */
export function blendPage(
  inks: readonly { readonly code: string; readonly family: string; readonly lightness: number }[],
): ChartLine[] {
  const pairs = [...new Set(inks.map((i) => i.family))].flatMap((family): [string, string][] => {
    const own = inks.filter((i) => i.family === family).sort((a, b) => b.lightness - a.lightness);
    const light = own[0]!;
    const off = (i: (typeof own)[number]) => Math.abs(light.lightness - BLEND_STEP - i.lightness);
    const dark = own.reduce((best, i) => (off(i) < off(best) ? i : best));
    return light.lightness - dark.lightness >= LEAST_STEP ? [[light.code, dark.code]] : [];
  });
  const count = Math.min(BLEND_PAIRS, pairs.length);
  return Array.from({ length: count }, (_, i) => pairs[Math.floor((i * pairs.length) / count)]!).flatMap(
    ([light, dark]) => blendLines(light, dark),
  );
}

/**
 * Puts lines of inks whose colour is known already between the others, so that every page tells the camera's own colour: one after every
 * `every` lines, as long as there are any. Known inks that are on the chart anyway are not doubled.
 */
export function interleave(lines: readonly ChartLine[], known: readonly string[], every = 3): ChartLine[] {
  const present = new Set(lines.flatMap((l) => l.cells.map((c) => c.stack[0]!)));
  const free = known.filter((code) => !present.has(code));
  // Spread over all of the known ones, so that no hue is left out.
  const wanted = Math.min(free.length, Math.ceil(lines.length / every));
  const picked = Array.from({ length: wanted }, (_, i) => free[Math.floor((i * free.length) / wanted)]!);
  return lines.flatMap((line, i) =>
    ((i + 1) % every === 0 || i === lines.length - 1) && picked.length
      ? [line, inkLine(picked.shift()!)]
      : [line],
  );
}
