import { MaxRectsPacker, Rectangle } from "maxrects-packer";
import type { Point } from "@/core/algebra/point";

/** A part as it is cut, in mm from wherever. */
export interface CutPart {
  readonly name: string;
  /** Closed lines, filled by the even-odd rule. */
  readonly lines: readonly (readonly Point[])[];
}

/** A sheet with parts on it, mm from its upper left corner. */
export interface ArrangedSheet {
  readonly parts: readonly CutPart[];
}

export interface Arranged {
  readonly sheets: readonly ArrangedSheet[];
  /** Parts that are larger than a sheet. */
  readonly tooLarge: readonly string[];
}

/** Room between parts, and at the edge of a sheet where no printer prints, mm. */
export const [BETWEEN, EDGE] = [3, 6] as const;

/** What holds some lines; nothing where there are none. */
function boxOf(lines: CutPart["lines"]) {
  let box: { l: number; t: number; r: number; b: number } | undefined;
  for (const [x, y] of lines.flat())
    box = box
      ? { l: Math.min(box.l, x), t: Math.min(box.t, y), r: Math.max(box.r, x), b: Math.max(box.b, y) }
      : { l: x, t: y, r: x, b: y };
  return box;
}

interface Held {
  readonly part: CutPart;
  readonly left: number;
  readonly top: number;
  readonly high: number;
}

/**
 * Parts on as few sheets as they find room on, turned by a quarter where that helps; none overlap, each keeps {@link BETWEEN} of the others and {@link EDGE} of the
 * sheet's edge. They are placed by their boxes: best areas first of maximal free rectangles (J. Jylänki 2010), not proven the fewest.
 * @param sheet mm
 */
export function arranged(
  parts: readonly CutPart[],
  sheet: { readonly width: number; readonly height: number },
): Arranged {
  const tooLarge: string[] = [];
  const [wide, high] = [sheet.width - 2 * EDGE, sheet.height - 2 * EDGE];
  const packer = new MaxRectsPacker<Rectangle>(wide, high, BETWEEN, {
    smart: false,
    pot: false,
    square: false,
    allowRotation: true,
  });
  const fits = (w: number, h: number) => (w <= wide && h <= high) || (h <= wide && w <= high);
  const rectangles = parts.flatMap((part) => {
    const box = boxOf(part.lines);
    if (!box) return [];
    const [w, h] = [box.r - box.l, box.b - box.t];
    if (!fits(w, h)) {
      tooLarge.push(part.name);
      return [];
    }
    const rectangle = new Rectangle(w, h, 0, 0, false, true);
    rectangle.data = { part, left: box.l, top: box.t, high: h } satisfies Held;
    return [rectangle];
  });
  packer.addArray(rectangles);
  const sheets = packer.bins.map((bin) => ({
    parts: bin.rects.map(({ x, y, rot, data }): CutPart => {
      const { part, left, top, high: h } = data as Held;
      const placed = ([px, py]: Point): Point => {
        const [u, v] = [px - left, py - top];
        return rot ? [EDGE + x + h - v, EDGE + y + u] : [EDGE + x + u, EDGE + y + v];
      };
      return { name: part.name, lines: part.lines.map((ring) => ring.map(placed)) };
    }),
  }));
  return { sheets, tooLarge };
}
