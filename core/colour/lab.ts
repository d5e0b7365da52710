import { compress, expand } from "./cie";
import { tristimulusWeights, type Xyz } from "./observer";

/** CIE L*a*b*. */
export type Lab = readonly [L: number, a: number, b: number];

/** Lab of an XYZ relative to `white` (both with a perfect white of Y = 1). */
export function xyzToLab([X, Y, Z]: Xyz, white: Xyz = tristimulusWeights().white): Lab {
  const fx = compress(X / white[0]);
  const fy = compress(Y / white[1]);
  const fz = compress(Z / white[2]);
  return [116 * fy - 16, 500 * (fx - fy), 200 * (fy - fz)];
}

/** XYZ (perfect white Y = 1) of a Lab relative to `white`. */
export function labToXyz([L, a, b]: Lab, white: Xyz = tristimulusWeights().white): Xyz {
  const fy = (L + 16) / 116;
  return [expand(fy + a / 500) * white[0], expand(fy) * white[1], expand(fy - b / 200) * white[2]];
}

/** Chroma C*ab. */
export const chroma = ([, a, b]: Lab): number => Math.sqrt(a * a + b * b);

/** Hue angle h_ab in degrees, 0–360; 0 for a neutral. */
export function hue([, a, b]: Lab): number {
  if (a === 0 && b === 0) return 0;
  return ((Math.atan2(b, a) * 180) / Math.PI + 360) % 360;
}

/** Smallest signed turn in degrees from hue `from` to hue `to`, −180…180. */
export const hueTurn = (from: number, to: number): number => ((to - from + 540) % 360) - 180;
