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
    const points = lines.flat().map(place);
    const middle = (axis: 0 | 1) => {
      const [least, most] = points.reduce(
        ([a, b], p) => [Math.min(a, p[axis]), Math.max(b, p[axis])],
        [Infinity, -Infinity],
      );
      return (least + most) / 2;
    };
    const said = filled
      ? `<text x="${middle(0).toFixed(2)}" y="${middle(1).toFixed(2)}" font-size="${NAME_MM}" font-family="sans-serif" text-anchor="middle">${escaped(name)}</text>`
      : "";
    return `<g><title>${escaped(name)}</title><path d="${pathOf(lines, place)}" ${lookOf(filled)}/>${said}</g>`;
  });
  return svgOf(title, width, height, groups.join("\n"));
}
