import { bordersOf, type Border } from "./borders";
import { nearestOf } from "./distance";
import { flood } from "./flood";
import { MOST_REGIONS, type Bytes, type Labels } from "./plane";

/** A region between lines. Measures are in pixels. */
export interface Region {
  /** Its number in the labels, from 1. */
  readonly id: number;
  /** Pixels, half of the line round it included. */
  readonly pixels: number;
  /** Left, top, and first column and row beyond it. */
  readonly box: readonly [left: number, top: number, right: number, bottom: number];
  /** A pixel that lies farthest from the line, and how far: half of the region's width where it is widest. */
  readonly middle: readonly [x: number, y: number];
  readonly reach: number;
  /** Pixels along the picture's edge; none of a region that the edge does not touch. */
  readonly edge: number;
}

export interface Regions {
  readonly labels: Labels;
  readonly regions: readonly Region[];
  readonly borders: readonly Border[];
  /** Gaps in lines that were closed. */
  readonly gaps: number;
  /** Regions that were too small and belong to a neighbour now. */
  readonly specks: number;
}

export interface RegionWishes {
  /** Widest gap in a line that is closed, pixels. */
  readonly gap: number;
  /** Regions smaller than this belong to a neighbour, pixels. */
  readonly speck: number;
  /** How far into a line a region's ink may run, pixels: what lies deeper in a filled black is nobody's. */
  readonly under: number;
  /** Pixels that part regions without being line, 1 where they lie. */
  readonly cuts?: Uint8Array;
}

/** Share of a border from which on it is no line with gaps: between dots and dashes there is more gap than line. */
const MOSTLY_OPEN = 0.38;
/** Most cells between lines before specks are merged: a picture full of crosshatching has some ten thousand. */
const MOST_CELLS = 150_000;
/** Coverage from which a pixel is line. */
const LINE = 100;

/** More regions than can be numbered: the picture is no line art. */
export class TooManyRegions extends Error {
  constructor(readonly found: number) {
    super(`${found} regions`);
    this.name = "TooManyRegions";
  }
}

/** Borders of regions that others have been joined to; what lies within one is none. */
function among(borders: readonly Border[], own: Int32Array): Border[] {
  const lengths = new Map<number, number>();
  for (const { a, b, length } of borders) {
    const [p, q] = [Math.min(own[a]!, own[b]!), Math.max(own[a]!, own[b]!)];
    const key = p * own.length + q;
    if (p !== q) lengths.set(key, (lengths.get(key) ?? 0) + length);
  }
  return [...lengths].map(([key, length]) => ({
    a: Math.floor(key / own.length),
    b: key % own.length,
    length,
  }));
}

/** Regions that are parted by gaps more than by line are one: dots and hatching lie in it. */
function withoutTextures(
  count: number,
  open: readonly Border[],
  borders: readonly Border[],
): { own: Int32Array; opened: number } {
  const own = new Int32Array(count + 1);
  for (let i = 0; i <= count; i++) own[i] = i;
  const root = (i: number): number => {
    while (own[i] !== i) i = own[i] = own[own[i]!]!;
    return i;
  };
  const total = new Map(borders.map(({ a, b, length }) => [a * (count + 1) + b, length]));
  let opened = 0;
  for (const { a, b, length } of open) {
    if (length < MOSTLY_OPEN * total.get(a * (count + 1) + b)!) continue;
    const [p, q] = [root(a), root(b)];
    own[Math.max(p, q)] = Math.min(p, q);
    opened++;
  }
  for (let i = 0; i <= count; i++) own[i] = root(i);
  return { own, opened };
}

/** Whom each region belongs to once those that are too small have gone to a neighbour: layer by layer from the outside in, the longest border first. */
function withoutSpecks(
  sizes: Int32Array,
  borders: readonly Border[],
  speck: number,
): { own: Int32Array; specks: number } {
  const own = new Int32Array(sizes.length);
  for (let i = 0; i < own.length; i++) own[i] = i;
  const small = (i: number) => sizes[i]! < speck;
  let waiting = [...own.keys()].filter((i) => sizes[i] && small(i));
  const specks = waiting.length;
  if (!specks) return { own, specks };
  const beside = new Map<number, { to: number; length: number }[]>(waiting.map((i) => [i, []]));
  for (const { a, b, length } of borders) {
    beside.get(a)?.push({ to: b, length });
    beside.get(b)?.push({ to: a, length });
  }
  const placed = new Uint8Array(sizes.length);
  for (let i = 1; i < sizes.length; i++) placed[i] = sizes[i] && !small(i) ? 1 : 0;
  while (waiting.length) {
    const found = waiting.flatMap((i) => {
      const lengths = new Map<number, number>();
      for (const { to, length } of beside.get(i)!)
        if (placed[to]) lengths.set(own[to]!, (lengths.get(own[to]!) ?? 0) + length);
      let [best, most] = [0, 0];
      for (const [to, length] of lengths) if (length > most) [best, most] = [to, length];
      return best ? [[i, best] as const] : [];
    });
    // Small ones among themselves only: they stay what they are.
    if (!found.length) break;
    for (const [i, to] of found) {
      own[i] = to;
      placed[i] = 1;
    }
    waiting = waiting.filter((i) => !placed[i]);
  }
  return { own, specks: specks - waiting.length };
}

/** Gives line pixels to the region that is nearest, no deeper than `under`: ring by ring, each with the pixel that it was reached from. */
function underLine(labels: Int32Array, width: number, height: number, under: number): void {
  const deepest = Math.ceil(under * under);
  const rings: number[][] = Array.from({ length: deepest + 1 }, () => []);
  const reach = (p: number, x: number, y: number, from: number): void => {
    const fx = from % width;
    const d = (fx - x) ** 2 + ((from - fx) / width - y) ** 2;
    if (d <= deepest) rings[d]!.push(p, from);
  };
  const onward = (p: number, from: number): void => {
    const x = p % width;
    const y = (p - x) / width;
    if (x > 0 && !labels[p - 1]) reach(p - 1, x - 1, y, from);
    if (x + 1 < width && !labels[p + 1]) reach(p + 1, x + 1, y, from);
    if (y > 0 && !labels[p - width]) reach(p - width, x, y - 1, from);
    if (y + 1 < height && !labels[p + width]) reach(p + width, x, y + 1, from);
  };
  for (let p = 0; p < labels.length; p++) if (labels[p]) onward(p, p);
  // A ring is walked once; what it reaches lies farther out.
  for (const ring of rings)
    for (let i = 0; i < ring.length; i += 2) {
      const p = ring[i]!;
      if (labels[p]) continue;
      labels[p] = labels[ring[i + 1]!]!;
      onward(p, ring[i + 1]!);
    }
}

/**
 * The regions of a picture's line, numbered in the order in which they are met row by row: the same line gives the same regions.
 * @throws TooManyRegions for more than 65,535, or 150,000 before specks are merged
 */
export function regionsOf(
  { width, height, data }: Bytes,
  { gap, speck, under, cuts }: RegionWishes,
): Regions {
  const barred = new Uint8Array(data.length);
  for (let p = 0; p < data.length; p++) barred[p] = data[p]! >= LINE ? 1 : 0;
  if (cuts) for (let p = 0; p < data.length; p++) barred[p]! |= cuts[p]!;
  const nearest = nearestOf(barred, width, height);
  const { labels, count, gaps } = flood(nearest, width, height, gap);
  // Noise: there is no sense in measuring it.
  if (count > MOST_CELLS) throw new TooManyRegions(count);
  const open = gaps ? bordersOf(labels, width, height, count) : [];
  underLine(labels, width, height, Math.max(1, under));
  const borders = bordersOf(labels, width, height, count);
  const { own: whole, opened } = withoutTextures(count, open, borders);
  const sizes = new Int32Array(count + 1);
  for (let p = 0; p < labels.length; p++) sizes[whole[labels[p]!]!]!++;
  sizes[0] = 0;
  const { own, specks } = withoutSpecks(sizes, among(borders, whole), speck);
  const { numbers, kept } = numbered(
    labels,
    whole.map((o) => own[o]!),
  );
  if (kept > MOST_REGIONS) throw new TooManyRegions(kept);
  const out = new Uint16Array(labels.length);
  for (let p = 0; p < out.length; p++) out[p] = numbers[labels[p]!]!;
  return {
    labels: { width, height, data: out },
    regions: measured(out, nearest.squared, width, height, kept),
    borders: bordersOf(out, width, height, kept),
    gaps: gaps - opened,
    specks,
  };
}

/** New numbers from 1 in the order in which regions are met. */
function numbered(labels: Int32Array, own: Int32Array): { numbers: Int32Array; kept: number } {
  const ofOwner = new Int32Array(own.length);
  let kept = 0;
  for (const l of labels) if (l && !ofOwner[own[l]!]) ofOwner[own[l]!] = ++kept;
  return { numbers: own.map((o) => ofOwner[o]!), kept };
}

function measured(
  labels: Uint16Array,
  squared: Uint32Array,
  width: number,
  height: number,
  count: number,
): Region[] {
  const found = Array.from({ length: count + 1 }, () => ({
    pixels: 0,
    left: width,
    top: height,
    right: 0,
    bottom: 0,
    far: -1,
    at: 0,
    edge: 0,
  }));
  // Beside the picture's edge nothing says how far the region goes on: half of it counts as a border for the middle.
  for (let y = 0, p = 0; y < height; y++)
    for (let x = 0; x < width; x++, p++) {
      if (!labels[p]) continue;
      const r = found[labels[p]!]!;
      r.pixels++;
      if (x < r.left) r.left = x;
      if (x >= r.right) r.right = x + 1;
      if (y < r.top) r.top = y;
      if (y >= r.bottom) r.bottom = y + 1;
      const side = Math.min(x, y, width - 1 - x, height - 1 - y);
      if (side === 0) r.edge++;
      const within = Math.min(squared[p]!, (side + 1) ** 2);
      if (within > r.far) [r.far, r.at] = [within, p];
    }
  return found.slice(1).map((r, i) => ({
    id: i + 1,
    pixels: r.pixels,
    box: [r.left, r.top, r.right, r.bottom],
    middle: [r.at % width, Math.floor(r.at / width)],
    reach: Math.max(0.5, Math.sqrt(Math.max(0, r.far)) - 0.5),
    edge: r.edge,
  }));
}
