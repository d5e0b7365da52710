import { labToXyz, xyzToLab, type Lab } from "@/core/colour/lab";
import type { Xyz } from "@/core/colour/observer";
import { levelOf, SAMPLES, STEEPNESS, type LaidArea } from "@/core/course/laid-area";
import type { Ground } from "@/core/light/ground";
import { crept } from "./paint";
import { tOf, zoneAt, type ToneMap } from "./tone-map";

/** A tone of an area as it comes to lie. */
export interface ToneMean {
  readonly mm2: number;
  /** Mean light of its pixels as a colour, with all that has run together there. */
  readonly lab: Lab;
  /** Places of its pixels: the first, the middle by ground, and the last. */
  readonly from: number;
  readonly middle: number;
  readonly to: number;
}

/** Steps of a place, and of each doubling of a steepness, that are told apart. */
const [PLACES, PARTS] = [255, 4] as const;

/**
 * What each tone of each area will look like in the mean over its pixels, as {@link paint} shows it but for what a screen cannot: small areas run
 * together where large ones do not. None for an area of which nothing lies, and for a tone that has no room.
 * @param laid every area of the ground @param borders of its tones
 */
export function toneMeans(
  ground: Ground,
  { places }: Pick<ToneMap, "places">,
  laid: readonly (LaidArea | undefined)[],
  borders: readonly (readonly number[])[],
): (readonly (ToneMean | undefined)[])[] {
  const { own, width, height, mmPerPixel } = ground;
  const { mean, square } = crept(ground, places, laid, [0, 0, width, height]);
  const units = laid.map((l) => (l && l.reach > 0 ? 1 / (254 * l.reach) ** 2 : 0));
  const tones = borders.map((b) => Uint8Array.from({ length: 256 }, (_, p) => (p ? zoneAt(b, tOf(p)) : 0)));
  const counts = laid.map((l, a) =>
    l ? borders[a]!.slice(1).map(() => new Map<number, number>()) : undefined,
  );
  const placed = laid.map((l, a) => (l ? borders[a]!.slice(1).map(() => new Uint32Array(256)) : undefined));
  for (let p = 0; p < own.length; p++) {
    const a = own[p]!;
    const place = places[p]!;
    const some = a >= 0 && place ? counts[a] : undefined;
    if (!some) continue;
    const tone = tones[a]![place]!;
    const differ = Math.max(0, square[p]! - mean[p]! * mean[p]!) * units[a]!;
    const key = Math.round(PARTS * levelOf(differ)) * PLACES + Math.round(mean[p]!);
    some[tone]!.set(key, (some[tone]!.get(key) ?? 0) + 1);
    placed[a]![tone]![place]!++;
  }
  return laid.map((l, a) => {
    if (!l) return [];
    const labs = l.colours();
    return counts[a]!.map((some, tone): ToneMean | undefined => {
      let pixels = 0;
      const sum = [0, 0, 0];
      for (const [key, n] of some) {
        const s = Math.round(((key % PLACES) / (PLACES - 1)) * (SAMPLES - 1));
        const level = Math.floor(key / PLACES) / PARTS;
        const low = Math.min(STEEPNESS.length - 2, Math.floor(level));
        const [from, to] = [(low * SAMPLES + s) * 3, ((low + 1) * SAMPLES + s) * 3];
        const at = (c: number) => labs[from + c]! + (level - low) * (labs[to + c]! - labs[from + c]!);
        labToXyz([at(0), at(1), at(2)]).forEach((v, c) => (sum[c]! += n * v));
        pixels += n;
      }
      if (!pixels) return undefined;
      const at = placed[a]![tone]!;
      let half = pixels / 2;
      const middle = at.findIndex((n) => (half -= n) <= 0);
      return {
        mm2: pixels * mmPerPixel ** 2,
        lab: xyzToLab(sum.map((v) => v / pixels) as unknown as Xyz),
        from: tOf(at.findIndex((n) => n > 0)),
        middle: tOf(Math.max(1, middle)),
        to: tOf(at.findLastIndex((n) => n > 0)),
      };
    });
  });
}
