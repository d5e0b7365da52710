import type { Point } from "@/core/algebra/point";
import type { Regions } from "./regions";

/** An area as it is pointed at: the regions that hold its points are its own. */
export interface Claim {
  readonly id: string;
  /** Points in shares (0–1) of the picture. */
  readonly at: readonly Point[];
}

/** An area with its place on the sheet. */
export interface PlacedArea {
  readonly id: string;
  /** Numbers of its regions, and for each point of its claim the region that holds it (0 for none). */
  readonly regions: readonly number[];
  readonly points: readonly number[];
  readonly mm2: number;
  /** Of its largest region. */
  readonly part: number;
  /** Width where it is widest, mm. */
  readonly width: number;
  /** Middle of its widest place, in shares of the picture. */
  readonly middle: Point;
  /** Left, top, right, bottom in shares. */
  readonly box: readonly [number, number, number, number];
}

/** An area none of whose points lies in a region of its own. */
export interface LostArea {
  readonly id: string;
  /** The areas that have the regions its points lie in. */
  readonly to: readonly string[];
}

export interface AreaMap {
  readonly areas: readonly PlacedArea[];
  readonly lost: readonly LostArea[];
  /** Regions that belong to no area. */
  readonly free: readonly number[];
  /** Border that two areas share, mm. */
  readonly touches: readonly { readonly a: string; readonly b: string; readonly mm: number }[];
  /** For each region number from 0 the place of its area among `areas`, −1 for none. */
  readonly owner: Int32Array;
}

/** Shorter borders are a touch of corners, mm. */
const SHORTEST_TOUCH = 1;

/** The region in which a point lies; 0 on what belongs to none. */
export function regionAt({ labels }: Regions, [x, y]: Point): number {
  const px = Math.min(labels.width - 1, Math.max(0, Math.floor(x * labels.width)));
  const py = Math.min(labels.height - 1, Math.max(0, Math.floor(y * labels.height)));
  return labels.data[py * labels.width + px]!;
}

/**
 * Which regions make up which area. A region that several areas point at is the first one's; an area that gets none is lost, and keeps its
 * plan until it is pointed at something else.
 * @param mmPerPixel size of a pixel of the labels on the sheet
 */
export function areaMap(found: Regions, claims: readonly Claim[], mmPerPixel: number): AreaMap {
  const { regions, borders, labels } = found;
  const owner = new Int32Array(regions.length + 1).fill(-1);
  const held = claims.map((c) => c.at.map((p) => regionAt(found, p)));
  const wanted = held.map((h) => [...new Set(h)].filter((r) => r > 0));
  const takenBy: (string | undefined)[] = [];
  const placed: { claim: Claim; regions: number[]; points: number[] }[] = [];
  const lost: { claim: Claim; regions: number[] }[] = [];
  claims.forEach((claim, i) => {
    const own = wanted[i]!.filter((r) => takenBy[r] === undefined);
    if (!own.length) {
      lost.push({ claim, regions: wanted[i]! });
      return;
    }
    for (const r of own) {
      takenBy[r] = claim.id;
      owner[r] = placed.length;
    }
    placed.push({ claim, regions: own, points: held[i]! });
  });
  const areas = placed.map(({ claim, regions: own, points }): PlacedArea => {
    const parts = own.map((r) => regions[r - 1]!);
    const widest = parts.reduce((best, r) => (r.reach > best.reach ? r : best));
    return {
      id: claim.id,
      regions: own,
      points,
      mm2: parts.reduce((sum, r) => sum + r.pixels, 0) * mmPerPixel ** 2,
      part: Math.max(...parts.map((r) => r.pixels)) * mmPerPixel ** 2,
      width: 2 * widest.reach * mmPerPixel,
      middle: [(widest.middle[0] + 0.5) / labels.width, (widest.middle[1] + 0.5) / labels.height],
      box: [
        Math.min(...parts.map((r) => r.box[0])) / labels.width,
        Math.min(...parts.map((r) => r.box[1])) / labels.height,
        Math.max(...parts.map((r) => r.box[2])) / labels.width,
        Math.max(...parts.map((r) => r.box[3])) / labels.height,
      ],
    };
  });
  const shared = new Map<number, number>();
  for (const { a, b, length } of borders) {
    const [p, q] = [owner[a]!, owner[b]!];
    if (p < 0 || q < 0 || p === q) continue;
    const key = Math.min(p, q) * areas.length + Math.max(p, q);
    shared.set(key, (shared.get(key) ?? 0) + length * mmPerPixel);
  }
  return {
    areas,
    lost: lost.map(({ claim, regions: r }) => ({
      id: claim.id,
      to: [...new Set(r.flatMap((n) => takenBy[n] ?? []))],
    })),
    free: regions.filter((r) => owner[r.id]! < 0).map((r) => r.id),
    touches: [...shared]
      .filter(([, mm]) => mm >= SHORTEST_TOUCH)
      .map(([key, mm]) => ({
        a: areas[Math.floor(key / areas.length)]!.id,
        b: areas[key % areas.length]!.id,
        mm,
      })),
    owner,
  };
}
