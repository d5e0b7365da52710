import type { Point } from "@/core/algebra/point";
import type { Labels } from "./plane";
import type { Region, Regions } from "./regions";

/** Share of a region's pixels within an outline from which on it was meant. */
const MEANT = 0.6;
/** Pixels in a row of a stroke that are a crossing, not a graze. */
const CROSSED = 3;

/** Pixels of each region inside an outline (even-odd rule), by the region's number. */
function insideOf({ width, height, data }: Labels, outline: readonly Point[], count: number): Uint32Array {
  const inside = new Uint32Array(count + 1);
  const corners = outline.map(([x, y]) => [x * width, y * height] as const);
  const top = Math.max(0, Math.floor(Math.min(...corners.map((c) => c[1]))));
  const bottom = Math.min(height, Math.ceil(Math.max(...corners.map((c) => c[1]))));
  for (let y = top; y < bottom; y++) {
    const crossings: number[] = [];
    corners.forEach(([x0, y0], i) => {
      const [x1, y1] = corners[(i + 1) % corners.length]!;
      const middle = y + 0.5;
      if (y0 <= middle !== y1 <= middle) crossings.push(x0 + ((middle - y0) / (y1 - y0)) * (x1 - x0));
    });
    crossings.sort((a, b) => a - b);
    for (let i = 0; i + 1 < crossings.length; i += 2) {
      const from = Math.max(0, Math.ceil(crossings[i]! - 0.5));
      const to = Math.min(width - 1, Math.floor(crossings[i + 1]! - 0.5));
      for (let x = from; x <= to; x++) inside[data[y * width + x]!]!++;
    }
  }
  return inside;
}

/**
 * Regions that lie for the most part within a drawn outline, which is closed from its last point to its first.
 * @param outline points in shares (0–1) of the drawing
 */
export function regionsAround({ labels, regions }: Regions, outline: readonly Point[]): number[] {
  if (outline.length < 3) return [];
  const inside = insideOf(labels, outline, regions.length);
  return regions.filter((r) => inside[r.id]! >= MEANT * r.pixels).map((r) => r.id);
}

/** Regions that a drawn stroke crosses, in the order in which it does. */
export function regionsAcross({ labels }: Regions, stroke: readonly Point[]): number[] {
  const { width, height, data } = labels;
  const found = new Set<number>();
  let [last, run] = [0, 0];
  const visit = (x: number, y: number) => {
    const px = Math.min(width - 1, Math.max(0, Math.floor(x * width)));
    const py = Math.min(height - 1, Math.max(0, Math.floor(y * height)));
    const region = data[py * width + px]!;
    run = region === last ? run + 1 : 1;
    last = region;
    if (region && run >= CROSSED) found.add(region);
  };
  stroke.slice(1).forEach(([x1, y1], i) => {
    const [x0, y0] = stroke[i]!;
    const steps = Math.max(1, Math.ceil(Math.hypot((x1 - x0) * width, (y1 - y0) * height)));
    for (let s = 0; s <= steps; s++) visit(x0 + ((x1 - x0) * s) / steps, y0 + ((y1 - y0) * s) / steps);
  });
  return [...found];
}

/** Neighbours of each region, by its number. */
export function adjacency({ regions, borders }: Pick<Regions, "regions" | "borders">): Set<number>[] {
  const out = Array.from({ length: regions.length + 1 }, () => new Set<number>());
  for (const { a, b } of borders) {
    out[a]!.add(b);
    out[b]!.add(a);
  }
  return out;
}

/** Along more of the picture's edge than this a region is the bare sheet round the drawing, of the whole round. */
const ROUND = 0.5;
/** Whether a region is the bare sheet round the drawing. */
export const isBareSheet = ({ edge }: Region, { width, height }: Pick<Labels, "width" | "height">): boolean =>
  edge > ROUND * 2 * (width + height);

/** Regions that share a border with one of some regions; the bare sheet is nobody's neighbour. */
export function neighboursOf(found: Regions, of: readonly number[]): number[] {
  const next = adjacency(found);
  const own = new Set(of);
  return [...new Set(of.flatMap((r) => [...next[r]!]))].filter(
    (r) => !own.has(r) && !isBareSheet(found.regions[r - 1]!, found.labels),
  );
}

/** Regions are alike within these factors of size and of width for height, and this share of their box. */
const ALIKE = { size: 1.8, shape: 1.6, full: 0.15 } as const;

/** How a region looks beside others: its size, its width for its height, and how far it fills its box. */
export interface Looks {
  readonly pixels: number;
  readonly shape: number;
  readonly full: number;
}

export const looksOf = ({ box: [left, top, right, bottom], pixels }: Region): Looks => {
  const [w, h] = [right - left, bottom - top];
  return { pixels, shape: w / h, full: pixels / (w * h) };
};

const within = (a: number, b: number, factor: number) => Math.max(a, b) <= factor * Math.min(a, b);

/** Whether two regions are alike, whichever way they lie. */
export function areAlike(p: Looks, q: Looks): boolean {
  const turned = within(p.shape, q.shape, ALIKE.shape) || within(p.shape, 1 / q.shape, ALIKE.shape);
  return within(p.pixels, q.pixels, ALIKE.size) && turned && Math.abs(p.full - q.full) <= ALIKE.full;
}

/** Regions anywhere in the drawing that are alike to one of some regions. */
export function alikeTo({ regions }: Regions, of: readonly number[]): number[] {
  const own = new Set(of);
  // What looks nearly the same is asked once, so that the work grows with the regions and not with their square.
  const steps = (v: number) => Math.round(Math.log2(v) * 8);
  const distinct = new Map<string, Looks>();
  for (const r of own) {
    const looks = looksOf(regions[r - 1]!);
    distinct.set([steps(looks.pixels), steps(looks.shape), Math.round(looks.full * 20)].join(), looks);
  }
  const wanted = [...distinct.values()];
  return regions
    .filter((r) => !own.has(r.id) && wanted.some((w) => areAlike(w, looksOf(r))))
    .map((r) => r.id);
}

/** Regions from which there is no way to the picture's edge but through some regions: what lies within them. */
export function enclosedBy(found: Regions, of: readonly number[]): number[] {
  const next = adjacency(found);
  const wall = new Set(of);
  const outside = new Set(found.regions.filter((r) => r.edge > 0 && !wall.has(r.id)).map((r) => r.id));
  const queue = [...outside];
  for (let i = 0; i < queue.length; i++)
    for (const r of next[queue[i]!]!)
      if (!wall.has(r) && !outside.has(r)) {
        outside.add(r);
        queue.push(r);
      }
  return found.regions.filter((r) => !wall.has(r.id) && !outside.has(r.id)).map((r) => r.id);
}
