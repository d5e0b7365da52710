import { invert } from "@/core/algebra/invert";
import { tristimulusWeights, type Xyz } from "./observer";

type Matrix = readonly (readonly [number, number, number])[];

/** Chromaticities x, y of sRGB's red, green and blue. IEC 61966-2-1. */
const PRIMARIES = [
  [0.64, 0.33],
  [0.3, 0.6],
  [0.15, 0.06],
] as const;

const rowsOf = (m: Float64Array): Matrix => [0, 3, 6].map((r) => [m[r]!, m[r + 1]!, m[r + 2]!] as const);

/** A matrix applied to three numbers. */
export const applyMatrix = (m: Matrix, [x, y, z]: Xyz): Xyz => [
  m[0]![0] * x + m[0]![1] * y + m[0]![2] * z,
  m[1]![0] * x + m[1]![1] * y + m[1]![2] * z,
  m[2]![0] * x + m[2]![1] * y + m[2]![2] * z,
];

/** Columns are the primaries, each as strong as makes their sum the observer's own white: the screen's white is L* 100, a* 0, b* 0. */
function primaryMatrix(white: Xyz): Float64Array {
  const columns = PRIMARIES.map(([x, y]) => [x / y, 1, (1 - x - y) / y] as const);
  const plain = Float64Array.from({ length: 9 }, (_, i) => columns[i % 3]![Math.floor(i / 3)]!);
  const strength = applyMatrix(rowsOf(invert(plain, 3)), white);
  return plain.map((v, i) => v * strength[i % 3]!);
}

const toXyz = primaryMatrix(tristimulusWeights("D65").white);

/** Linear sRGB to XYZ (D65, white Y = 1). */
export const RGB_TO_XYZ: Matrix = rowsOf(toXyz);

/** XYZ (D65) to linear sRGB. */
export const XYZ_TO_RGB: Matrix = rowsOf(invert(toXyz, 3));

/** Light (0–1) of an 8-bit sRGB level. IEC 61966-2-1. */
export const linearOf = (level: number): number => {
  const v = level / 255;
  return v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4;
};

/** {@link linearOf} of every 8-bit level. */
export const LINEAR: Float64Array = Float64Array.from({ length: 256 }, (_, i) => linearOf(i));

/** 8-bit level (not rounded) of linear light 0–1; inverse of {@link linearOf}. */
export const levelOf = (v: number): number =>
  255 * (v <= 0.0031308 ? 12.92 * v : 1.055 * v ** (1 / 2.4) - 0.055);

/** Luminance Y of linear red, green and blue. IEC 61966-2-1. */
export const luminanceOf = (r: number, g: number, b: number): number => 0.2126 * r + 0.7152 * g + 0.0722 * b;
