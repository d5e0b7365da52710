import type { Pixels } from "@/core/picture/plane";

/** A plane of numbers, row by row. */
export interface Plane {
  readonly width: number;
  readonly height: number;
  readonly data: Float32Array;
}

/** Luma (0–255) of each block of `factor` × `factor` pixels. */
export function lumaPlane({ width, height, channels, data }: Pixels, factor: number): Plane {
  const [w, h] = [Math.max(1, Math.floor(width / factor)), Math.max(1, Math.floor(height / factor))];
  const out = new Float32Array(w * h);
  const row = new Float32Array(w);
  for (let y = 0; y < h; y++) {
    row.fill(0);
    for (let dy = 0; dy < factor; dy++) {
      let q = (y * factor + dy) * width * channels;
      for (let x = 0; x < w; x++)
        for (let dx = 0; dx < factor; dx++, q += channels)
          row[x]! += channels < 3 ? data[q]! : 0.3 * data[q]! + 0.59 * data[q + 1]! + 0.11 * data[q + 2]!;
    }
    for (let x = 0; x < w; x++) out[y * w + x] = row[x]! / (factor * factor);
  }
  return { width: w, height: h, data: out };
}

const WAYS = [
  [1, 0],
  [0, 1],
  [1, 1],
  [1, -1],
] as const;

/**
 * How much darker each pixel is than what lies on both sides of it, as a share of their light, in the direction in which that is most: lines
 * stand out, also under colour, and the border of two colours does not.
 * @param reaches distances, in pixels, to both sides
 */
export function darkness({ width, height, data }: Plane, reaches: readonly number[]): Plane {
  const out = new Float32Array(data.length);
  for (const reach of reaches)
    for (const [dx, dy] of WAYS) {
      const r = dx && dy ? Math.max(1, Math.round(reach * Math.SQRT1_2)) : reach;
      const step = dy * r * width + dx * r;
      const [x0, x1] = dx ? [r, width - r] : [0, width];
      const [y0, y1] = dy ? [r, height - r] : [0, height];
      for (let y = y0; y < y1; y++)
        for (let p = y * width + x0, end = y * width + x1; p < end; p++) {
          const beside = Math.min(data[p - step]!, data[p + step]!);
          const dark = (beside - data[p]!) / (beside + 12);
          if (dark > out[p]!) out[p] = dark;
        }
    }
  return { width, height, data: out };
}

/** A plane at half its size; of four pixels the mean of the mean and the most, so that thin lines do not go. */
export function halved({ width, height, data }: Plane): Plane {
  const [w, h] = [Math.max(1, width >> 1), Math.max(1, height >> 1)];
  const out = new Float32Array(w * h);
  for (let y = 0; y < h; y++)
    for (let x = 0; x < w; x++) {
      const p = 2 * y * width + 2 * x;
      const right = 2 * x + 1 < width ? 1 : 0;
      const below = 2 * y + 1 < height ? width : 0;
      const [a, b, c, d] = [data[p]!, data[p + right]!, data[p + below]!, data[p + below + right]!];
      out[y * w + x] = ((a + b + c + d) / 4 + Math.max(a, b, c, d)) / 2;
    }
  return { width: w, height: h, data: out };
}

/** Value between four pixels; 0 outside. */
export function valueAt({ width, height, data }: Plane, x: number, y: number): number {
  if (!(x >= 0 && y >= 0 && x <= width - 1 && y <= height - 1)) return 0;
  const [x0, y0] = [Math.min(width - 2, Math.floor(x)), Math.min(height - 2, Math.floor(y))];
  if (x0 < 0 || y0 < 0) return 0;
  const [fx, fy] = [x - x0, y - y0];
  const p = y0 * width + x0;
  const top = data[p]! * (1 - fx) + data[p + 1]! * fx;
  return top + (data[p + width]! * (1 - fx) + data[p + width + 1]! * fx - top) * fy;
}
