import { look } from "./observer";
import { normal } from "./random";

/** XYZ to linear sRGB (IEC 61966-2-1). */
const MATRIX = [
  [3.2406, -1.5372, -0.4986],
  [-0.9689, 1.8758, 0.0415],
  [0.0557, -0.204, 1.057],
] as const;

const encode = (v: number) => (v <= 0.0031308 ? 12.92 * v : 1.055 * v ** (1 / 2.4) - 0.055);

/** Spread of one scanned cell's mean, in 8-bit steps, before rounding. */
const NOISE = 0.35;

/** 8-bit hex reading of a reflectance (every 5 nm): clipped to what the scanner can tell, noisy, rounded. */
export function scan(reflectance: ArrayLike<number>, random: () => number): string {
  const xyz = look(reflectance);
  const bytes = MATRIX.map((row) => {
    const linear = row[0] * xyz[0] + row[1] * xyz[1] + row[2] * xyz[2];
    const level = encode(Math.min(1, Math.max(0, linear))) * 255 + NOISE * normal(random);
    return Math.min(255, Math.max(0, Math.round(level)));
  });
  return `#${bytes.map((b) => b.toString(16).padStart(2, "0")).join("")}`;
}
