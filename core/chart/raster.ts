import { LINEAR, luminanceOf } from "@/core/colour/rgb";

/** A picture: 8-bit sRGB, three bytes a pixel, row by row. */
export interface Raster {
  readonly width: number;
  readonly height: number;
  readonly rgb: Uint8Array;
}

/** A grey picture, linear light 0–1. */
export interface Grey {
  readonly width: number;
  readonly height: number;
  readonly light: Float32Array;
}

/** Luminance of a picture, made smaller by a whole factor so that its long side is about `side`. */
export function luminance({ width, height, rgb }: Raster, side: number): Grey & { readonly factor: number } {
  const factor = Math.max(1, Math.round(Math.max(width, height) / side));
  const [w, h] = [Math.floor(width / factor), Math.floor(height / factor)];
  const light = new Float32Array(w * h);
  for (let y = 0; y < h; y++)
    for (let x = 0; x < w; x++) {
      let sum = 0;
      for (let dy = 0; dy < factor; dy++)
        for (let dx = 0; dx < factor; dx++) {
          const p = 3 * ((y * factor + dy) * width + x * factor + dx);
          sum += luminanceOf(LINEAR[rgb[p]!]!, LINEAR[rgb[p + 1]!]!, LINEAR[rgb[p + 2]!]!);
        }
      light[y * w + x] = sum / (factor * factor);
    }
  return { width: w, height: h, light, factor };
}

/** Pixels clearly darker than the mean of their neighbourhood. D. Bradley & G. Roth, J. Graphics Tools 12 (2007) 13–21. */
export function darkPixels({ width, height, light }: Grey, reach: number, ratio: number): Uint8Array {
  const sums = new Float64Array((width + 1) * (height + 1));
  for (let y = 0; y < height; y++) {
    let row = 0;
    for (let x = 0; x < width; x++) {
      row += light[y * width + x]!;
      sums[(y + 1) * (width + 1) + x + 1] = sums[y * (width + 1) + x + 1]! + row;
    }
  }
  const out = new Uint8Array(width * height);
  for (let y = 0; y < height; y++) {
    const t = Math.max(0, y - reach);
    const b = Math.min(height, y + reach + 1);
    const [above, below] = [t * (width + 1), b * (width + 1)];
    for (let x = 0; x < width; x++) {
      const l = Math.max(0, x - reach);
      const r = Math.min(width, x + reach + 1);
      const mean =
        (sums[below + r]! - sums[above + r]! - sums[below + l]! + sums[above + l]!) / ((b - t) * (r - l));
      out[y * width + x] = light[y * width + x]! < ratio * mean ? 1 : 0;
    }
  }
  return out;
}

/** A connected spot of dark pixels. */
export interface Spot {
  readonly area: number;
  /** Centre of mass. */
  readonly x: number;
  readonly y: number;
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

/** Connected spots (4-neighbourhood), and for each pixel the number of its spot from 1, 0 for none. */
export function spotsOf(
  dark: Uint8Array,
  width: number,
  height: number,
): { readonly spots: readonly Spot[]; readonly labels: Int32Array } {
  const labels = new Int32Array(width * height);
  const stack = new Int32Array(width * height);
  const spots: Spot[] = [];
  for (let start = 0; start < dark.length; start++) {
    if (!dark[start] || labels[start]) continue;
    const label = spots.length + 1;
    let [size, area, sx, sy, left, right, top, bottom] = [1, 0, 0, 0, width, 0, height, 0];
    stack[0] = start;
    labels[start] = label;
    while (size) {
      const p = stack[--size]!;
      const x = p % width;
      const y = (p - x) / width;
      area++;
      sx += x;
      sy += y;
      if (x < left) left = x;
      if (x > right) right = x;
      if (y < top) top = y;
      if (y > bottom) bottom = y;
      for (let side = 0; side < 4; side++) {
        if (side === 0 ? x === 0 : side === 1 ? x === width - 1 : side === 2 ? y === 0 : y === height - 1)
          continue;
        const q = side === 0 ? p - 1 : side === 1 ? p + 1 : side === 2 ? p - width : p + width;
        if (!dark[q] || labels[q]) continue;
        labels[q] = label;
        stack[size++] = q;
      }
    }
    spots.push({ area, x: sx / area, y: sy / area, left, right, top, bottom });
  }
  return { spots, labels };
}
