import type { Point } from "@/core/algebra/point";
import { xyzToLab } from "@/core/colour/lab";
import { tristimulusWeights } from "@/core/colour/observer";
import { LINEAR, luminanceOf } from "@/core/colour/rgb";
import { aligned, type Pair } from "@/core/picture/align";
import { balanced, type Gains } from "@/core/picture/balance";
import type { Pixels } from "@/core/picture/plane";
import type { Ground } from "./ground";
import { DARKEST } from "./value-field";

/** L* for luminance, in steps of it. */
const LIGHTNESS = Float64Array.from({ length: 1025 }, (_, i) => {
  const { white } = tristimulusWeights("D65");
  const v = i / 1024;
  return xyzToLab([v * white[0], v * white[1], v * white[2]], white)[0];
});

/** Distance from an area's edge at which the drawn line of a reference is left out, mm. */
const MARGIN = 0.5;

/**
 * Values (0 light to 65535 dark) that a reference shows where it lies on a ground: one less its lightness L*, each pixel that lies on the edge
 * of an area taking that of the nearest one within.
 */
export function referenceValues(
  ground: Ground,
  picture: Pixels,
  pairs: readonly Pair[],
  gains: Gains,
): Uint16Array {
  const { width, height, own, mmPerPixel } = ground;
  const { data, channels, ...size } = balanced(picture, gains);
  const to = aligned(pairs, ground, size);
  const out = new Uint16Array(own.length);
  const at = ([u, v]: Point): number => {
    if (u < 0 || v < 0 || u > 1 || v > 1) return -1;
    const x = Math.min(size.width - 1, Math.floor(u * size.width));
    const q = (Math.min(size.height - 1, Math.floor(v * size.height)) * size.width + x) * channels;
    const [r, g, b] = channels < 3 ? [data[q]!, data[q]!, data[q]!] : [data[q]!, data[q + 1]!, data[q + 2]!];
    const light = luminanceOf(LINEAR[r]!, LINEAR[g]!, LINEAR[b]!);
    return Math.round(DARKEST * (1 - LIGHTNESS[Math.round(light * 1024)]! / 100));
  };
  const d = Math.max(1, Math.round(MARGIN / mmPerPixel));
  const edge = (p: number, x: number, y: number) =>
    (x >= d && own[p - d] !== own[p]) ||
    (x + d < width && own[p + d] !== own[p]) ||
    (y >= d && own[p - d * width] !== own[p]) ||
    (y + d < height && own[p + d * width] !== own[p]);
  for (let y = 0, p = 0; y < height; y++)
    for (let x = 0; x < width; x++, p++) {
      if (own[p]! < 0) continue;
      // On its edge an area looks a little further in: away from the neighbour.
      let [u, v] = [x, y];
      if (edge(p, x, y)) {
        const inward = (q: number, ok: boolean) => (ok && own[q] === own[p] ? 1 : 0);
        u += d * (inward(p + d, x + d < width) - inward(p - d, x >= d));
        v += d * (inward(p + d * width, y + d < height) - inward(p - d * width, y >= d));
      }
      const value = at(to((u + 0.5) / width, (v + 0.5) / height));
      out[p] = value < 0 ? DARKEST >> 1 : value;
    }
  return out;
}
