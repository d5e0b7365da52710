import type { Regions } from "./regions";

/** Repeated blocks: tiles, bricks, scales. */
export interface Tiles {
  /** Region numbers. */
  readonly regions: readonly number[];
}

/** Blocks are as large as their neighbours within this factor, and as wide for their height. */
const ALIKE = 1.45;
/** Fewer blocks are no pattern. */
const FEWEST = 8;
/** Least share of its own box that a block fills: blocks are compact. */
const COMPACT = 0.55;

/** Groups of neighbouring regions of one size and shape. */
export function tilesOf(
  { regions, borders }: Regions,
  areaOf: (region: number) => boolean = () => true,
): Tiles[] {
  const group = new Int32Array(regions.length + 1);
  for (let i = 0; i < group.length; i++) group[i] = i;
  const root = (i: number): number => {
    while (group[i] !== i) i = group[i] = group[group[i]!]!;
    return i;
  };
  const shapeOf = (id: number) => {
    const { box, pixels } = regions[id - 1]!;
    const [w, h] = [box[2] - box[0], box[3] - box[1]];
    return { pixels, shape: w / h, compact: pixels / (w * h) };
  };
  const near = (a: number, b: number) => Math.max(a, b) <= ALIKE * Math.min(a, b);
  for (const { a, b } of borders) {
    if (!areaOf(a) || !areaOf(b)) continue;
    const [p, q] = [shapeOf(a), shapeOf(b)];
    if (p.compact < COMPACT || q.compact < COMPACT || !near(p.pixels, q.pixels) || !near(p.shape, q.shape))
      continue;
    group[root(a)] = root(b);
  }
  const parts = new Map<number, number[]>();
  for (const { id } of regions) {
    const r = root(id);
    parts.set(r, [...(parts.get(r) ?? []), id]);
  }
  return [...parts.values()].filter((p) => p.length >= FEWEST).map((p) => ({ regions: p }));
}
