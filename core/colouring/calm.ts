import { runMeans } from "@/core/light/run-means";
import type { Ground } from "@/core/light/ground";
import { countPlaces, tOf, zoneAt, type ToneMap, type ToneWish } from "./tone-map";

/** What a nib can lay: half its breadth, mm, to which values are smoothed, and the least that a tone's place may be, mm². */
const HALF_NIB = 0.75;
const LEAST = 6;
/** An area is taken for small, and keeps what it has, where it is not this many times as large as the least. */
const SMALL = 4;
/** Small places may lie in small places. */
const ROUNDS = 3;
const MOST_ZONES = 16;

/**
 * Values of areas smoothed to the breadth of a nib, each by itself: nothing crosses the edge of an area.
 * @param isFine areas that stay as they are
 */
export function smoothed(
  values: Uint16Array,
  { width, height, own, count, mmPerPixel }: Ground,
  isFine: (area: number) => boolean = () => false,
): Uint16Array {
  const radius = Math.round(HALF_NIB / mmPerPixel);
  if (radius < 1) return values;
  const radii = Int32Array.from({ length: count }, (_, a) => (isFine(a) ? 0 : radius));
  const box = [0, 0, width, height] as const;
  const twice = runMeans(new Float32Array(values), { width, own }, radii, box, 2);
  const out = new Uint16Array(values.length);
  for (let p = 0; p < out.length; p++) out[p] = Math.round(twice[p]!);
  return out;
}

/** Pixels beside each other in a row that are of one tone of one area. */
interface Runs {
  readonly count: number;
  /** First run of each row, and one more. */
  readonly rows: Int32Array;
  /** First pixel of each run, and the one beyond its last. */
  readonly from: Int32Array;
  readonly to: Int32Array;
  readonly area: Int32Array;
  /** Tone of each run, from 0: changed as places join others. */
  readonly zone: Int32Array;
}

/** @param zoneOf tone of a pixel of an area, negative where nothing is calmed */
function runsOf({ width, own }: Ground, zoneOf: (area: number, p: number) => number): Runs {
  const from: number[] = [];
  const to: number[] = [];
  const area: number[] = [];
  const zone: number[] = [];
  const rows = [0];
  for (let row = 0; row < own.length; row += width) {
    let p = row;
    const end = row + width;
    while (p < end) {
      const a = own[p]!;
      const z = a < 0 ? -1 : zoneOf(a, p);
      const start = p++;
      if (z < 0) continue;
      while (p < end && own[p] === a && zoneOf(a, p) === z) p++;
      from.push(start);
      to.push(p);
      area.push(a);
      zone.push(z);
    }
    rows.push(from.length);
  }
  return {
    count: from.length,
    rows: Int32Array.from(rows),
    from: Int32Array.from(from),
    to: Int32Array.from(to),
    area: Int32Array.from(area),
    zone: Int32Array.from(zone),
  };
}

/** Visits runs of one area that touch: side by side in a row by 1, one above the other by as many pixels as they share. */
function meetings(
  { rows, from, to, area }: Runs,
  width: number,
  met: (i: number, j: number, by: number) => void,
) {
  for (let y = 0; y + 1 < rows.length; y++) {
    const end = rows[y + 1]!;
    for (let i = rows[y]! + 1; i < end; i++)
      if (to[i - 1] === from[i] && area[i - 1] === area[i]) met(i - 1, i, 1);
    if (!y) continue;
    for (let i = rows[y - 1]!, j = rows[y]!; i < rows[y]! && j < end;) {
      const shared = Math.min(to[i]! + width, to[j]!) - Math.max(from[i]! + width, from[j]!);
      if (shared > 0 && area[i] === area[j]) met(i, j, shared);
      if (to[i]! + width < to[j]!) i++;
      else j++;
    }
  }
}

/**
 * Joined places of one tone: which each run belongs to, and how many pixels each has. A forest of provisional numbers over runs
 * (A. Rosenfeld & J. Pfaltz, J. ACM 13, 1966).
 */
function partsOf(
  runs: Runs,
  width: number,
): { readonly part: Int32Array; readonly sizes: readonly number[] } {
  const { count, from, to, zone } = runs;
  const parent = new Int32Array(count);
  for (let i = 0; i < count; i++) parent[i] = i;
  const root = (i: number): number => {
    while (parent[i] !== i) i = parent[i] = parent[parent[i]!]!;
    return i;
  };
  meetings(runs, width, (i, j) => {
    if (zone[i] !== zone[j]) return;
    const [a, b] = [root(i), root(j)];
    parent[Math.max(a, b)] = Math.min(a, b);
  });
  // A root comes before what hangs from it.
  const part = new Int32Array(count);
  const sizes: number[] = [];
  for (let i = 0; i < count; i++) {
    const r = root(i);
    const own = (part[i] = r === i ? sizes.push(0) - 1 : part[r]!);
    sizes[own]! += to[i]! - from[i]!;
  }
  return { part, sizes };
}

/** The byte of a tone that is nearest to another byte. */
function nearestIn(borders: readonly number[], zone: number, byte: number): number {
  for (let off = 0; off < 255; off++)
    for (const b of [byte - off, byte + off])
      if (b >= 1 && b <= 255 && zoneAt(borders, tOf(b)) === zone) return b;
  return byte;
}

/**
 * A tone map without places too small for a nib: each joins the tone that it borders on most, in its own area. What stays bare by hand stays, and
 * so do areas that are small themselves.
 */
export function calmed(map: ToneMap, ground: Ground, wishes: readonly ToneWish[]): ToneMap {
  const { width, mmPerPixel, count } = ground;
  const least = LEAST / mmPerPixel ** 2;
  const isCalmed = wishes.map(
    (w, a) =>
      a < count &&
      !w.white &&
      w.borders.length > 2 &&
      map.counts.subarray(a * 256 + 1, a * 256 + 256).reduce((sum, n) => sum + n, 0) >= SMALL * least,
  );
  if (!isCalmed.some(Boolean)) return map;
  // Tone of every byte of every area; none of bare paper, and of what is left alone.
  const zones = new Int8Array(wishes.length * 256).fill(-1);
  wishes.forEach(({ borders }, a) => {
    for (let b = 1; isCalmed[a] && b < 256; b++) zones[a * 256 + b] = zoneAt(borders, tOf(b));
  });
  const { places: before } = map;
  const runs = runsOf(ground, (a, p) => zones[a * 256 + before[p]!]!);
  const planned = runs.zone.slice();
  for (let round = 0; round < ROUNDS; round++) {
    const { part, sizes } = partsOf(runs, width);
    const small = new Int32Array(sizes.length).fill(-1);
    let found = 0;
    sizes.forEach((n, i) => n < least && (small[i] = found++));
    // How much each small place borders on each tone of its area.
    const beside = new Int32Array(found * MOST_ZONES);
    const tell = (own: number, tone: number, by: number) => {
      if (own >= 0) beside[own * MOST_ZONES + (tone % MOST_ZONES)]! += by;
    };
    meetings(runs, width, (i, j, by) => {
      if (runs.zone[i] === runs.zone[j]) return;
      tell(small[part[i]!]!, runs.zone[j]!, by);
      tell(small[part[j]!]!, runs.zone[i]!, by);
    });
    const into = Array.from({ length: found }, (_, s) => {
      let [most, tone] = [0, -1];
      for (let z = 0; z < MOST_ZONES; z++)
        if (beside[s * MOST_ZONES + z]! > most) [most, tone] = [beside[s * MOST_ZONES + z]!, z];
      return tone;
    });
    if (into.every((tone) => tone < 0)) break;
    for (let i = 0; i < runs.count; i++) {
      const tone = into[small[part[i]!]!] ?? -1;
      if (tone >= 0) runs.zone[i] = tone;
    }
  }
  const places = before.slice();
  const moved = new Map<number, number>();
  for (let i = 0; i < runs.count; i++) {
    const zone = runs.zone[i]!;
    if (zone === planned[i]) continue;
    const a = runs.area[i]!;
    for (let p = runs.from[i]!; p < runs.to[i]!; p++) {
      const name = (a * MOST_ZONES + zone) * 256 + before[p]!;
      let byte = moved.get(name);
      if (byte === undefined) moved.set(name, (byte = nearestIn(wishes[a]!.borders, zone, before[p]!)));
      places[p] = byte;
    }
  }
  return { places, counts: countPlaces(places, ground) };
}
