import type { CutLinesOutput } from "@/compute/operations/cut-lines";
import type { Point } from "@/core/algebra/point";
import type { ArrangedSheet, CutPart } from "./arranged";
import { escaped } from "@/ui/check/tone-map-svg";

/** Room round a cut line in its file, mm. */
const ROOM = 2;

/** Pixels of a drawing in which an outline is followed: with more it takes seconds, and no blade follows finer ones. */
const FOLLOWED = 1.2e6;

/** By which whole factor a drawing is made coarser before an outline of it is followed. */
export const coarserToCut = ({
  width,
  height,
}: {
  readonly width: number;
  readonly height: number;
}): number => Math.min(16, Math.max(1, Math.ceil(Math.sqrt((width * height) / FOLLOWED))));

/**
 * Cut lines as SVG in true size: one path of hair lines, as cutting machines and blades follow it, or filled as a mask to print.
 * @param turned mirrored left to right, for what is cut from the back
 */
export function cutSvg(
  title: string,
  { lines, width, height }: Pick<CutLinesOutput, "lines" | "width" | "height">,
  { turned, filled }: { readonly turned: boolean; readonly filled: boolean },
): string {
  const all = lines.flat();
  const xs = all.map(([x]) => x);
  const ys = all.map(([, y]) => y);
  // Without spreading: a line may have a great many points.
  const least = (list: readonly number[], first: number) => list.reduce((a, b) => Math.min(a, b), first);
  const most = (list: readonly number[], first: number) => list.reduce((a, b) => Math.max(a, b), first);
  const [left, top] = [least(xs, 0) - ROOM, least(ys, 0) - ROOM];
  const [wide, high] = [most(xs, width) + ROOM - left, most(ys, height) + ROOM - top];
  const d = pathOf(lines, ([x, y]) => [turned ? wide - (x - left) : x - left, y - top]);
  return svgOf(title, wide, high, `<path id="cut" d="${d}" ${lookOf(filled)}/>`);
}

/** Hair lines for a machine or a blade, or a filled shape to print. */
const lookOf = (filled: boolean) =>
  `${
    filled
      ? 'fill="#d9d9d9" fill-rule="evenodd" stroke="#000" stroke-width="0.2"'
      : 'fill="none" stroke="#f00" stroke-width="0.05"'
  } stroke-linejoin="round"`;

const pathOf = (lines: CutPart["lines"], place: (point: Point) => Point): string =>
  lines
    .map(
      (ring) =>
        `M${ring
          .map(place)
          .map(([x, y]) => `${x.toFixed(2)} ${y.toFixed(2)}`)
          .join("L")}Z`,
    )
    .join("");

const svgOf = (title: string, wide: number, high: number, inside: string): string =>
  `<?xml version="1.0" encoding="UTF-8"?>
<svg xmlns="http://www.w3.org/2000/svg" width="${wide.toFixed(2)}mm" height="${high.toFixed(2)}mm" viewBox="0 0 ${wide.toFixed(2)} ${high.toFixed(2)}">
<title>${escaped(title)}</title>
${inside}
</svg>
`;

/** Height of the names in parts that are printed, mm. */
const NAME_MM = 3;

/** Heights at which room for a name is looked for. */
const HEIGHTS = 15;

/** The middle of the widest stretch inside of closed lines, of some heights. */
function roomiest(lines: CutPart["lines"]): Point {
  const ys = lines.flat().map(([, y]) => y);
  const [top, bottom] = ys.reduce(([a, b], y) => [Math.min(a, y), Math.max(b, y)], [Infinity, -Infinity]);
  let [best, wide]: [Point, number] = [[0, 0], -1];
  for (let i = 0; i < HEIGHTS; i++) {
    // From the middle outwards: of stretches as wide as each other the middle one.
    const off = (i % 2 ? -1 : 1) * Math.ceil(i / 2);
    const y = top + (0.5 + off / HEIGHTS) * (bottom - top);
    const crossings = lines
      .flatMap((ring) =>
        ring.flatMap(([ax, ay], k) => {
          const [bx, by] = ring[(k + 1) % ring.length]!;
          return ay > y !== by > y ? [ax + ((y - ay) / (by - ay)) * (bx - ax)] : [];
        }),
      )
      .sort((a, b) => a - b);
    for (let k = 0; k + 1 < crossings.length; k += 2) {
      const [from, to] = [crossings[k]!, crossings[k + 1]!];
      if (to - from > wide + 1e-6) [best, wide] = [[(from + to) / 2, y], to - from];
    }
  }
  return best;
}

/**
 * A sheet of parts as SVG in true size, each part a group that is called as it is. Where they are filled, to be printed and cut by hand, their names stand in them.
 * @param turned mirrored left to right: what is cut from the back, or the back sides of what was cut from the front
 */
export function sheetSvg(
  title: string,
  { parts }: ArrangedSheet,
  { width, height }: { readonly width: number; readonly height: number },
  { turned, filled }: { readonly turned: boolean; readonly filled: boolean },
): string {
  const place = ([x, y]: Point): Point => [turned ? width - x : x, y];
  const groups = parts.map(({ name, lines }) => {
    const [x, y] = roomiest(lines.map((ring) => ring.map(place)));
    const said = filled
      ? `<text x="${x.toFixed(2)}" y="${(y + NAME_MM / 3).toFixed(2)}" font-size="${NAME_MM}" font-family="sans-serif" text-anchor="middle">${escaped(name)}</text>`
      : "";
    return `<g><title>${escaped(name)}</title><path d="${pathOf(lines, place)}" ${lookOf(filled)}/>${said}</g>`;
  });
  return svgOf(title, width, height, groups.join("\n"));
}
