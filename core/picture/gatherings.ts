import { deltaE00 } from "@/core/colour/delta-e00";
import type { Lab } from "@/core/colour/lab";
import { nearestOf } from "./distance";
import { areAlike, isBareSheet, looksOf } from "./gather";
import type { Bytes } from "./plane";
import type { Region, Regions } from "./regions";
import { tilesOf } from "./tiles";

/** Why shapes are proposed as one area. */
export const GATHERINGS = ["one colour", "heavier outline", "alike", "hatching"] as const;
export type GatheringKind = (typeof GATHERINGS)[number];

/** Shapes that are proposed as one area; no shape is in two proposals. */
export interface Gathering {
  readonly kind: GatheringKind;
  /** Region numbers, the largest first. */
  readonly regions: readonly number[];
}

/** What is known of a drawing beside its regions. */
export interface Seen {
  readonly found: Regions;
  readonly line: Bytes;
  readonly mmPerPixel: number;
  /** Colour of each region in the reference, by its number; undefined where it shows none. */
  readonly colours?: readonly (Lab | undefined)[];
}

/** ΔE00 within which neighbouring shapes have one colour in a reference. */
const ONE_COLOUR = 4;
/** Shapes of one colour lie near each other within this multiple of the smaller one's side; such as are alike too, within the second. */
const [NEAR, NEAR_ALIKE] = [1.2, 3] as const;
/** More shapes than this are a texture: what lies near what is not asked. */
const MOST_SCATTERED = 4000;
/** Pairs of such shapes that are looked at: stripes across each other all lie near all others. */
const MOST_PAIRS = 200_000;
/** Coverage from which on a pixel is line. */
const LINE = 100;
/** An outline is heavier when it is this much thicker than the lines within it; and such is this share of all lines at least. */
const HEAVIER = 1.6;
const LEAST_SHARE = 0.08;
/** Share of what bounds shapes together that must be heavy. */
const ENCLOSED = 0.8;
/** A gathering within an outline that holds more of the drawing than this tells nothing. */
const NEARLY_ALL = 0.7;
/** Strokes of hatching leave shapes narrower than this, mm, longer than so many of their widths. */
const [NARROW, LONG] = [1.3, 4] as const;
const FEWEST_STROKES = 3;
/** Share of the longest border with a shape beside them from which on another is as good. */
const NEARLY_AS_LONG = 0.7;

/** Numbers that are joined step by step. */
function joining(count: number) {
  const parent = Int32Array.from({ length: count + 1 }, (_, i) => i);
  const root = (i: number): number => {
    while (parent[i] !== i) i = parent[i] = parent[parent[i]!]!;
    return i;
  };
  return { root, join: (a: number, b: number) => (parent[root(a)] = root(b)) };
}

/** Sets of two and more that came together of what `may`. */
function setsOf(regions: readonly Region[], root: (i: number) => number, may: (r: Region) => boolean) {
  const sets = new Map<number, number[]>();
  for (const r of regions) {
    if (!may(r)) continue;
    const own = sets.get(root(r.id));
    if (own) own.push(r.id);
    else sets.set(root(r.id), [r.id]);
  }
  return [...sets.values()].filter((s) => s.length > 1);
}

/** Half width of the line along each border, pixels: the mean of how deep in the line the border runs; 0 where a gap was closed. */
function halfWidths({ labels, borders }: Regions, line: Bytes): number[] {
  const { width, height, data } = labels;
  const bare = Uint8Array.from(line.data, (v) => (v < LINE ? 1 : 0));
  const { squared } = nearestOf(bare, width, height);
  const count = 1 + borders.reduce((most, { a, b }) => Math.max(most, a, b), 0);
  const placeOf = new Map(borders.map(({ a, b }, i) => [a * count + b, i]));
  const sums = new Float64Array(borders.length);
  const counts = new Uint32Array(borders.length);
  const add = (p: number, q: number) => {
    const [a, b] = [data[p]!, data[q]!];
    if (a === b || !a || !b) return;
    const i = placeOf.get(Math.min(a, b) * count + Math.max(a, b));
    if (i === undefined) return;
    sums[i]! += Math.sqrt(Math.max(squared[p]!, squared[q]!));
    counts[i]!++;
  };
  for (let y = 0, p = 0; y < height; y++)
    for (let x = 0; x < width; x++, p++) {
      if (x + 1 < width) add(p, p + 1);
      if (y + 1 < height) add(p, p + width);
    }
  return borders.map((_, i) => (counts[i] ? sums[i]! / counts[i]! : 0));
}

/**
 * The width that parts thin lines from heavy ones, by the length of both: where the spread between the two is greatest. N. Otsu, IEEE Transactions on
 * Systems, Man, and Cybernetics 9 (1979) 62–66. Undefined when all are of one kind.
 */
function heavyFrom(widths: readonly number[], lengths: readonly number[]): number | undefined {
  const order = widths.map((_, i) => i).sort((a, b) => widths[a]! - widths[b]!);
  const total = lengths.reduce((a, b) => a + b, 0);
  const all = order.reduce((sum, i) => sum + widths[i]! * lengths[i]!, 0);
  let [length, sum, best, limit, ratio, share] = [0, 0, 0, 0, 0, 0];
  order.slice(0, -1).forEach((i, n) => {
    length += lengths[i]!;
    sum += widths[i]! * lengths[i]!;
    const next = widths[order[n + 1]!]!;
    if (!length || length >= total || next === widths[i]) return;
    const [thin, heavy] = [sum / length, (all - sum) / (total - length)];
    const spread = length * (total - length) * (heavy - thin) ** 2;
    if (spread > best)
      [best, limit, ratio, share] = [spread, (widths[i]! + next) / 2, heavy / thin, 1 - length / total];
  });
  return ratio >= HEAVIER && share >= LEAST_SHARE && share <= 1 - LEAST_SHARE ? limit : undefined;
}

/** Shapes that a heavier outline encloses, parted by thinner lines only. */
function withinOutlines({ found, line }: Seen, may: (r: Region) => boolean): number[][] {
  const { regions, borders } = found;
  const widths = halfWidths(found, line);
  const limit = heavyFrom(
    widths,
    borders.map((b) => b.length),
  );
  if (limit === undefined) return [];
  const { root, join } = joining(regions.length);
  borders.forEach(({ a, b }, i) => {
    if (widths[i]! < limit && may(regions[a - 1]!) && may(regions[b - 1]!)) join(a, b);
  });
  const whole = regions.reduce((sum, r) => sum + (may(r) ? r.pixels : 0), 0);
  // What is bounded by thin lines too, as by those against the bare sheet, is not enclosed.
  const [thin, heavy] = [new Float64Array(regions.length + 1), new Float64Array(regions.length + 1)];
  borders.forEach(({ a, b, length }, i) => {
    if (root(a) === root(b)) return;
    const side = widths[i]! < limit ? thin : heavy;
    for (const r of [a, b]) side[root(r)]! += length;
  });
  return setsOf(regions, root, may).filter(
    ([first, ...others]) =>
      heavy[root(first!)]! >= ENCLOSED * (heavy[root(first!)]! + thin[root(first!)]!) &&
      [first!, ...others].reduce((sum, id) => sum + regions[id - 1]!.pixels, 0) < NEARLY_ALL * whole,
  );
}

/** Pairs of shapes that lie near each other with nothing but bare sheet or other shapes between: pebbles, bubbles, leaves. */
function scattered(regions: readonly Region[]): { readonly a: number; readonly b: number }[] {
  if (regions.length > MOST_SCATTERED) return [];
  const looks = new Map(regions.map((r) => [r.id, looksOf(r)]));
  const order = [...regions].sort((p, q) => p.box[0] - q.box[0]);
  const out: { a: number; b: number }[] = [];
  order.forEach((p, i) => {
    const side = Math.sqrt(p.pixels);
    for (let j = i + 1; j < order.length && out.length < MOST_PAIRS; j++) {
      const q = order[j]!;
      const across = q.box[0] - p.box[2];
      if (across > NEAR_ALIKE * side) break;
      const down = Math.max(q.box[1] - p.box[3], p.box[1] - q.box[3]);
      const gap = Math.hypot(Math.max(0, across), Math.max(0, down));
      const small = Math.min(side, Math.sqrt(q.pixels));
      if (gap <= NEAR * small || (gap <= NEAR_ALIKE * small && areAlike(looks.get(p.id)!, looks.get(q.id)!)))
        out.push({ a: p.id, b: q.id });
    }
  });
  return out;
}

/** Shapes beside or near each other that a reference gives one colour; a shape joins what its colour is like on the whole, not what is next to it only. */
function ofOneColour({ found, colours = [] }: Seen, may: (r: Region) => boolean): number[][] {
  const { regions, borders } = found;
  const { root, join } = joining(regions.length);
  const means = new Map<number, { lab: Lab; pixels: number }>();
  for (const r of regions) {
    const lab = colours[r.id];
    if (lab && may(r)) means.set(r.id, { lab, pixels: r.pixels });
  }
  const apart = (a: number, b: number) => {
    const [p, q] = [means.get(root(a)), means.get(root(b))];
    return p && q ? deltaE00(p.lab, q.lab) : Infinity;
  };
  const near = (pairs: readonly { readonly a: number; readonly b: number }[]) =>
    pairs
      .map(({ a, b }) => ({ a, b, off: apart(a, b) }))
      .filter((p) => p.off <= ONE_COLOUR)
      .sort((p, q) => p.off - q.off);
  // What touches comes first.
  for (const { a, b } of [...near(borders), ...near(scattered(regions.filter((r) => means.has(r.id))))]) {
    const [ra, rb] = [root(a), root(b)];
    if (ra === rb || apart(a, b) > ONE_COLOUR) continue;
    const [p, q] = [means.get(ra)!, means.get(rb)!];
    const pixels = p.pixels + q.pixels;
    const lab = p.lab.map((v, i) => (v * p.pixels + q.lab[i]! * q.pixels) / pixels) as unknown as Lab;
    join(a, b);
    means.set(root(a), { lab, pixels });
  }
  return setsOf(regions, root, (r) => means.has(root(r.id)) && may(r));
}

/** Strips that strokes of hatching leave, with the shape that they lie in. */
function hatched({ found, mmPerPixel }: Seen, may: (r: Region) => boolean): number[][] {
  const { regions, borders } = found;
  const isStrip = (r: Region) => {
    const width = 2 * r.reach;
    return may(r) && width * mmPerPixel < NARROW && r.pixels > LONG * width * width;
  };
  const strip = regions.map(isStrip);
  const { root, join } = joining(regions.length);
  for (const { a, b } of borders) if (strip[a - 1] && strip[b - 1]) join(a, b);
  const beside = new Map<number, Map<number, number>>();
  for (const { a, b, length } of borders) {
    if (strip[a - 1] === strip[b - 1]) continue;
    const [own, other] = strip[a - 1] ? [root(a), b] : [root(b), a];
    if (!may(regions[other - 1]!)) continue;
    const lengths = beside.get(own) ?? new Map<number, number>();
    beside.set(own, lengths.set(other, (lengths.get(other) ?? 0) + length));
  }
  return setsOf(regions, root, (r) => strip[r.id - 1]!)
    .filter((s) => s.length >= FEWEST_STROKES)
    .map((s) => {
      const sides = [...(beside.get(root(s[0]!)) ?? [])];
      const longest = Math.max(0, ...sides.map(([, length]) => length));
      // On both sides of the strokes may be as much border: they lie in the larger shape then.
      const [host] = sides
        .filter(([, length]) => length >= NEARLY_AS_LONG * longest)
        .sort(([p], [q]) => regions[q - 1]!.pixels - regions[p - 1]!.pixels);
      return host ? [...s, host[0]] : s;
    });
}

/**
 * Shapes that had better be one area each: those of one colour in the reference, those within a heavier outline, repeated ones (tiles, bricks,
 * scales), and strokes of hatching with what they lie in. What shows first counts; the bare sheet round the drawing is in none.
 * @param may whether a region may be gathered
 */
export function gatheringsOf(seen: Seen, may: (region: number) => boolean = () => true): Gathering[] {
  const { found } = seen;
  const isOpen = (r: Region) => may(r.id) && !isBareSheet(r, found.labels);
  const sets: Readonly<Record<GatheringKind, () => readonly (readonly number[])[]>> = {
    "one colour": () => ofOneColour(seen, isOpen),
    "heavier outline": () => withinOutlines(seen, isOpen),
    alike: () => tilesOf(found, (id) => isOpen(found.regions[id - 1]!)).map((t) => t.regions),
    hatching: () => hatched(seen, isOpen),
  };
  const taken = new Set<number>();
  return GATHERINGS.flatMap((kind) =>
    sets[kind]().flatMap((set): Gathering[] => {
      const regions = set
        .filter((r) => !taken.has(r))
        .sort((a, b) => found.regions[b - 1]!.pixels - found.regions[a - 1]!.pixels);
      if (regions.length < 2) return [];
      for (const r of regions) taken.add(r);
      return [{ kind, regions }];
    }),
  );
}
