import { displayLab } from "./display";
import { labToXyz, type Lab } from "./lab";
import { applyMatrix, XYZ_TO_RGB } from "./rgb";

/** 8-bit level (not rounded) of linear light 0–1. IEC 61966-2-1. */
const levelOf = (v: number): number => 255 * (v <= 0.0031308 ? 12.92 * v : 1.055 * v ** (1 / 2.4) - 0.055);

/** How far a component may leave 0–1 before a colour is brought into the screen's gamut. */
const SLACK = 0.002;

/** 8-bit sRGB of a Lab (D65, 2°); what a screen cannot show is brought in as by {@link displayLab}. */
export function screenRgb(lab: Lab): [number, number, number] {
  const rgb = applyMatrix(XYZ_TO_RGB, labToXyz(lab));
  if (rgb.every((v) => v >= -SLACK && v <= 1 + SLACK))
    return rgb.map((v) => levelOf(Math.min(1, Math.max(0, v)))) as [number, number, number];
  return hexToRgb(displayLab(lab).hex);
}

/** 8-bit red, green and blue of a hex colour such as "#c8a27a". */
export const hexToRgb = (hex: string): [number, number, number] =>
  [1, 3, 5].map((i) => parseInt(hex.slice(i, i + 2), 16)) as [number, number, number];
