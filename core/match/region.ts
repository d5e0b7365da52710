import { expand as expandAny, expandSlope } from "@/core/colour/cie";
import { hueTerm, lightnessWeight, redStretch, rotation, STEEPEST_HUE_TERM } from "@/core/colour/ciede2000";
import { chroma, type Lab } from "@/core/colour/lab";
import type { Weights, Xyz } from "@/core/colour/observer";

/**
 * Linear measures of reflectance: Y, and X and Z with the part that merely follows Y taken away. Linear measures can be bounded band by
 * band; L*, a* and b* cannot. κx and κz say how X and Z change with Y along the target's own a* and b*.
 */
export interface Follow {
  readonly x: number;
  readonly z: number;
}

/** One slice of lightness of a {@link Region}. */
export interface Slice {
  readonly yLow: number;
  readonly yHigh: number;
  /** Bounds of X − κx·Y and Z − κz·Y within the slice. */
  readonly xLow: number;
  readonly xHigh: number;
  readonly zLow: number;
  readonly zHigh: number;
}

/** Slices that together hold every colour within a ΔE00 of the target, darkest first. */
export type Region = readonly Slice[];

const SLICES = 15;
/** No reflectance lies below none, however dark the colour. */
const expand = (f: number) => Math.max(0, expandAny(f));

export function followOf([L, a, b]: Lab, white: Xyz): Follow {
  const fy = (L + 16) / 116;
  return {
    x: (white[0] * expandSlope(fy + a / 500)) / (white[1] * expandSlope(fy)),
    z: (white[2] * expandSlope(fy - b / 200)) / (white[1] * expandSlope(fy)),
  };
}

/** Lowest and highest L* within `limit` ΔE00 of L. */
function lightnessReach(L: number, limit: number): [number, number] {
  const reach = (sign: 1 | -1) => {
    // L' lies within limit · SL((L + L')/2); SL grows away from 50, so it is largest at an end of the range of means.
    let far = sign > 0 ? 100 : 0;
    for (let i = 0; i < 12; i++) {
      const widest = Math.max(lightnessWeight(L), lightnessWeight((L + far) / 2));
      far = sign > 0 ? Math.min(far, L + limit * widest) : Math.max(far, L - limit * widest);
    }
    return far;
  };
  return [reach(-1), reach(1)];
}

/** The weight T of CIEDE2000's hue difference is at most this over mean hues (degrees) within `half` of `h`. */
function mostHueTerm(h: number, half: number): number {
  const samples = 12;
  const step = (2 * half) / samples;
  // Half a step either way adds at most this.
  const between = (STEEPEST_HUE_TERM * step * Math.PI) / 360;
  let most = 0;
  for (let i = 0; i <= samples; i++) most = Math.max(most, hueTerm(((h - half + i * step) * Math.PI) / 180));
  return most + between;
}

/** Bound of |RT| for mean chromas up to `mean` and mean hues within `half` of `h`: the rotation lives around hue 275°. */
function rotationBound(mean: number, h: number, half: number): number {
  const away = Math.max(0, Math.abs(((h - 275 + 540) % 360) - 180) - half);
  return rotation(mean, away);
}

/**
 * Largest difference in a* or b* of a colour whose chroma and hue parts of ΔE00 stay within `limit`; Infinity where nothing bounds it.
 * ΔE00² ≥ ρ·((ΔC'/SC)² + (ΔH'/SH)²) with ρ = 1 − |RT|/2, and the distance in the a'b plane is √(ΔC'² + ΔH'²). Each round narrows the region
 * over which SC, SH and RT are bounded.
 */
export function chromaReach(target: Lab, limit: number): number {
  const c = chroma(target);
  const stretch = redStretch(c / 2);
  const [c0, c0Low] = [Math.hypot(target[1] * stretch, target[2]), c];
  // Hue in the stretched plane lies between the plain hue and the most stretched one.
  const degrees = (a: number) => ((Math.atan2(target[2], a) * 180) / Math.PI + 360) % 360;
  const [h, tilt] = [
    degrees(target[1]),
    Math.abs(((degrees(target[1] * stretch) - degrees(target[1]) + 540) % 360) - 180),
  ];
  let turned = 1.733;
  let weight = 1.93;
  let reach = Infinity;
  for (let round = 0; round < 3; round++) {
    const k = limit / Math.sqrt(1 - turned / 2);
    if (k * 0.0225 >= 1) return Infinity;
    const c1 = (c0 * (1 + 0.0225 * k) + k) / (1 - 0.0225 * k);
    const mean = (c0 + c1) / 2;
    const dC = k * (1 + 0.045 * mean);
    const dH = k * (1 + 0.015 * mean * weight);
    reach = Math.min(reach, Math.hypot(dC, dH));
    const half = reach < c0Low ? (Math.asin(reach / c0Low) * 180) / Math.PI + tilt : 180;
    turned = Math.min(turned, rotationBound(mean, h, half));
    weight = Math.min(weight, mostHueTerm(h, half));
  }
  return reach;
}

/** Bounds of n·expand(f + shift) − κ·expand(f) for f in [f0, f1] and shift in [s0, s1]; it rises with the shift. */
function followedRange(
  n: number,
  kappa: number,
  f0: number,
  f1: number,
  s0: number,
  s1: number,
): [number, number] {
  const steps = 4;
  const width = (f1 - f0) / steps;
  const value = (f: number, s: number) => n * expand(f + s) - kappa * expand(f);
  const steepest = (f: number, s: number) =>
    Math.max(
      Math.abs(n * expandSlope(f - width + s) - kappa * expandSlope(f + width)),
      Math.abs(n * expandSlope(f + width + s) - kappa * expandSlope(f - width)),
    );
  let [low, high] = [Infinity, -Infinity];
  for (let i = 0; i <= steps; i++) {
    const f = f0 + i * width;
    low = Math.min(low, value(f, s0) - (steepest(f, s0) * width) / 2);
    high = Math.max(high, value(f, s1) + (steepest(f, s1) * width) / 2);
  }
  return [low, high];
}

/** Every colour within `limit` ΔE00 of the target, in slices of lightness: what a slice spends on lightness it cannot spend on chroma and hue. */
export function regionWithin(target: Lab, limit: number, { white }: Weights, follow: Follow): Region {
  const [l0, l1] = lightnessReach(target[0], limit);
  const widest = Math.max(
    lightnessWeight((l0 + target[0]) / 2),
    lightnessWeight((l1 + target[0]) / 2),
    lightnessWeight(target[0]),
  );
  return Array.from({ length: SLICES }, (_, i) => {
    const from = l0 + ((l1 - l0) * i) / SLICES;
    const to = l0 + ((l1 - l0) * (i + 1)) / SLICES;
    const spent = Math.max(0, from - target[0], target[0] - to) / widest;
    const reach = chromaReach(target, Math.sqrt(Math.max(0, limit * limit - spent * spent)));
    const [f0, f1] = [(from + 16) / 116, (to + 16) / 116];
    const y = { yLow: expand(f0) * white[1], yHigh: expand(f1) * white[1] };
    if (!Number.isFinite(reach))
      return { ...y, xLow: -Infinity, xHigh: Infinity, zLow: -Infinity, zHigh: Infinity };
    const [xLow, xHigh] = followedRange(
      white[0],
      follow.x * white[1],
      f0,
      f1,
      (target[1] - reach) / 500,
      (target[1] + reach) / 500,
    );
    const [zLow, zHigh] = followedRange(
      white[2],
      follow.z * white[1],
      f0,
      f1,
      -(target[2] + reach) / 200,
      -(target[2] - reach) / 200,
    );
    return { ...y, xLow, xHigh, zLow, zHigh };
  });
}

/** Whether a region and a box of measures [Y, X − κx·Y, Z − κz·Y] have nothing in common. */
export function isApart(
  region: Region,
  y0: number,
  y1: number,
  x0: number,
  x1: number,
  z0: number,
  z1: number,
): boolean {
  for (const s of region)
    if (y1 >= s.yLow && y0 <= s.yHigh && x1 >= s.xLow && x0 <= s.xHigh && z1 >= s.zLow && z0 <= s.zHigh)
      return false;
  return true;
}
