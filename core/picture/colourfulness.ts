import type { Pixels } from "./plane";

/** Pixels that are looked at. */
const SAMPLES = 4096;

/**
 * How colourful a picture is, 0–255: the mean over samples of the greatest less the least channel; 0 of greys. A line drawing has hardly any,
 * the same coloured in has much.
 */
export function colourfulness({ channels, data }: Pixels): number {
  if (channels === 1) return 0;
  const pixels = data.length / channels;
  const step = Math.max(1, Math.floor(pixels / SAMPLES));
  let [sum, n] = [0, 0];
  for (let p = 0; p < pixels; p += step) {
    const at = p * channels;
    const [r, g, b] = [data[at]!, data[at + 1]!, data[at + 2]!];
    const opaque = channels === 4 ? data[at + 3]! / 255 : 1;
    sum += opaque * (Math.max(r, g, b) - Math.min(r, g, b));
    n++;
  }
  return n ? sum / n : 0;
}
