import type { Mark } from "@/core/media/mark";
import type { ToneMapOutput } from "@/compute/operations/tone-map";

/** What the margin says of an area. */
export interface ToneLegend {
  readonly name: string;
  /** Codes of its tones, lightest first. */
  readonly codes: readonly string[];
  /** What is set at its spot on it, one line each. */
  readonly set?: readonly string[];
}

export interface ToneMapDrawing {
  readonly title: string;
  readonly map: ToneMapOutput;
  /** Size of a pixel on the sheet, mm. */
  readonly mmPerPixel: number;
  /** What the margin says; without it there is none, and the drawing is all of it. */
  readonly legendOf?: (id: string) => ToneLegend;
  /** What is set at its spot: drawn over all, white with a dark edge. */
  readonly marks?: readonly Mark[];
  /** The line as a picture: a data address of a PNG. */
  readonly line?: string;
}

/** Patterns from the lightest tone to the darkest: bare, dots, then hatching that gets denser. Units: mm. */
const PATTERNS = [
  "",
  '<circle cx="0.9" cy="0.9" r="0.14"/>',
  '<path d="M0 1.8L1.8 0"/>',
  '<path d="M0 1.2L1.2 0"/>',
  '<path d="M0 1.2L1.2 0M0 0L1.2 1.2"/>',
  '<path d="M0 0.8L0.8 0M0 0L0.8 0.8"/>',
  '<path d="M0 0.6L0.6 0M0 0L0.6 0.6M0 0.3H0.6"/>',
] as const;
const CELLS = [1, 1.8, 1.8, 1.2, 1.2, 0.8, 0.6] as const;

const MARGIN = 46;
const LINE = 3.6;
/** Least height of a column of codes, mm. */
const LEAST_COLUMN = 60;

/** Text that is safe in XML. */
export const escaped = (text: string): string =>
  text.replace(/[&<>"]/g, (c) => ({ "&": "&amp;", "<": "&lt;", ">": "&gt;", '"': "&quot;" })[c]!);

/** Which pattern a tone has: the darkest of an area is always dense, whatever their number. */
const patternOf = (zone: number, zones: number): number =>
  zones < 2 ? 0 : Math.round(((zone - 1) * (PATTERNS.length - 1)) / Math.max(3, zones - 1));

/** A tone map for print in black and white: patterns and numbers, codes in the margin; true size. */
export function toneMapSvg({ title, map, mmPerPixel, legendOf, marks = [], line }: ToneMapDrawing): string {
  const { width, height } = map.zones;
  const [w, h] = [width * mmPerPixel, height * mmPerPixel];
  const zonesOf = (area: number) => map.areas[area]!.mm2.length;
  // The same patterns for what is drawn in mm, and for what is drawn in pixels.
  const patterns = (prefix: string, scale: number) =>
    PATTERNS.map((body, i) => {
      const side = CELLS[i]!;
      return body
        ? `<pattern id="${prefix}${i}" width="${side}" height="${side}" patternUnits="userSpaceOnUse" patternTransform="scale(${scale})"><g fill="none" stroke="#000" stroke-width="0.13">${body}</g></pattern>`
        : "";
    }).join("");
  const defs = patterns("p", 1) + patterns("q", 1 / mmPerPixel);
  const fills = (map.outlines ?? [])
    .map(({ area, zone, path }) => {
      const pattern = patternOf(zone, zonesOf(area));
      return `<path id="${escaped(`${map.areas[area]!.id}-${zone}`)}" d="${path}" fill="${pattern ? `url(#q${pattern})` : "#fff"}" stroke="#777" stroke-width="${(0.1 / mmPerPixel).toFixed(2)}" fill-rule="evenodd"/>`;
    })
    .join("\n");
  const numbers = (map.marks ?? [])
    .filter((m) => m.room > 1.1 && zonesOf(m.area) > 1)
    .map(({ zone, at, stroke, room }) => {
      const [x, y] = [at[0] * w, at[1] * h];
      const turned = stroke === null || room < 2.2 ? "" : strokes(x, y, stroke);
      return `${turned}<text x="${x.toFixed(2)}" y="${(y + 0.9).toFixed(2)}" text-anchor="middle">${zone}</text>`;
    })
    .join("\n");
  const set = marks.map((m) => signOf(m, w, h)).join("\n");
  const known = map.areas
    .flatMap((a) => (legendOf ? [{ ...legendOf(a.id), id: a.id, mm2: a.mm2 }] : []))
    .filter((a) => a.codes.length);
  // The margin goes on in another column where it is longer than the drawing.
  const bottom = Math.max(h, LEAST_COLUMN);
  let [column, y, deepest] = [0, 9, 0];
  const legend = known
    .map(({ name, codes, set: own = [], mm2 }) => {
      if (y > 9 && y + (codes.length + own.length) * LINE > bottom - 3) {
        column++;
        y = 9;
      }
      const x = w + 4 + column * MARGIN;
      const head = `<text class="name" x="${x.toFixed(1)}" y="${y.toFixed(1)}">${escaped(name)}</text>`;
      const lines = codes.map((code, i) => {
        y += LINE;
        const pattern = patternOf(i + 1, codes.length);
        return `<rect x="${x.toFixed(1)}" y="${(y - 2.4).toFixed(1)}" width="5" height="2.8" fill="${pattern ? `url(#p${pattern})` : "#fff"}" stroke="#000" stroke-width="0.12"/><text x="${(x + 6.5).toFixed(1)}" y="${y.toFixed(1)}">${i + 1}  ${escaped(code)}  ${Math.round(mm2[i] ?? 0)} mm²</text>`;
      });
      for (const says of own) {
        y += LINE;
        lines.push(
          `<circle cx="${(x + 2.5).toFixed(1)}" cy="${(y - 1).toFixed(1)}" r="0.9" fill="#fff" stroke="#000" stroke-width="0.25"/><text x="${(x + 6.5).toFixed(1)}" y="${y.toFixed(1)}">${escaped(says)}</text>`,
        );
      }
      deepest = Math.max(deepest, y + 4);
      y += 1.5 * LINE;
      return head + lines.join("");
    })
    .join("\n");
  const [full, tall] = legendOf ? [w + 4 + (column + 1) * MARGIN, Math.max(h, deepest)] : [w, h];
  return `<?xml version="1.0" encoding="UTF-8"?>
<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" width="${full.toFixed(2)}mm" height="${tall.toFixed(2)}mm" viewBox="0 0 ${full.toFixed(2)} ${tall.toFixed(2)}">
<title>${escaped(title)}</title>
<defs>${defs}</defs>
<style>text{font:2.6px sans-serif;fill:#000;stroke:#fff;stroke-width:0.5;paint-order:stroke}.name{font-weight:bold}</style>
<rect width="${full.toFixed(2)}" height="${tall.toFixed(2)}" fill="#fff"/>
<g id="tones" transform="scale(${mmPerPixel})">
${fills}
</g>
${line ? `<image id="line" width="${w.toFixed(3)}" height="${h.toFixed(3)}" preserveAspectRatio="none" xlink:href="${line}"/>` : ""}
<g id="marks" stroke-linecap="round" stroke-linejoin="round">
${set}
</g>
<g id="numbers">
${numbers}
</g>
<g id="codes">
${legend}
</g>
</svg>
`;
}

/** A mark at true size, though never too small to be seen: its ends where its stroke has them. */
function signOf({ points, width }: Mark, w: number, h: number): string {
  const at = points.map(([x, y]) => `${(x * w).toFixed(2)} ${(y * h).toFixed(2)}`);
  const [x, y] = at[0]!.split(" ");
  const wide = Math.max(width, 0.5);
  if (at.length === 1)
    return `<circle cx="${x}" cy="${y}" r="${(wide / 2).toFixed(2)}" fill="#fff" stroke="#000" stroke-width="0.2"/>`;
  const d = `M${at.join("L")}`;
  return `<path d="${d}" fill="none" stroke="#000" stroke-width="${(wide + 0.4).toFixed(2)}"/><path d="${d}" fill="none" stroke="#fff" stroke-width="${wide.toFixed(2)}"/>`;
}

/** Two short lines beside a number: which way strokes go there. */
function strokes(x: number, y: number, angle: number): string {
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  const at = (k: number) =>
    `M${(x - 2 * c - 1.7 * k * s).toFixed(2)} ${(y - 2 * s + 1.7 * k * c).toFixed(2)}l${(4 * c).toFixed(2)} ${(4 * s).toFixed(2)}`;
  return `<path d="${at(-1)}${at(1)}" fill="none" stroke="#000" stroke-width="0.25"/>`;
}
