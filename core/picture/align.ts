import type { Point } from "@/core/algebra/point";
import { homographyBetween, project } from "@/core/algebra/homography";
import { solve } from "@/core/algebra/solve";

/** A point of the line art and the same point of a reference, each in shares (0–1) of its own picture. */
export interface Pair {
  readonly line: Point;
  readonly reference: Point;
}

export interface Size {
  readonly width: number;
  readonly height: number;
}

/** Points that say how a reference lies: none (edge on edge), two (moved, turned, made larger) or four (seen aslant). */
export const ALIGN_POINTS = [0, 2, 4] as const;

/**
 * Where a point of the line art lies in the reference, shares to shares. Two pairs give a similarity, four a perspective; with none the two
 * pictures lie edge on edge.
 * @param line, reference sizes of the two in any units with square pixels
 */
export function aligned(
  pairs: readonly Pair[],
  line: Size,
  reference: Size,
): (x: number, y: number) => Point {
  const from = pairs.map(({ line: [x, y] }) => [x * line.width, y * line.height] as const);
  const to = pairs.map(({ reference: [x, y] }) => [x * reference.width, y * reference.height] as const);
  const back = ([x, y]: Point): Point => [x / reference.width, y / reference.height];
  if (pairs.length >= 4) {
    const h = homographyBetween(from.slice(0, 4), to.slice(0, 4));
    if (h.every(Number.isFinite)) return (x, y) => back(project(h, x * line.width, y * line.height));
  } else if (pairs.length >= 2) {
    const [[ax, ay], [bx, by]] = from as [Point, Point];
    const rows = new Float64Array([ax, -ay, 1, 0, ay, ax, 0, 1, bx, -by, 1, 0, by, bx, 0, 1]);
    if (Math.hypot(bx - ax, by - ay) > 1e-9) {
      const [p, q, u, v] = solve(rows, new Float64Array([...to[0]!, ...to[1]!])) as unknown as number[];
      return (x, y) => {
        const [px, py] = [x * line.width, y * line.height];
        return back([p! * px - q! * py + u!, q! * px + p! * py + v!]);
      };
    }
  }
  return (x, y) => [x, y];
}
