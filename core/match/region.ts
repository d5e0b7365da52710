import { expand as expandAny, expandSlope } from "@/core/colour/cie";
import { lightnessWeight } from "@/core/colour/ciede2000";
import type { Lab } from "@/core/colour/lab";
import type { Weights, Xyz } from "@/core/colour/observer";
import { lightnessReach, reachesAround, type Reach } from "./reach";

/**
 * Linear measures of reflectance: Y, and X and Z with the part that merely follows Y taken away. Linear measures can be bounded band by
 * band; L*, a* and b* cannot. κx and κz say how X and Z change with Y along the target's own a* and b*. Two more are mixtures of those: near
 * the target one goes with the distance along its own chroma (out), the other with that across it (aside), in units of a* and b*.
 */
export interface Follow {
  readonly x: number;
  readonly z: number;
  readonly out: readonly [x: number, z: number];
  readonly aside: readonly [x: number, z: number];
  /** Direction of the target's chroma in the a*b* plane. */
  readonly direction: readonly [a: number, b: number];
}

type Range = readonly [low: number, high: number];

/** Limit, ΔE00, from which the mixtures tell enough more to be worth their while. */
const MIXED_FROM = 2;

/** Numbers of a slice: least and most of Y, X − κx·Y and Z − κz·Y, and of their mixtures outward and aside. */
const SLICE = 10;

/** Slices that together hold every colour within a ΔE00 of the target, darkest first. */
export interface Region {
  /** How many of the five measures bound it: the mixtures are left out where they tell little. */
  readonly measures: number;
  readonly slices: Float64Array;
}

const SLICES = 15;
/** No reflectance lies below none, however dark the colour. */
const expand = (f: number) => Math.max(0, expandAny(f));

export function followOf([L, a, b]: Lab, white: Xyz): Follow {
  const fy = (L + 16) / 116;
  const [slopeX, slopeZ] = [expandSlope(fy + a / 500), expandSlope(fy - b / 200)];
  const c = Math.hypot(a, b);
  const direction = c > 1e-6 ? ([a / c, b / c] as const) : ([1, 0] as const);
  // a* rises by 1 when X − κx·Y does by this, b* when Z − κz·Y falls by that.
  const [perA, perB] = [(white[0] * slopeX) / 500, (-white[2] * slopeZ) / 200];
  return {
    x: (white[0] * slopeX) / (white[1] * expandSlope(fy)),
    z: (white[2] * slopeZ) / (white[1] * expandSlope(fy)),
    out: [direction[0] / perA, direction[1] / perB],
    aside: [-direction[1] / perA, direction[0] / perB],
    direction,
  };
}

/** Bounds of n·expand(f + shift) − κ·expand(f) for f in [f0, f1] and shift in [s0, s1]; it rises with the shift. */
function followedRange(n: number, kappa: number, [f0, f1]: Range, [s0, s1]: Range): Range {
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

/** Largest size of a sum of intervals, each times a number. */
function largest(...parts: readonly (readonly [factor: number, low: number, high: number])[]): number {
  let [low, high] = [0, 0];
  for (const [factor, from, to] of parts) {
    low += factor * (factor > 0 ? from : to);
    high += factor * (factor > 0 ? to : from);
  }
  return Math.max(Math.abs(low), Math.abs(high));
}

/** Parts into which the rectangle of a slice is divided along the chroma, across it and in lightness. */
const [ALONG, ACROSS, DEEP] = [5, 3, 2];

/**
 * Bounds of α·(X − κx·Y) + β·(Z − κz·Y) over a slice: in each part of it the value in the middle, and the most that any slope makes of the
 * way to its sides (mean value theorem).
 */
function mixtureRange(
  [, a, b]: Lab,
  reach: Reach,
  [f0, f1]: Range,
  [alpha, beta]: readonly [number, number],
  white: Xyz,
  { x, z, direction: [u, v] }: Follow,
): Range {
  const [along, across, deep] = [
    (reach.along[1] - reach.along[0]) / ALONG / 2,
    (reach.across[1] - reach.across[0]) / ACROSS / 2,
    (f1 - f0) / DEEP / 2,
  ];
  const [kx, kz, ky] = [alpha * white[0], beta * white[2], (alpha * x + beta * z) * white[1]];
  const [partA, partB] = [
    (Math.abs(u) * along + Math.abs(v) * across) / 500,
    (Math.abs(v) * along + Math.abs(u) * across) / 200,
  ];
  // Where nothing is reflected the slope falls to none.
  const slope = (f: number) => (expandAny(f) > 0 ? expandSlope(f) : 0);
  let [low, high] = [Infinity, -Infinity];
  for (let i = 0; i < ALONG; i++)
    for (let j = 0; j < ACROSS; j++)
      for (let k = 0; k < DEEP; k++) {
        const [r, t, f] = [
          reach.along[0] + (2 * i + 1) * along,
          reach.across[0] + (2 * j + 1) * across,
          f0 + (2 * k + 1) * deep,
        ];
        const [fx, fz] = [f + (a + r * u - t * v) / 500, f - (b + r * v + t * u) / 200];
        const [x0, x1] = [slope(fx - partA - deep), slope(fx + partA + deep)];
        const [z0, z1] = [slope(fz - partB - deep), slope(fz + partB + deep)];
        const [y0, y1] = [slope(f - deep), slope(f + deep)];
        const middle = kx * expand(fx) + kz * expand(fz) - ky * expand(f);
        const off =
          along * largest([(kx * u) / 500, x0, x1], [(-kz * v) / 200, z0, z1]) +
          across * largest([(-kx * v) / 500, x0, x1], [(-kz * u) / 200, z0, z1]) +
          deep * largest([kx, x0, x1], [kz, z0, z1], [-ky, y0, y1]);
        low = Math.min(low, middle - off);
        high = Math.max(high, middle + off);
      }
  return [low, high];
}

/**
 * Regions around a target by their limit: every colour within that ΔE00, in slices of lightness. What a slice spends on lightness it cannot
 * spend on chroma and hue.
 */
export function regionsAround(target: Lab, { white }: Weights, follow: Follow): (limit: number) => Region {
  const reachWithin = reachesAround(target, follow.direction);
  const [, a, b] = target;
  return (limit) => {
    const [l0, l1] = lightnessReach(target[0], limit);
    const widest = Math.max(
      lightnessWeight((l0 + target[0]) / 2),
      lightnessWeight((l1 + target[0]) / 2),
      lightnessWeight(target[0]),
    );
    const isMixed = limit >= MIXED_FROM;
    const slices = Array.from({ length: SLICES }, (_, i): Range[] => {
      const from = l0 + ((l1 - l0) * i) / SLICES;
      const to = l0 + ((l1 - l0) * (i + 1)) / SLICES;
      const spent = Math.max(0, from - target[0], target[0] - to) / widest;
      const reach = reachWithin(Math.sqrt(Math.max(0, limit * limit - spent * spent)));
      const f: Range = [(from + 16) / 116, (to + 16) / 116];
      const plain: Range[] = [
        [expand(f[0]) * white[1], expand(f[1]) * white[1]],
        followedRange(white[0], follow.x * white[1], f, [(a + reach.a[0]) / 500, (a + reach.a[1]) / 500]),
        followedRange(white[2], follow.z * white[1], f, [-(b + reach.b[1]) / 200, -(b + reach.b[0]) / 200]),
      ];
      const mixed = [follow.out, follow.aside].map((by): Range =>
        isMixed ? mixtureRange(target, reach, f, by, white, follow) : [0, 0],
      );
      return [...plain, ...mixed];
    });
    return { measures: isMixed ? SLICE / 2 : PLAIN, slices: Float64Array.from(slices.flat(2)) };
  };
}

/** Measures that are worked out of every set of recipes; the mixtures only where these do not tell. */
export const PLAIN = 3;

/** Whether a region and a box of measures, least and most of the first `count`, have nothing in common. */
export function isApart({ slices }: Region, low: Float64Array, high: Float64Array, count: number): boolean {
  for (let at = 0; at < slices.length; at += SLICE) {
    let m = 0;
    while (m < count && high[m]! >= slices[at + 2 * m]! && low[m]! <= slices[at + 2 * m + 1]!) m++;
    if (m === count) return false;
  }
  return true;
}
