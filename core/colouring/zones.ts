import type { Flow } from "@/core/light/growth";
import { coarser, type Ground } from "@/core/light/ground";
import { outlinesOf } from "@/core/picture/contour";
import { nearestOf } from "@/core/picture/distance";

/** Where the number of a tone may stand in an area. */
export interface ZoneMark {
  /** Place of the area among the areas, and of the tone from 1. */
  readonly area: number;
  readonly zone: number;
  /** Share of the drawing, and room round it, mm. */
  readonly at: readonly [number, number];
  readonly room: number;
  /** Direction of strokes there, radians clockwise from across; null where any will do. */
  readonly stroke: number | null;
}

/** The place of a tone as an SVG path, in pixels. */
export interface ZoneOutline {
  readonly area: number;
  readonly zone: number;
  readonly path: string;
}

/** Most tones of an area that are told apart. */
const MOST_ZONES = 16;
/** Long side at which room for numbers is looked for, pixels. */
const LOOK = 900;
/** How far an outline may leave the pixels' edges, pixels. */
const TOLERANCE = 0.9;

/** Places where each tone of each area has most room, two where it lies in two parts that are both wide enough. */
export function zoneMarks(whole: Ground, zones: Uint8Array, flows: ReadonlyMap<number, Flow>): ZoneMark[] {
  const by = Math.max(1, Math.round(Math.max(whole.width, whole.height) / LOOK));
  const { width, height, own, count, mmPerPixel } = coarser(whole, by);
  const half = by >> 1;
  const key = new Int32Array(own.length);
  for (let y = 0, p = 0; y < height; y++)
    for (let x = 0; x < width; x++, p++) {
      const q =
        Math.min(whole.height - 1, y * by + half) * whole.width + Math.min(whole.width - 1, x * by + half);
      key[p] = own[p]! < 0 ? -1 : own[p]! * MOST_ZONES + zones[q]!;
    }
  const edges = new Uint8Array(key.length);
  for (let y = 0, p = 0; y < height; y++)
    for (let x = 0; x < width; x++, p++)
      if (
        !x ||
        !y ||
        x + 1 === width ||
        y + 1 === height ||
        key[p] !== key[p + 1] ||
        key[p] !== key[p + width]
      )
        edges[p] = 1;
  const { squared } = nearestOf(edges, width, height);
  const best = new Int32Array(count * MOST_ZONES).fill(-1);
  for (let p = 0; p < key.length; p++) {
    const k = key[p]!;
    if (k < 0 || k % MOST_ZONES === 0) continue;
    if (best[k]! < 0 || squared[p]! > squared[best[k]!]!) best[k] = p;
  }
  return [...best].flatMap((p, k): ZoneMark[] => {
    if (p < 0 || squared[p]! < 1) return [];
    const [x, y] = [p % width, Math.floor(p / width)];
    const area = Math.floor(k / MOST_ZONES);
    const flow = flows.get(area);
    return [
      {
        area,
        zone: k % MOST_ZONES,
        at: [(x + 0.5) / width, (y + 0.5) / height],
        room: Math.sqrt(squared[p]!) * mmPerPixel,
        stroke: flow ? directionAt(flow, (x + 0.5) * by, (y + 0.5) * by) : null,
      },
    ];
  });
}

function directionAt({ width, height, cell, left, top, x, y }: Flow, px: number, py: number): number {
  const u = Math.min(width - 1, Math.max(0, Math.floor((px - left) / cell)));
  const v = Math.min(height - 1, Math.max(0, Math.floor((py - top) / cell)));
  return Math.atan2(y[v * width + u]!, x[v * width + u]!);
}

/** Outlines of every tone's place. */
export function zoneOutlines({ width, height, own, count }: Ground, zones: Uint8Array): ZoneOutline[] {
  const numbers = new Uint16Array(count * MOST_ZONES);
  const keys: number[] = [];
  const data = new Uint16Array(own.length);
  for (let p = 0; p < own.length; p++) {
    if (own[p]! < 0 || !zones[p]) continue;
    const k = own[p]! * MOST_ZONES + zones[p]!;
    if (!numbers[k]) numbers[k] = keys.push(k);
    data[p] = numbers[k]!;
  }
  const outlines = outlinesOf({ width, height, data }, keys.length, TOLERANCE);
  return keys.map((k, i) => ({
    area: Math.floor(k / MOST_ZONES),
    zone: k % MOST_ZONES,
    path: outlines[i + 1]!.map((ring) => `M${ring.map(([x, y]) => `${x} ${y}`).join("L")}Z`).join(""),
  }));
}
