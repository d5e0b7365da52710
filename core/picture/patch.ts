import { deltaE00 } from "@/core/colour/delta-e00";
import { rgb8ToLab } from "@/core/colour/display";
import { meanLab } from "@/core/colour/mean-lab";
import type { Raster } from "@/core/chart/raster";
import type { Xyz } from "@/core/colour/observer";
import { LINEAR } from "@/core/colour/rgb";
import type { Lab } from "@/core/colour/lab";

export interface PatchReading {
  readonly lab: Lab;
  /** Mean ΔE00 of the kept pixels from `lab`. */
  readonly spread: number;
  /** Share of the pixels that were kept. */
  readonly kept: number;
}

/** Pixels that are enough for a patch; a larger one is thinned evenly. */
const ENOUGH = 2500;
/** Pixels beyond this many times the median distance are something else in the patch: a line, a speck, an edge. */
const OUTLYING = 2.5;
/** Distance below which no pixel counts as outlying, ΔE00. */
const QUIET = 1;

const medianOf = (values: number[]): number => {
  const sorted = values.sort((a, b) => a - b);
  const middle = sorted.length >> 1;
  return sorted.length % 2 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2;
};

/**
 * Robust mean colour of pixels: the mean of those near the component-wise median, so that lines and specks inside a patch do not tint it.
 * @param rgba 8-bit sRGB with alpha, 4 values a pixel; fully transparent pixels are passed over
 * @throws RangeError when there is no opaque pixel
 */
export function readPatch(rgba: ArrayLike<number>): PatchReading {
  const pixels = Math.floor(rgba.length / 4);
  const stride = Math.max(1, Math.ceil(pixels / ENOUGH));
  const labs: Lab[] = [];
  for (let p = 0; p < pixels; p += stride)
    if (rgba[p * 4 + 3]! > 0) labs.push(rgb8ToLab(rgba[p * 4]!, rgba[p * 4 + 1]!, rgba[p * 4 + 2]!));
  if (!labs.length) throw new RangeError("the patch holds no pixel of the picture");
  const middle = [0, 1, 2].map((c) => medianOf(labs.map((l) => l[c]!))) as unknown as Lab;
  const distances = labs.map((l) => deltaE00(middle, l));
  const limit = Math.max(QUIET, OUTLYING * medianOf([...distances]));
  const kept = labs.filter((_, i) => distances[i]! <= limit);
  const lab = meanLab(kept);
  return {
    lab,
    spread: kept.reduce((sum, l) => sum + deltaE00(lab, l), 0) / kept.length,
    kept: kept.length / labs.length,
  };
}

/** A rectangle in shares (0–1) of a picture's width and height. */
export interface PatchBox {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** A square window round a place of a picture, within the picture; the place in shares of it, the side in its pixels. */
export function windowAt(
  [x, y]: readonly [number, number],
  side: number,
  { width, height }: { readonly width: number; readonly height: number },
): PatchBox {
  const [w, h] = [Math.min(1, side / width), Math.min(1, side / height)];
  const within = (v: number, s: number) => Math.min(1 - s, Math.max(0, v - s / 2));
  return { x: within(x, w), y: within(y, h), width: w, height: h };
}

/** Pixels of a rectangle of a picture, at least one, with the rectangle that they truly fill. */
export function patchOf(
  { width, height, rgb }: Raster,
  box: PatchBox,
): { readonly pixels: Uint8Array; readonly at: PatchBox } {
  const x = Math.max(0, Math.min(width - 1, Math.round(box.x * width)));
  const y = Math.max(0, Math.min(height - 1, Math.round(box.y * height)));
  const w = Math.max(1, Math.min(width - x, Math.round(box.width * width)));
  const h = Math.max(1, Math.min(height - y, Math.round(box.height * height)));
  const pixels = new Uint8Array(w * h * 4);
  for (let row = 0, to = 0; row < h; row++)
    for (let from = ((y + row) * width + x) * 3, end = from + w * 3; from < end; from += 3) {
      pixels[to++] = rgb[from]!;
      pixels[to++] = rgb[from + 1]!;
      pixels[to++] = rgb[from + 2]!;
      pixels[to++] = 255;
    }
  return { pixels, at: { x: x / width, y: y / height, width: w / width, height: h / height } };
}

/** Mean of pixels' linear levels, 0–1, three channels. */
export function meanLevels(rgba: ArrayLike<number>): Xyz {
  let [r, g, b] = [0, 0, 0];
  for (let i = 0; i < rgba.length; i += 4) {
    r += LINEAR[rgba[i]!]!;
    g += LINEAR[rgba[i + 1]!]!;
    b += LINEAR[rgba[i + 2]!]!;
  }
  const n = rgba.length / 4;
  return [r / n, g / n, b / n];
}
