import { deltaE00 } from "@/core/colour/delta-e00";
import { rgb8ToLab } from "@/core/colour/display";
import { meanLab } from "@/core/colour/mean-lab";
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
