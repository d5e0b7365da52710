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
  const once = runMeans(Float32Array.from(values), { width, own }, radii, box);
  return Uint16Array.from(runMeans(once, { width, own }, radii, box), (v) => Math.round(v));
}

/** Joined places of one tone: which each pixel belongs to, −1 for none; and how many pixels each has. */
function partsOf(
  key: Int16Array,
  width: number,
): { readonly part: Int32Array; readonly sizes: readonly number[] } {
  const part = new Int32Array(key.length).fill(-1);
  const waiting = new Int32Array(key.length);
  const sizes: number[] = [];
  for (let seed = 0; seed < key.length; seed++) {
    if (key[seed]! < 0 || part[seed]! >= 0) continue;
    const own = key[seed]!;
    let [head, tail] = [0, 0];
    waiting[tail++] = seed;
    part[seed] = sizes.length;
    const join = (q: number) => {
      if (key[q] !== own || part[q]! >= 0) return;
      part[q] = sizes.length;
      waiting[tail++] = q;
    };
    while (head < tail) {
      const p = waiting[head++]!;
      const x = p % width;
      if (x) join(p - 1);
      if (x + 1 < width) join(p + 1);
      if (p >= width) join(p - width);
      if (p + width < key.length) join(p + width);
    }
    sizes.push(tail);
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
  const { width, own, mmPerPixel, count } = ground;
  const least = LEAST / mmPerPixel ** 2;
  const inked = Array.from({ length: count }, (_, a) =>
    map.counts.subarray(a * 256 + 1, a * 256 + 256).reduce((sum, n) => sum + n, 0),
  );
  const isCalmed = wishes.map((w, a) => !w.white && w.borders.length > 2 && inked[a]! >= SMALL * least);
  if (!isCalmed.some(Boolean)) return map;
  const zones = wishes.map(({ borders }) => {
    const table = new Uint8Array(256);
    for (let b = 1; b < 256; b++) table[b] = zoneAt(borders, tOf(b));
    return table;
  });
  const places = map.places.slice();
  const key = new Int16Array(own.length);
  for (let round = 0; round < ROUNDS; round++) {
    for (let p = 0; p < key.length; p++) {
      const a = own[p]!;
      key[p] = a >= 0 && isCalmed[a] && places[p] ? a * MOST_ZONES + zones[a]![places[p]!]! : -1;
    }
    const { part, sizes } = partsOf(key, width);
    const small = new Int32Array(sizes.length).fill(-1);
    let found = 0;
    sizes.forEach((n, i) => n < least && (small[i] = found++));
    if (!found) break;
    // How much each small place borders on each tone of its area.
    const beside = new Int32Array(found * MOST_ZONES);
    const look = (p: number, q: number) => {
      const s = small[part[p]!] ?? -1;
      if (part[p]! < 0 || s < 0 || own[q] !== own[p] || key[q]! < 0 || part[q] === part[p]) return;
      beside[s * MOST_ZONES + (key[q]! % MOST_ZONES)]!++;
    };
    for (let p = 0; p < key.length; p++) {
      if (p % width) {
        look(p, p - 1);
        look(p - 1, p);
      }
      if (p >= width) {
        look(p, p - width);
        look(p - width, p);
      }
    }
    const into = new Int16Array(found).fill(-1);
    for (let s = 0; s < found; s++) {
      let most = 0;
      for (let z = 0; z < MOST_ZONES; z++)
        if (beside[s * MOST_ZONES + z]! > most) [most, into[s]] = [beside[s * MOST_ZONES + z]!, z];
    }
    let changed = false;
    const moved = new Map<number, number>();
    for (let p = 0; p < key.length; p++) {
      const s = part[p]! < 0 ? -1 : small[part[p]!]!;
      if (s < 0 || into[s]! < 0) continue;
      const a = own[p]!;
      const name = (a * MOST_ZONES + into[s]!) * 256 + places[p]!;
      let byte = moved.get(name);
      if (byte === undefined) moved.set(name, (byte = nearestIn(wishes[a]!.borders, into[s]!, places[p]!)));
      if (byte !== places[p]) changed = true;
      places[p] = byte;
    }
    if (!changed) break;
  }
  return { places, counts: countPlaces(places, ground) };
}
