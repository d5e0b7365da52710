import type { Bytes } from "@/core/picture/plane";

/** A picture as a canvas takes it. */
export interface Pictured {
  readonly width: number;
  readonly height: number;
  readonly rgba: Uint8ClampedArray;
}

/** A plane of bytes through a table of greys, 0–255. */
export function inGreys({ width, height, data }: Bytes, grey: (byte: number) => number): Pictured {
  const table = Uint32Array.from({ length: 256 }, (_, b) => {
    const g = Math.round(grey(b));
    return ((255 << 24) | (g << 16) | (g << 8) | g) >>> 0;
  });
  const out = new Uint32Array(width * height);
  for (let p = 0; p < out.length; p++) out[p] = table[data[p]!]!;
  return { width, height, rgba: new Uint8ClampedArray(out.buffer) };
}
