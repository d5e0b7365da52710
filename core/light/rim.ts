import type { Point } from "@/core/algebra/point";
import type { Lamp } from "./light";

/** Cosine of the angle to the lamp's side up to which an edge catches its light. */
const FACING = 0.35;
/** A lamp that stands this straight behind (degrees) lights the whole edge. */
const STRAIGHT = 80;
/** Pieces of rim shorter than this many widths are left out, and gaps shorter than this are bridged. */
const SHORTEST = 4;
/** Of an outline at most this share is bridged. */
const BRIDGED = 0.1;

/**
 * Where the edge of a figure catches a lamp's light: stretches of its outline that face the lamp's side, drawn inside of it by half their width.
 * @param lines closed outlines in mm, filled by the even-odd rule, each with the figure on its right (y downwards)
 * @param width of the rim, mm
 * @returns strokes in mm
 */
export function rimOf(
  lines: readonly (readonly Point[])[],
  { from, height }: Lamp,
  width: number,
): Point[][] {
  const turn = (from * Math.PI) / 180;
  const [lx, ly] = [Math.sin(turn), -Math.cos(turn)];
  const least = height >= STRAIGHT ? -2 : FACING;
  const out: Point[][] = [];
  for (const line of lines) {
    const n = line.length;
    if (n < 3) continue;
    const sides = line.map(([x, y], i) => {
      const [u, v] = line[(i + 1) % n]!;
      const long = Math.hypot(u - x, v - y) || 1;
      return { long, out: [(v - y) / long, -(u - x) / long] as Point };
    });
    const faces = sides.map((s) => s.out[0] * lx + s.out[1] * ly > least);
    const whole = sides.reduce((sum, side) => sum + side.long, 0);
    if (whole < SHORTEST * width) continue;
    bridged(faces, sides, Math.min(SHORTEST * width, BRIDGED * whole));
    // Inside of each corner by half the width, along the middle of both normals.
    const inner = line.map(([x, y], i): Point => {
      const [a, b] = [sides[(i + n - 1) % n]!.out, sides[i]!.out];
      const [mx, my] = [a[0] + b[0], a[1] + b[1]];
      const long = Math.hypot(mx, my);
      if (long < 0.2) return [x - (b[0] * width) / 2, y - (b[1] * width) / 2];
      return [x - (mx * width) / (2 * long), y - (my * width) / (2 * long)];
    });
    const start = faces.findIndex((f, i) => f && !faces[(i + n - 1) % n]);
    if (start < 0) {
      if (faces[0]) out.push([...inner, inner[0]!]);
      continue;
    }
    for (let k = 0; k < n;) {
      const i = (start + k) % n;
      if (!faces[i]) {
        k++;
        continue;
      }
      const stroke = [inner[i]!];
      let length = 0;
      while (k < n && faces[(start + k) % n]) {
        length += sides[(start + k) % n]!.long;
        stroke.push(inner[(start + ++k) % n]!);
      }
      if (length >= SHORTEST * width) out.push(stroke);
    }
  }
  return out;
}

/** Sides between two that face the lamp, over a gap shorter than `gap` mm, face it too: a bump does not break the rim. */
function bridged(faces: boolean[], sides: readonly { readonly long: number }[], gap: number): void {
  const n = faces.length;
  const first = faces.indexOf(true);
  if (first < 0) return;
  for (let k = 1; k < n;) {
    const i = (first + k) % n;
    if (faces[i]) {
      k++;
      continue;
    }
    let [q, length] = [k, 0];
    while (q < n && !faces[(first + q) % n]) length += sides[(first + q++) % n]!.long;
    if (length <= gap) for (let j = k; j < q; j++) faces[(first + j) % n] = true;
    k = q;
  }
}
