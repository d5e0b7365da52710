import type { Xyz } from "@/core/colour/observer";
import { levelOf, LINEAR, luminanceOf } from "@/core/colour/rgb";
import type { Pixels } from "./plane";

/** How a reference's light is set right: gains of linear red, green and blue, exposure included. */
export type Gains = readonly [number, number, number];
export const NO_GAINS: Gains = [1, 1, 1];

/** Gains that make a spot neutral and leave its luminance as it is, within what a photo can bear. */
export function neutralGains([r, g, b]: Xyz): Gains {
  const y = luminanceOf(r, g, b);
  const gain = (v: number) => Math.min(4, Math.max(0.25, y / Math.max(1e-4, v)));
  return [gain(r), gain(g), gain(b)];
}

/** Levels 0–255 of linear light, by its 4,095ths. */
const ENCODED = Uint8Array.from({ length: 4096 }, (_, i) => Math.round(levelOf(i / 4095)));

/** A picture with its light set right; what goes beyond white is white. */
export function balanced(picture: Pixels, gains: Gains): Pixels {
  if (gains.every((g) => g === 1) || picture.channels === 1) return picture;
  const tables = gains.map((g) =>
    Uint8Array.from({ length: 256 }, (_, v) => ENCODED[Math.min(4095, Math.round(4095 * LINEAR[v]! * g))]!),
  );
  const data = new Uint8Array(picture.data.length);
  for (let p = 0; p < data.length; p += picture.channels) {
    for (let c = 0; c < 3; c++) data[p + c] = tables[c]![picture.data[p + c]!]!;
    if (picture.channels === 4) data[p + 3] = picture.data[p + 3]!;
  }
  return { ...picture, data };
}

/** What makes a photo a poor witness of colour. */
export interface PhotoDoubts {
  /** Share of the pixels with a channel at its end. */
  readonly clipped: number;
  /** Hue-free strength of the tint of its lightest neutral-ish part, Δ of linear channels over their mean; 0 for none. */
  readonly tint: readonly [number, number, number];
  readonly tinted: boolean;
}

const STRONG_TINT = 0.28;
export const MUCH_CLIPPED = 0.04;
const THINNED = 200_000;

/** Looks a photo over for clipped channels and a strong tint (its mean light far from neutral: "grey world", G. Buchsbaum 1980). */
export function doubtsOf({ width, height, channels, data }: Pixels): PhotoDoubts {
  const stride = Math.max(1, Math.floor((width * height) / THINNED));
  const sums = [0, 0, 0];
  let [clipped, n] = [0, 0];
  for (let p = 0; p < width * height; p += stride) {
    const q = p * channels;
    const rgb = channels === 1 ? [data[q]!, data[q]!, data[q]!] : [data[q]!, data[q + 1]!, data[q + 2]!];
    // Paper white all through is no clipping: one channel at its end beside others that are not is.
    const top = rgb.filter((v) => v >= 254).length;
    if (top === 1 || top === 2) clipped++;
    rgb.forEach((v, c) => (sums[c]! += LINEAR[v]!));
    n++;
  }
  const mean = (sums[0]! + sums[1]! + sums[2]!) / 3;
  const tint = sums.map((s) => s / Math.max(1e-9, mean) - 1) as [number, number, number];
  return { clipped: clipped / n, tint, tinted: Math.max(...tint.map(Math.abs)) > STRONG_TINT };
}
