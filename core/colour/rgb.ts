import type { Xyz } from "./observer";

type Matrix = readonly (readonly [number, number, number])[];

/** XYZ (D65) to linear sRGB. IEC 61966-2-1. */
export const XYZ_TO_RGB: Matrix = [
  [3.2404542, -1.5371385, -0.4985314],
  [-0.969266, 1.8760108, 0.041556],
  [0.0556434, -0.2040259, 1.0572252],
];

/** Linear sRGB to XYZ (D65, white Y = 1). */
export const RGB_TO_XYZ: Matrix = [
  [0.4124564, 0.3575761, 0.1804375],
  [0.2126729, 0.7151522, 0.072175],
  [0.0193339, 0.119192, 0.9503041],
];

/** A matrix applied to three numbers. */
export const applyMatrix = (m: Matrix, [x, y, z]: Xyz): Xyz =>
  m.map((r) => r[0] * x + r[1] * y + r[2] * z) as unknown as Xyz;

/** Light (0–1) of an 8-bit sRGB level. IEC 61966-2-1. */
export const linearOf = (level: number): number => {
  const v = level / 255;
  return v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4;
};

/** {@link linearOf} of every 8-bit level. */
export const LINEAR: Float64Array = Float64Array.from({ length: 256 }, (_, i) => linearOf(i));
