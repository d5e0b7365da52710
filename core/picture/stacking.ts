import type { AreaMap } from "./area-map";
import type { Labels } from "./plane";

/** What speaks for one area lying before another. */
export interface Before {
  readonly front: string;
  readonly back: string;
  /** 0–1: 0.5 would be a toss-up, 1 is beyond doubt. */
  readonly confidence: number;
}

export interface Stacking {
  /** Area ids, what lies foremost first. */
  readonly order: readonly string[];
  readonly pairs: readonly Before[];
}

/** Radius at which a junction is looked at, mm: beyond the line's own width, within the shapes. */
const RADIUS = 1.6;
const SAMPLES = 48;
/** Share of the circle that is half of it, near enough: the edge of the front shape runs straight through. */
const HALF = [0.4, 0.62] as const;
/** What a shape that lies wholly inside one other counts, in junctions, and one that lies inside its extent beside others. */
const ENCLOSED = 3;
const SURROUNDED = 0.5;
/** Nothing lies before it: that goes before any count. */
const FREE = 1e9;
/** Junctions closer than this, in radii, are one. */
const APART = 1.2;

/** Places where three areas or more meet, thinned. */
function junctions({ width, height, data }: Labels, owner: Int32Array, radius: number): number[] {
  const found: number[] = [];
  const grid = new Map<number, number>();
  const cell = Math.max(1, radius * APART);
  const across = Math.ceil(width / cell) + 1;
  for (let y = 0, p = 0; y + 1 < height; y++, p++)
    for (let x = 0; x + 1 < width; x++, p++) {
      const a = data[p]!;
      const b = data[p + 1]!;
      const c = data[p + width]!;
      const d = data[p + width + 1]!;
      if ((a === b && c === d) || (a === c && b === d)) continue;
      if (new Set([owner[a], owner[b], owner[c], owner[d]]).size < 3) continue;
      const key = Math.floor(y / cell) * across + Math.floor(x / cell);
      if (grid.has(key)) continue;
      grid.set(key, found.push(y * width + x));
    }
  return found;
}

/**
 * Which areas lie before which, from T-junctions and enclosed shapes: where the edge of one area runs on and a border between two others ends at
 * it, the one whose edge runs on lies in front (D. Huffman 1971; M. Nitzberg & D. Mumford 1990). The order agrees with as many of these as a
 * greedy search finds (P. Eades, X. Lin & W. Smyth, Inf. Proc. Letters 47, 1993).
 */
export function stackingOf(labels: Labels, map: AreaMap, mmPerPixel: number): Stacking {
  const { areas, owner, touches } = map;
  const n = areas.length;
  const votes = new Map<number, number>();
  const vote = (front: number, back: number, by: number) =>
    votes.set(front * n + back, (votes.get(front * n + back) ?? 0) + by);
  const radius = Math.max(3, RADIUS / mmPerPixel);
  const { width, height, data } = labels;
  for (const p of junctions(labels, owner, radius)) {
    const [x, y] = [(p % width) + 0.5, Math.floor(p / width) + 0.5];
    const counts = new Map<number, number>();
    for (let s = 0; s < SAMPLES; s++) {
      const angle = (2 * Math.PI * s) / SAMPLES;
      const [px, py] = [Math.floor(x + radius * Math.cos(angle)), Math.floor(y + radius * Math.sin(angle))];
      if (px < 0 || py < 0 || px >= width || py >= height) continue;
      const a = owner[data[py * width + px]!]!;
      counts.set(a, (counts.get(a) ?? 0) + 1);
    }
    if (counts.size < 3) continue;
    const halves = [...counts].filter(([, c]) => c >= HALF[0] * SAMPLES && c <= HALF[1] * SAMPLES);
    if (halves.length !== 1 || halves[0]![0] < 0) continue;
    const front = halves[0]![0];
    for (const [a] of counts) if (a !== front && a >= 0) vote(front, a, 1);
  }
  const place = new Map(areas.map((a, i) => [a.id, i]));
  const beside = areas.map(() => new Set<number>());
  for (const { a, b } of touches) {
    beside[place.get(a)!]!.add(place.get(b)!);
    beside[place.get(b)!]!.add(place.get(a)!);
  }
  const inside = (i: number, j: number) =>
    areas[i]!.box[0] > areas[j]!.box[0] &&
    areas[i]!.box[1] > areas[j]!.box[1] &&
    areas[i]!.box[2] < areas[j]!.box[2] &&
    areas[i]!.box[3] < areas[j]!.box[3];
  beside.forEach((others, i) => {
    for (const j of others) if (inside(i, j)) vote(i, j, others.size === 1 ? ENCLOSED : SURROUNDED);
  });
  return { order: orderBy(votes, n).map((i) => areas[i]!.id), pairs: pairsOf(votes, n, areas) };
}

function pairsOf(votes: Map<number, number>, n: number, areas: AreaMap["areas"]): Before[] {
  const out: Before[] = [];
  for (const [key, forIt] of votes) {
    const [front, back] = [Math.floor(key / n), key % n];
    const against = votes.get(back * n + front) ?? 0;
    if (forIt < against || (forIt === against && front > back)) continue;
    // One more vote each way is supposed: a single junction is a hint, no proof.
    const confidence = (forIt + 1) / (forIt + against + 2);
    out.push({ front: areas[front]!.id, back: areas[back]!.id, confidence });
  }
  return out;
}

/** Places 0…n−1, front first: whatever nothing lies before comes next; in a circle, what has most for it. */
function orderBy(votes: Map<number, number>, n: number): number[] {
  const [before, behind] = [new Float64Array(n), new Float64Array(n)];
  const under: { readonly to: number; readonly by: number }[][] = Array.from({ length: n }, () => []);
  const over: { readonly to: number; readonly by: number }[][] = Array.from({ length: n }, () => []);
  for (const [key, forIt] of votes) {
    const [a, b] = [Math.floor(key / n), key % n];
    const by = forIt - (votes.get(b * n + a) ?? 0);
    if (by <= 0) continue;
    behind[a]! += by;
    before[b]! += by;
    under[a]!.push({ to: b, by });
    over[b]!.push({ to: a, by });
  }
  const left = new Set(Array.from({ length: n }, (_, i) => i));
  const order: number[] = [];
  while (left.size) {
    let best = -1;
    const worth = (i: number) => (before[i]! > 0 ? -before[i]! : FREE) + behind[i]!;
    for (const i of left) if (best < 0 || worth(i) > worth(best)) best = i;
    left.delete(best);
    order.push(best);
    // What is gone says nothing of the rest any more.
    for (const { to, by } of under[best]!) before[to]! -= by;
    for (const { to, by } of over[best]!) behind[to]! -= by;
  }
  return order;
}

/**
 * Areas from the foremost to the hindmost: as somebody has said, what nobody has said keeps its place behind the one before it in the proposal.
 * @param proposed how the line shows it; `said` may name areas that are gone
 */
export function stacked(proposed: readonly string[], said: readonly string[]): readonly string[] {
  const out = said.filter((id) => proposed.includes(id));
  if (!out.length) return proposed;
  const known = new Set(out);
  proposed.forEach((id, i) => {
    if (known.has(id)) return;
    const before = proposed.slice(0, i).findLast((p) => out.includes(p));
    out.splice(before === undefined ? 0 : out.indexOf(before) + 1, 0, id);
  });
  return out;
}
