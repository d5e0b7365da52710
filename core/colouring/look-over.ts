import type { LaidArea } from "@/core/course/laid-area";
import { deltaE00 } from "@/core/colour/delta-e00";
import { labToXyz, xyzToLab, type Lab } from "@/core/colour/lab";
import type { Xyz } from "@/core/colour/observer";
import { rgb8ToLab } from "@/core/colour/display";
import { missed, USUAL_STEEPNESS, type Wanted } from "@/core/group/wanted";
import type { Ground } from "@/core/light/ground";
import { tOf, type ToneMap } from "./tone-map";

/** Classes of lightness, L* 0–100. */
export const LIGHTNESS_CLASSES = 25;

/** How light and dark a picture is. */
export interface Values {
  /** Share of its pixels in each of {@link LIGHTNESS_CLASSES}. */
  readonly shares: readonly number[];
  /** L* under which 5 % of it lie, half, and 95 %. */
  readonly dark: number;
  readonly middle: number;
  readonly light: number;
}

/** @param counts pixels in each of 1000 classes of L* */
function valuesOf(counts: Float64Array): Values {
  const total = counts.reduce((a, b) => a + b, 0) || 1;
  const shares = Array<number>(LIGHTNESS_CLASSES).fill(0);
  const classes = counts.length;
  counts.forEach((n, i) => (shares[Math.floor((i * LIGHTNESS_CLASSES) / classes)]! += n / total));
  const at = (share: number) => {
    let sum = 0;
    for (let i = 0; i < classes; i++)
      if ((sum += counts[i]!) >= share * total) return (100 * (i + 0.5)) / classes;
    return 100;
  };
  return { shares, dark: at(0.05), middle: at(0.5), light: at(0.95) };
}

const CLASSES = 1000;
const classOf = (L: number) => Math.min(CLASSES - 1, Math.max(0, Math.floor((L * CLASSES) / 100)));
/** An area as it will be seen, against what is wanted of it. */
export interface SeenArea {
  /** Mean ΔE00 over its pixels from what is wanted there; undefined when nothing was picked. */
  readonly off: number | undefined;
  /** Its colour from afar: the mean light of its pixels. */
  readonly mean: Lab;
  /** Lab at its light end, through its middle and at its shadow end, as far as its pixels reach. */
  readonly ends: readonly [Lab, Lab, Lab];
  /** mm² of its lightest tone. */
  readonly lightest: number;
}

/** Mean light of places, each with its pixels, as a colour. */
function meanOf(at: (t: number) => Lab, seen: readonly (readonly [t: number, pixels: number])[]): Lab {
  const sum = [0, 0, 0];
  let pixels = 0;
  for (const [t, count] of seen) {
    labToXyz(at(t)).forEach((v, c) => (sum[c]! += count * v));
    pixels += count;
  }
  return pixels ? xyzToLab(sum.map((v) => v / pixels) as unknown as Xyz) : at(0.5);
}

/** Looks at one area. @param border where its lightest tone ends */
export function seeArea(
  area: LaidArea,
  map: ToneMap,
  place: number,
  wanted: readonly Wanted[] | undefined,
  border: number,
  mmPerPixel: number,
): SeenArea {
  let [lightest, total] = [0, 0];
  const own = map.counts.subarray(place * 256, place * 256 + 256);
  const seen: [t: number, pixels: number][] = [];
  for (let b = 1; b < 256; b++) {
    const count = own[b]!;
    if (!count) continue;
    const t = tOf(b);
    seen.push([t, count]);
    total += count;
    if (t < border) lightest += count;
  }
  const at = (t: number) => area.at(t, USUAL_STEEPNESS);
  return {
    off: wanted && seen.length ? missed(at, wanted, seen) : undefined,
    mean: meanOf(at, seen),
    ends: [at(seen[0]?.[0] ?? 0.5), at(0.5), at(seen.at(-1)?.[0] ?? 0.5)],
    lightest: total ? lightest * mmPerPixel ** 2 : 0,
  };
}

/** Lab of each pixel of a picture, which has far fewer colours than pixels. @param rgba red, green, blue, opacity */
export function labsOf(rgba: Uint8ClampedArray): (p: number) => Lab {
  const known = new Map<number, Lab>();
  return (p) => {
    const [r, g, b] = [rgba[4 * p]!, rgba[4 * p + 1]!, rgba[4 * p + 2]!];
    const key = (r << 16) | (g << 8) | b;
    let lab = known.get(key);
    if (!lab) known.set(key, (lab = rgb8ToLab(r, g, b)));
    return lab;
  };
}

/** Two areas where they touch. */
export interface Meeting {
  readonly areas: readonly [number, number];
  /** mm of border. */
  readonly mm: number;
  /** Share of it along which the two can hardly be told apart. */
  readonly merging: number;
  /** Middle ΔE00 along it. */
  readonly deltaE00: number;
}

/** Distance to each side of a line at which two areas are compared, mm. */
const ASIDE = 0.7;

/** Where two areas touch: pixels to each side of their line, one after the other. */
export interface Border {
  readonly areas: readonly [number, number];
  /** mm of it. */
  readonly mm: number;
  readonly pixels: readonly number[];
}

/** All places where areas touch, each pair once. */
export function bordersOf({ width, height, own, mmPerPixel, count }: Ground): Border[] {
  const d = Math.max(1, Math.round(ASIDE / mmPerPixel));
  const found = new Map<number, number[]>();
  const look = (before: number, after: number) => {
    const [a, b] = [own[before]!, own[after]!];
    if (a < 0 || b < 0 || a === b) return;
    const key = Math.min(a, b) * count + Math.max(a, b);
    const list = found.get(key) ?? [];
    found.set(key, list);
    list.push(before, after);
  };
  for (let y = d; y + d + 1 < height; y++)
    for (let x = d; x + d + 1 < width; x++) {
      const p = y * width + x;
      if (own[p] !== own[p + 1]) look(p - d, p + 1 + d);
      if (own[p] !== own[p + width]) look(p - d * width, p + (1 + d) * width);
    }
  return [...found].map(([key, pixels]) => ({
    areas: [Math.floor(key / count), key % count],
    mm: (pixels.length / 2) * mmPerPixel,
    pixels,
  }));
}

/** ΔE00 from one side of a border to the other, smallest first. @param labAt what is seen at a pixel */
export function acrossBorder({ pixels }: Border, labAt: (p: number) => Lab): number[] {
  const out: number[] = [];
  for (let i = 0; i < pixels.length; i += 2) out.push(deltaE00(labAt(pixels[i]!), labAt(pixels[i + 1]!)));
  return out.sort((a, b) => a - b);
}

/** Share of a border along which what lies to its sides differs by less than `apart`, ΔE00. */
export const mergingShare = (across: readonly number[], apart: number): number =>
  across.filter((v) => v < apart).length / across.length;

/**
 * How areas stand beside each other where they touch, from a colouring without its line.
 * @param rgba of the colouring; `apart` the ΔE00 under which two colours merge
 */
export function meetingsOf(ground: Ground, rgba: Uint8ClampedArray, apart: number): Meeting[] {
  const labAt = labsOf(rgba);
  return bordersOf(ground).map((border): Meeting => {
    const across = acrossBorder(border, labAt);
    return {
      areas: border.areas,
      mm: border.mm,
      merging: mergingShare(across, apart),
      deltaE00: across[across.length >> 1]!,
    };
  });
}

/** Values of a colouring, over the pixels of areas that count: 1 at their place in `counted`. */
export function valuesOfColouring(
  { own }: Ground,
  rgba: Uint8ClampedArray,
  counted: readonly number[],
): Values {
  const counts = new Float64Array(CLASSES);
  const labAt = labsOf(rgba);
  for (let p = 0; p < own.length; p++) if (counted[own[p]!]) counts[classOf(labAt(p)[0])]!++;
  return valuesOf(counts);
}

/**
 * Values of a reference over the areas, and how far the colouring's lie from them.
 * @param reference 0 light to 65535 dark, by lightness
 * @returns the difference of each pixel: 128 none, 255 the colouring is 50 L* lighter, 0 that much darker
 */
export function againstReference(
  { own }: Ground,
  rgba: Uint8ClampedArray,
  reference: Uint16Array,
  counted: readonly number[],
): { values: Values; differences: Uint8Array } {
  const counts = new Float64Array(CLASSES);
  const differences = new Uint8Array(own.length).fill(128);
  const labAt = labsOf(rgba);
  for (let p = 0; p < own.length; p++) {
    if (!counted[own[p]!]) continue;
    const wanted = 100 * (1 - reference[p]! / 65535);
    counts[classOf(wanted)]!++;
    const lighter = labAt(p)[0] - wanted;
    differences[p] = Math.min(255, Math.max(0, Math.round(128 + (lighter * 127) / 50)));
  }
  return { values: valuesOf(counts), differences };
}
