import type { Xyz } from "@/core/colour/observer";
import { LINEAR, luminanceOf } from "@/core/colour/rgb";
import type { Pixels } from "@/core/picture/plane";
import type { Work } from "@/core/progress";
import type { FoundDrawing } from "./find";
import type { SheetWish } from "./read-sheet";

/** Mm beside line and borders that are left out: ink creeps, lines are soft, the fit is not exact. */
const AWAY = 0.6;
/** Pixels that are read at most. */
const MOST_READ = 160_000;
/** Level at which a channel is at its end. */
export const CLIPPED = 252;

/** A pixel of the photo: linear light, its place (−1…1 over the drawing), its zone (0 none). */
export interface Read {
  readonly rgb: Xyz;
  readonly x: number;
  readonly y: number;
  readonly zone: number;
  readonly clipped: boolean;
}

/** Linear light of a pixel of a photo; undefined outside. */
export const pixelAt = (
  { width, height, channels, data }: Pixels,
  px: number,
  py: number,
): Xyz | undefined => {
  const [x, y] = [Math.floor(px), Math.floor(py)];
  if (!(x >= 0 && y >= 0 && x < width && y < height)) return undefined;
  const q = (y * width + x) * channels;
  return channels < 3
    ? [LINEAR[data[q]!]!, LINEAR[data[q]!]!, LINEAR[data[q]!]!]
    : [LINEAR[data[q]!]!, LINEAR[data[q + 1]!]!, LINEAR[data[q + 2]!]!];
};

/** Pixels that line or another area lies within a distance of, by two sweeps of rows and columns. */
function closeToEdges({ line, labels }: Pick<SheetWish, "line" | "labels">, reach: number): Uint8Array {
  const { width, height, data } = labels;
  const edge = new Uint8Array(data.length);
  for (let p = 0; p < data.length; p++) {
    const x = p % width;
    if (
      line.data[p]! > 20 ||
      (x + 1 < width && data[p + 1] !== data[p]) ||
      (p + width < data.length && data[p + width] !== data[p])
    )
      edge[p] = 1;
  }
  const sweep = (from: Uint8Array, count: number, long: number, step: number, across: number) => {
    const out = new Uint8Array(from.length);
    for (let row = 0; row < count; row++) {
      let left = 0;
      for (let i = 0, p = row * across; i < long; i++, p += step) {
        left = from[p] ? reach + 1 : left - 1;
        if (left > 0) out[p] = 1;
      }
      left = 0;
      for (let i = long - 1, p = row * across + (long - 1) * step; i >= 0; i--, p -= step) {
        left = from[p] ? reach + 1 : left - 1;
        if (left > 0) out[p] = 1;
      }
    }
    return out;
  };
  return sweep(sweep(edge, height, width, 1, width), width, height, width, 1);
}

/** Pixels of each area (and of nobody's ground as 0) as the photo shows them. */
export function* pixelsOfAreas(wish: SheetWish, found: FoundDrawing): Work<Map<number, Read[]>> {
  const { labels, photo, mmPerPixel, zones } = wish;
  const { width, height } = labels;
  const edges = closeToEdges(wish, Math.max(1, Math.round(AWAY / mmPerPixel)));
  let free = 0;
  for (const e of edges) if (!e) free++;
  const stride = Math.max(1, Math.sqrt(free / MOST_READ));
  const out = new Map<number, Read[]>();
  for (let fy = 0; fy < height; fy += stride) {
    const y = Math.floor(fy);
    for (let fx = 0; fx < width; fx += stride) {
      const x = Math.floor(fx);
      const p = y * width + x;
      if (edges[p]) continue;
      const [px, py] = found.at(x + 0.5, y + 0.5);
      const rgb = pixelAt(photo, px, py);
      if (!rgb) continue;
      const q = (Math.floor(py) * photo.width + Math.floor(px)) * photo.channels;
      const area = labels.data[p]!;
      const own = out.get(area) ?? [];
      if (!own.length) out.set(area, own);
      own.push({
        rgb,
        x: (2 * x) / width - 1,
        y: (2 * y) / height - 1,
        zone: zones?.data[p] ?? 0,
        clipped: Math.max(photo.data[q]!, photo.data[q + (photo.channels > 2 ? 1 : 0)]!) >= CLIPPED,
      });
    }
    if (y % 64 === 0) yield fy / height;
  }
  return out;
}

/** Mean of pixels, of each channel between its tenth and ninth tenth: strokes are even on the whole, specks are not. */
export function meanOf(pixels: readonly { readonly rgb: Xyz }[]): Xyz {
  return [0, 1, 2].map((c) => {
    const sorted = Float64Array.from(pixels, (p) => p.rgb[c]!).sort();
    const cut = Math.floor(sorted.length / 10);
    const kept = sorted.subarray(cut, sorted.length - cut || undefined);
    return kept.reduce((a, b) => a + b, 0) / Math.max(1, kept.length);
  }) as unknown as Xyz;
}

/** Luminance of linear light. */
export const luminance = ([r, g, b]: Xyz) => luminanceOf(r, g, b);
