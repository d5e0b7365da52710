import { SHARE_STEPS } from "@/core/group/area-shares";
import type { Point } from "@/core/algebra/point";
import type { Ground } from "@/core/light/ground";
import { DARKEST } from "@/core/light/value-field";

/** A soft spot of the drawing. */
export interface Spot {
  /** Share (0–1) of the drawing. */
  readonly at: Point;
  /** mm. */
  readonly radius: number;
}

/** A spot that is made lighter (−1 … 0) or darker (0 … 1). */
export interface Touch extends Spot {
  readonly by: number;
}

/** What is wished of an area's tones. */
export interface ToneWish {
  /** It stays bare paper. */
  readonly white: boolean;
  /** Where each tone ends as planned, shares of the area from its lightest end: 0 … 1, one more than tones. */
  readonly borders: readonly number[];
  /** Where the tones between end by hand, in the same order and without 0 and 1; null goes by the plan. */
  readonly shares: readonly number[] | null;
  readonly touches: readonly Touch[];
  /** Spots that stay bare paper. */
  readonly whites: readonly Spot[];
}

export const NO_TONES: ToneWish = { white: false, borders: [0, 1], shares: null, touches: [], whites: [] };

export interface ToneMap {
  /** For each pixel 0 where no ink goes, else 1 + 254 t: its place t from the area's lightest end (0) to its darkest (1). */
  readonly places: Uint8Array;
  /** Pixels of each area at each place: 256 an area. */
  readonly counts: Uint32Array;
}

/** How much a full touch changes, as a share of the whole range of values. */
const TOUCH = 0.45;
/** Span of values, as a share of the range, from which on an area takes all of its tones; what is flatter stays about its local colour. */
const FULL_SPAN = 0.05;
/** Values are counted in so many steps. */
const STEPS = 2048;
/**
 * Where very many pixels have one value, as on a flat ground, what is more than so many times the even share of a value is spread over this share
 * of the area's span. Otherwise such a ground would jump to another tone where the palest shade begins.
 */
const CROWDED = 24;
const SPREAD = 0.09;
/** Ends that do not count for the span. */
const [LOW, HIGH] = [0.05, 0.95] as const;

/** Values with touches put on: a Gaussian each, of half its radius. */
function touched(
  values: Uint16Array,
  { width, height, own, mmPerPixel }: Ground,
  wishes: readonly ToneWish[],
): Uint16Array {
  if (wishes.every((w) => !w.touches.length)) return values;
  const out = values.slice();
  wishes.forEach(({ touches }, area) => {
    for (const { at, radius, by } of touches) {
      const r = radius / mmPerPixel;
      const [cx, cy] = [at[0] * width, at[1] * height];
      for (let y = Math.max(0, Math.floor(cy - 2.2 * r)); y < Math.min(height, cy + 2.2 * r); y++)
        for (let x = Math.max(0, Math.floor(cx - 2.2 * r)); x < Math.min(width, cx + 2.2 * r); x++) {
          const p = y * width + x;
          if (own[p] !== area) continue;
          const far = ((x + 0.5 - cx) ** 2 + (y + 0.5 - cy) ** 2) / (r * r);
          const v = out[p]! + by * TOUCH * DARKEST * Math.exp(-2 * far);
          out[p] = Math.min(DARKEST, Math.max(0, v));
        }
    }
  });
  return out;
}

/** Counts in which no value is crowded: what is too much of one is spread over those beside it by two running means, near a Gaussian. */
function uncrowded(counts: Uint32Array, span: number): Float64Array {
  const total = counts.reduce((a, b) => a + b, 0);
  const most = (CROWDED * total) / Math.max(1, span);
  const radius = Math.round(SPREAD * span);
  let excess = Float64Array.from(counts, (n) => Math.max(0, n - most));
  for (let round = 0; round < 2; round++) {
    const next = new Float64Array(STEPS);
    // Each step gives its share to those around it that there are: nothing is lost at the ends.
    const given = excess.map((n, v) => n / (Math.min(STEPS - 1, v + radius) - Math.max(0, v - radius) + 1));
    let sum = 0;
    for (let v = 0; v < Math.min(radius, STEPS); v++) sum += given[v]!;
    for (let v = 0; v < STEPS; v++) {
      if (v + radius < STEPS) sum += given[v + radius]!;
      if (v - radius - 1 >= 0) sum -= given[v - radius - 1]!;
      next[v] = Math.max(0, sum);
    }
    excess = next;
  }
  return excess.map((n, v) => n + Math.min(counts[v]!, most));
}

/** Leads from a share of the area to the place t that the plan means by it: straight between the borders of the tones. */
function placeOf({ borders, shares }: ToneWish): (share: number) => number {
  if (!shares || shares.length !== borders.length - 2) return (s) => s;
  const said = [0, ...shares, 1];
  return (s) => {
    let k = 0;
    while (k < said.length - 2 && s > said[k + 1]!) k++;
    const long = said[k + 1]! - said[k]!;
    const part = long > 1e-9 ? (s - said[k]!) / long : 0.5;
    return borders[k]! + Math.min(1, Math.max(0, part)) * (borders[k + 1]! - borders[k]!);
  };
}

/**
 * Where each tone of each area goes: its values in order, so that every tone has the share of the area that the plan gives it. Equal values
 * share the middle of their places.
 * @param values 0 light to 65535 dark
 */
export function toneMap(plain: Uint16Array, ground: Ground, wishes: readonly ToneWish[]): ToneMap {
  const { own, width, height, mmPerPixel } = ground;
  const values = touched(plain, ground, wishes);
  const n = wishes.length;
  const histogram = new Uint32Array(n * STEPS);
  const shift = Math.log2((DARKEST + 1) / STEPS);
  for (let p = 0; p < own.length; p++)
    if (own[p]! >= 0) histogram[own[p]! * STEPS + (values[p]! >> shift)]!++;
  const places = new Uint8Array(own.length);
  const table = new Uint8Array(n * STEPS);
  wishes.forEach((wish, area) => {
    if (wish.white) return;
    const plainCounts = histogram.subarray(area * STEPS, (area + 1) * STEPS);
    const total = plainCounts.reduce((a, b) => a + b, 0);
    if (!total) return;
    let [low, high, sum] = [0, STEPS, 0];
    for (let v = 0; v < STEPS; v++) {
      if (sum <= LOW * total) low = v;
      if (sum < HIGH * total) high = v;
      sum += plainCounts[v]!;
    }
    const counts = uncrowded(plainCounts, high - low);
    const stretch = Math.min(1, (high - low) / (FULL_SPAN * STEPS));
    const toPlace = placeOf(wish);
    sum = 0;
    for (let v = 0; v < STEPS; v++) {
      const share = (sum + counts[v]! / 2) / total;
      sum += counts[v]!;
      table[area * STEPS + v] = 1 + Math.round(254 * toPlace(0.5 + stretch * (share - 0.5)));
    }
  });
  for (let p = 0; p < own.length; p++)
    if (own[p]! >= 0) places[p] = table[own[p]! * STEPS + (values[p]! >> shift)]!;
  wishes.forEach(({ whites }, area) => {
    for (const { at, radius } of whites) {
      const r = radius / mmPerPixel;
      const [cx, cy] = [at[0] * width, at[1] * height];
      for (let y = Math.max(0, Math.floor(cy - r)); y < Math.min(height, cy + r); y++)
        for (let x = Math.max(0, Math.floor(cx - r)); x < Math.min(width, cx + r); x++)
          if (own[y * width + x] === area && Math.hypot(x + 0.5 - cx, y + 0.5 - cy) < r)
            places[y * width + x] = 0;
    }
  });
  return { places, counts: countPlaces(places, ground) };
}

/** Pixels of each area at each place: 256 an area. */
export function countPlaces(places: Uint8Array, { own, count }: Pick<Ground, "own" | "count">): Uint32Array {
  const counts = new Uint32Array(count * 256);
  for (let p = 0; p < own.length; p++) if (own[p]! >= 0) counts[own[p]! * 256 + places[p]!]!++;
  return counts;
}

/** The place t (0–1) of a byte of a tone map that is not 0. */
export const tOf = (byte: number): number => (byte - 1) / 254;

/** How an area is divided from its lightest end to its darkest, in {@link SHARE_STEPS} steps; undefined where none of it is inked. */
export function sharesOf(counts: Uint32Array, area: number): number[] | undefined {
  const shares = Array<number>(SHARE_STEPS).fill(0);
  let inked = 0;
  for (let b = 1; b < 256; b++) {
    const n = counts[area * 256 + b]!;
    shares[Math.min(SHARE_STEPS - 1, Math.floor(tOf(b) * SHARE_STEPS))]! += n;
    inked += n;
  }
  return inked ? shares.map((n) => n / inked) : undefined;
}

/** mm² of an area between two places, ends included where they are the area's own. */
export function mm2Between(
  counts: Uint32Array,
  area: number,
  from: number,
  to: number,
  mmPerPixel: number,
): number {
  let pixels = 0;
  for (let b = 1; b < 256; b++) {
    const t = tOf(b);
    if (t >= from && (t < to || (to >= 1 && t <= 1))) pixels += counts[area * 256 + b]!;
  }
  return pixels * mmPerPixel ** 2;
}

/** Zone of a place, from 0: which tone is seen there. */
export function zoneAt(borders: readonly number[], t: number): number {
  let k = 0;
  while (k < borders.length - 2 && t >= borders[k + 1]!) k++;
  return k;
}
