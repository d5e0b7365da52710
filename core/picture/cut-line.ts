import type { Point } from "@/core/algebra/point";
import { outlinesOf, simplified, type Outline } from "./contour";
import { nearestOf } from "./distance";

/** How something is cut out. */
export interface CutWish {
  /** How far outside of it is cut, mm. */
  readonly offset: number;
  /** Whether what it encloses is cut out as well. */
  readonly holes: boolean;
}

interface Plane {
  readonly width: number;
  readonly height: number;
  readonly mmPerPixel: number;
}

/** Gaps up to this, mm, are closed before anything is cut: areas that a line parts belong together. */
export const CLOSES = 0.8;
/** Smaller parts and holes are left, mm²: no blade turns there. */
const SPECK = 4;
/** Length along the edge over which its steps are evened, on both sides, and how far a cut may then leave it, mm. */
const [STEADY, TOLERANCE] = [0.4, 0.06] as const;

/** Pixels by which a plane grows on each side so that what is cut outside of it has room. */
export const roomFor = ({ offset }: Pick<CutWish, "offset">, { mmPerPixel }: Plane): number =>
  Math.ceil(Math.max(offset, CLOSES) / mmPerPixel) + 2;

/**
 * Where a blade goes round a part of a drawing: its outer outlines, and those of what it encloses where that is cut too.
 * @param inside 1 where the part is, row by row
 * @returns closed lines in mm from the drawing's upper left corner; they may lie outside of it by the offset
 */
export function cutLines(inside: Uint8Array, plane: Plane, { offset, holes }: CutWish): Outline {
  const { mmPerPixel } = plane;
  const room = roomFor({ offset }, plane);
  const [width, height] = [plane.width + 2 * room, plane.height + 2 * room];
  const set = new Uint8Array(width * height);
  for (let y = 0; y < plane.height; y++)
    set.set(inside.subarray(y * plane.width, (y + 1) * plane.width), (y + room) * width + room);
  const grown = within(set, width, height, Math.max(offset, CLOSES) / mmPerPixel);
  // Closing takes back what it grew by beyond the offset.
  const back = (CLOSES - offset) / mmPerPixel;
  const cut = back > 0 ? inverse(within(inverse(grown), width, height, back)) : grown;
  const least = SPECK / mmPerPixel ** 2;
  dropSpecks(cut, width, height, 1, least);
  dropSpecks(cut, width, height, 0, holes ? least : Infinity);
  const labels = { width, height, data: Uint16Array.from(cut) };
  const [, rings = []] = outlinesOf(labels, 1, 0);
  const reach = Math.max(1, Math.round(STEADY / mmPerPixel));
  return rings.map((ring) =>
    simplified(steadied(ring, reach), TOLERANCE / mmPerPixel).map(([x, y]): Point => [
      rounded((x - room) * mmPerPixel),
      rounded((y - room) * mmPerPixel),
    ]),
  );
}

/** A line along the edges of pixels without its steps: the middles of these edges, each the mean of those within a reach. */
function steadied(ring: readonly Point[], reach: number): Point[] {
  const middles = ring.flatMap(([x, y], i): Point[] => {
    const [u, v] = ring[(i + 1) % ring.length]!;
    const steps = Math.abs(u - x) + Math.abs(v - y);
    const [dx, dy] = [Math.sign(u - x), Math.sign(v - y)];
    return Array.from({ length: steps }, (_, k) => [x + (k + 0.5) * dx, y + (k + 0.5) * dy]);
  });
  const n = middles.length;
  const wide = Math.min(reach, (n - 1) >> 1);
  let [sx, sy] = [0, 0];
  for (let k = -wide; k <= wide; k++) {
    sx += middles[(k + n) % n]![0];
    sy += middles[(k + n) % n]![1];
  }
  return middles.map((_, i): Point => {
    const mean: Point = [sx / (2 * wide + 1), sy / (2 * wide + 1)];
    const [last, next] = [middles[(i - wide + n) % n]!, middles[(i + wide + 1) % n]!];
    sx += next[0] - last[0];
    sy += next[1] - last[1];
    return mean;
  });
}

const rounded = (mm: number): number => Math.round(mm * 1000) / 1000;

/** Pixels whose middle lies within a distance of one that is set. */
function within(set: Uint8Array, width: number, height: number, pixels: number): Uint8Array {
  const limit = pixels * pixels;
  const { squared } = nearestOf(set, width, height);
  return Uint8Array.from(squared, (s) => (s <= limit ? 1 : 0));
}

const inverse = (set: Uint8Array): Uint8Array => set.map((v) => 1 - v);

/** Turns patches of a value that are smaller than `least` pixels into the other one; what reaches the plane's edge stays. */
function dropSpecks(set: Uint8Array, width: number, height: number, value: 0 | 1, least: number): void {
  const seen = new Uint8Array(set.length);
  for (let start = 0; start < set.length; start++) {
    if (set[start] !== value || seen[start]) continue;
    const patch = [start];
    seen[start] = 1;
    let reaches = false;
    for (let i = 0; i < patch.length; i++) {
      const p = patch[i]!;
      const x = p % width;
      const y = (p - x) / width;
      if (x === 0 || y === 0 || x === width - 1 || y === height - 1) reaches = true;
      const step = (q: number) => {
        if (set[q] !== value || seen[q]) return;
        seen[q] = 1;
        patch.push(q);
      };
      if (x) step(p - 1);
      if (x < width - 1) step(p + 1);
      if (y) step(p - width);
      if (y < height - 1) step(p + width);
    }
    if (!reaches && patch.length < least) for (const p of patch) set[p] = (1 - value) as 0 | 1;
  }
}

/** Length of closed lines, and what they enclose, holes taken off. */
export function measured(outline: Outline): { readonly mm: number; readonly mm2: number } {
  let [mm, twice] = [0, 0];
  for (const ring of outline)
    ring.forEach(([x, y], i) => {
      const [u, v] = ring[(i + 1) % ring.length]!;
      mm += Math.hypot(u - x, v - y);
      twice += x * v - u * y;
    });
  return { mm, mm2: Math.abs(twice) / 2 };
}
