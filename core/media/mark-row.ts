import type { Point } from "@/core/algebra/point";
import { MOST_MARKS, type Mark } from "./mark";

/**
 * Dots in a row along a stroke, the first at its beginning, evenly as near to `apart` as an even row lets them be.
 * @param points the stroke, shares (0–1) of a drawing of `size` mm
 * @param apart mm from middle to middle
 */
export function markRow(
  points: readonly Point[],
  size: { readonly width: number; readonly height: number },
  { kind, width }: Pick<Mark, "kind" | "width">,
  apart: number,
): Mark[] {
  const at = points.map(([x, y]): Point => [x * size.width, y * size.height]);
  const lengths = at.slice(1).map(([x, y], i) => Math.hypot(x - at[i]![0], y - at[i]![1]));
  const whole = lengths.reduce((sum, l) => sum + l, 0);
  const count = Math.min(MOST_MARKS, Math.max(1, Math.round(whole / apart) + 1));
  const out: Mark[] = [];
  let [i, passed] = [0, 0];
  for (let n = 0; n < count; n++) {
    const wanted = count === 1 ? 0 : (n * whole) / (count - 1);
    while (i < lengths.length - 1 && passed + lengths[i]! < wanted) passed += lengths[i++]!;
    const long = lengths[i] ?? 0;
    const part = long ? Math.min(1, Math.max(0, (wanted - passed) / long)) : 0;
    const [from, to] = [at[i]!, at[i + 1] ?? at[i]!];
    const share = (k: 0 | 1, of: number) =>
      Math.min(1, Math.max(0, Math.round(((from[k] + part * (to[k] - from[k])) / of) * 1e5) / 1e5));
    out.push({ kind, points: [[share(0, size.width), share(1, size.height)]], width });
  }
  return out;
}
