import type { CutLinesOutput } from "@/compute/operations/cut-lines";
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
  const d = lines
    .map(
      (ring) =>
        `M${ring.map(([x, y]) => `${(turned ? wide - (x - left) : x - left).toFixed(2)} ${(y - top).toFixed(2)}`).join("L")}Z`,
    )
    .join("");
  const look = filled
    ? 'fill="#d9d9d9" fill-rule="evenodd" stroke="#000" stroke-width="0.2"'
    : 'fill="none" stroke="#f00" stroke-width="0.05"';
  return `<?xml version="1.0" encoding="UTF-8"?>
<svg xmlns="http://www.w3.org/2000/svg" width="${wide.toFixed(2)}mm" height="${high.toFixed(2)}mm" viewBox="0 0 ${wide.toFixed(2)} ${high.toFixed(2)}">
<title>${escaped(title)}</title>
<path id="cut" d="${d}" ${look} stroke-linejoin="round"/>
</svg>
`;
}
