import {
  chromaWeight,
  hueTerm,
  hueWeight,
  lightnessWeight,
  redStretch,
  rotation,
  STEEPEST_HUE_TERM,
} from "@/core/colour/ciede2000";
import type { Lab } from "@/core/colour/lab";

/** Lowest and highest L* within `limit` ΔE00 of L. */
export function lightnessReach(L: number, limit: number): [number, number] {
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
  const samples = Math.max(2, Math.ceil(half / 8));
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

type Range = readonly [low: number, high: number];

/** Differences in a* and b* of colours near a target, and the same along the target's own chroma and across it. */
export interface Reach {
  readonly a: Range;
  readonly b: Range;
  readonly along: Range;
  readonly across: Range;
}

/** Edges of the rings of chroma (stretched, C') into which the plane is cut: no colour of a surface lies beyond the last. */
const RINGS = [
  ...Array.from({ length: 41 }, (_, i) => 3 * i),
  ...Array.from({ length: 10 }, (_, i) => 128 + 8 * i),
  240,
  320,
  600,
];
/** Sectors of hue of each ring. */
const SECTORS = 72;

/** Least u² + v² − ρ·u·v over ranges of sizes u and v: it is convex, so its least value lies on an edge or where both are 0. */
function leastForm([u0, u1]: Range, [v0, v1]: Range, rho: number): number {
  const form = (u: number, v: number) => u * u + v * v - rho * u * v;
  const within = (x: number, from: number, to: number) => Math.min(to, Math.max(from, x));
  return Math.min(
    form(u0, within((rho * u0) / 2, v0, v1)),
    form(u1, within((rho * u1) / 2, v0, v1)),
    form(within((rho * v0) / 2, u0, u1), v0),
    form(within((rho * v1) / 2, u0, u1), v1),
  );
}

/** Range of a cosine over angles (degrees) within `half` of `middle`. */
function cosines(middle: number, half: number): Range {
  const rad = Math.PI / 180;
  const ends = [Math.cos((middle - half) * rad), Math.cos((middle + half) * rad)] as const;
  const holds = (angle: number) => Math.abs(((middle - angle + 540) % 360) - 180) <= half;
  return [holds(180) ? -1 : Math.min(...ends), holds(0) ? 1 : Math.max(...ends)];
}

const times = ([a0, a1]: Range, [b0, b1]: Range): Range => {
  const all = [a0 * b0, a0 * b1, a1 * b0, a1 * b1];
  return [Math.min(...all), Math.max(...all)];
};

const plus = (p: Range, q: Range): Range => [p[0] + q[0], p[1] + q[1]];
/** What two ranges have in common. */
const both = (p: Range, q: Range): Range => [Math.max(p[0], q[0]), Math.min(p[1], q[1])];

interface Cell {
  /** No colour of the cell has a smaller chroma and hue part of ΔE00. */
  readonly least: number;
  readonly a: Range;
  readonly b: Range;
}

/** The plane around a target in rings and sectors, each with the least that the chroma and hue parts of ΔE00 can be there. */
function cellsAround([, a, b]: Lab): Cell[] {
  const c = Math.hypot(a, b);
  const degrees = (stretch: number) => (Math.atan2(b, a * stretch) * 180) / Math.PI;
  const half = 180 / SECTORS;
  const cells: Cell[] = [];
  for (let ring = 0; ring + 1 < RINGS.length; ring++) {
    const [k0, k1] = [RINGS[ring]!, RINGS[ring + 1]!];
    // How far a* is stretched depends on the plain chroma of both, which is at most C' and at least two thirds of it.
    const stretch: Range = [redStretch((c + k1) / 2), redStretch((c + k0 / 1.5) / 2)];
    const own: Range = [Math.hypot(a * stretch[0], b), Math.hypot(a * stretch[1], b)];
    const [h0, h1] = [degrees(stretch[0]), degrees(stretch[1])];
    const [hue, unsure] = [(h0 + h1) / 2, Math.abs(h1 - h0) / 2];
    const mean: Range = [(own[0] + k0) / 2, (own[1] + k1) / 2];
    const dC: Range = [Math.max(0, k0 - own[1], own[0] - k1), Math.max(k1 - own[0], own[1] - k0)];
    const u: Range = [dC[0] / chromaWeight(mean[1]), dC[1] / chromaWeight(mean[0])];
    const chromaSign = k0 >= own[1] ? 1 : k1 <= own[0] ? -1 : 0;
    for (let sector = 0; sector < SECTORS; sector++) {
      const middle = (360 * (sector + 0.5)) / SECTORS;
      const turn = ((((middle - hue + 180) % 360) + 360) % 360) - 180;
      const loose = half + unsure;
      const [least, most] = [Math.max(0, Math.abs(turn) - loose), Math.min(180, Math.abs(turn) + loose)];
      const isSided = least > 0 && Math.abs(turn) + loose < 180;
      const [meanHue, meanHalf] = isSided || least === 0 ? [hue + turn / 2, loose / 2 + unsure] : [hue, 180];
      const sine = (angle: number) => Math.sin((angle * Math.PI) / 360);
      const v: Range = [
        (2 * Math.sqrt(own[0] * k0) * sine(least)) / hueWeight(mean[1], mostHueTerm(meanHue, meanHalf)),
        2 * Math.sqrt(own[1] * k1) * sine(most),
      ];
      // The rotation takes away only where chroma and hue differ in the same direction.
      const parted = isSided && chromaSign !== 0 && Math.sign(turn) !== chromaSign;
      const rho = parted ? 0 : rotationBound(mean[1], meanHue, meanHalf);
      const back: Range = [1 / stretch[1], 1 / stretch[0]];
      cells.push({
        least: Math.sqrt(Math.max(0, leastForm(u, v, rho))),
        a: times(times([k0, k1], cosines(middle, half)), back),
        b: times([k0, k1], cosines(middle - 90, half)),
      });
    }
  }
  return cells;
}

/**
 * Rectangle around colours whose chroma and hue parts of ΔE00 stay within a limit, by formula: close where the limit is small.
 * ΔE00² ≥ u² + v² + RT·u·v with u = ΔC'/SC and v = ΔH'/SH, so neither of the two is more than ΔE00/√(1 − RT²/4), and the distance in the a'b
 * plane is √(ΔC'² + ΔH'²). SC grows with the mean chroma, so a limit reaches less far inward. Each round narrows the region over which SC, SH
 * and RT are bounded. Along the target's own direction a colour of chroma C2' and hue Δh away lies ΔC' − ΔH'²/(2·C1') further out, and
 * C2'·sin Δh aside, which is at most |ΔH'|·√(C2'/C1'). What a' is stretched beyond a*, and turned by that, is added on all sides.
 */
function reachByFormula(target: Lab, limit: number): { along: Range; across: Range } | undefined {
  const c = Math.hypot(target[1], target[2]);
  const degrees = (a: number) => ((Math.atan2(target[2], a) * 180) / Math.PI + 360) % 360;
  const h = degrees(target[1]);
  const turnOf = (stretch: number) => Math.abs(((degrees(target[1] * stretch) - h + 540) % 360) - 180);
  let stretch = redStretch(c / 2);
  const c0 = Math.hypot(target[1] * stretch, target[2]);
  const tilt = turnOf(stretch);
  let [turned, weight] = [1.733, 1.93];
  let all = Infinity;
  let [more, less, dH] = [Infinity, Infinity, Infinity];
  for (let round = 0; round < 3; round++) {
    const k = limit / Math.sqrt(1 - (turned * turned) / 4);
    if (k * 0.0225 >= 1) return undefined;
    const c1 = (c0 * (1 + 0.0225 * k) + k) / (1 - 0.0225 * k);
    const mean = (c0 + c1) / 2;
    more = k * chromaWeight(mean);
    less = (k * chromaWeight(c0)) / (1 + 0.0225 * k);
    dH = k * hueWeight(mean, weight);
    all = Math.min(all, Math.hypot(more, dH));
    const half = all < c ? (Math.asin(all / c) * 180) / Math.PI + tilt : 180;
    turned = Math.min(turned, rotationBound(mean, h, half));
    weight = Math.min(weight, mostHueTerm(h, half));
  }
  if (all >= c) return { along: [-all, all], across: [-all, all] };
  // The mean chroma of the two is no less than this.
  stretch = redStretch(c - all / 2);
  const loose = all * (1 - 1 / stretch + (turnOf(stretch) * Math.PI) / 180);
  const aside = Math.min(all, dH * Math.sqrt(1 + more / c) + loose);
  return {
    along: [-Math.min(all, less + (dH * dH) / (2 * c) + loose), Math.min(all, more + loose)],
    across: [-aside, aside],
  };
}

/** The smallest rectangles, upright and along the target's chroma, around all cells up to each one in order of their least difference. */
export function reachesAround(target: Lab, [u, v]: readonly [number, number]): (limit: number) => Reach {
  const cells = cellsAround(target).sort((p, q) => p.least - q.least);
  const reaches: Reach[] = [];
  let sides: readonly [Range, Range, Range, Range] = [
    [Infinity, -Infinity],
    [Infinity, -Infinity],
    [Infinity, -Infinity],
    [Infinity, -Infinity],
  ];
  for (const cell of cells) {
    const [a, b] = [cell.a.map((x) => x - target[1]), cell.b.map((x) => x - target[2])] as unknown as [
      Range,
      Range,
    ];
    const along = plus(times(a, [u, u]), times(b, [v, v]));
    const across = plus(times(a, [-v, -v]), times(b, [u, u]));
    const own = [a, b, along, across];
    sides = sides.map(([low, high], i): Range => [
      Math.min(low, own[i]![0]),
      Math.max(high, own[i]![1]),
    ]) as unknown as typeof sides;
    reaches.push({ a: sides[0], b: sides[1], along: sides[2], across: sides[3] });
  }
  return (limit) => {
    let [low, high] = [0, cells.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (cells[middle]!.least <= limit + 1e-9) low = middle + 1;
      else high = middle;
    }
    const near = reaches[Math.max(0, low - 1)]!;
    const formula = reachByFormula(target, limit);
    if (!formula) return near;
    const along = both(near.along, formula.along);
    const across = both(near.across, formula.across);
    return {
      along,
      across,
      a: both(near.a, plus(times(along, [u, u]), times(across, [-v, -v]))),
      b: both(near.b, plus(times(along, [v, v]), times(across, [u, u]))),
    };
  };
}
