import { quantile } from "@/core/algebra/median";
import type { Point } from "@/core/algebra/point";
import type { Lab } from "@/core/colour/lab";
import type { Xyz } from "@/core/colour/observer";
import type { Reference } from "@/core/chart/device";
import type { Bytes, Labels, Pixels } from "@/core/picture/plane";
import type { Corners } from "@/core/picture/rectify";
import { part, type Work } from "@/core/progress";
import { darkness, lumaPlane } from "./darkness";
import { cameraColour, linearOfLab } from "./few-colours";
import { findDrawing } from "./find";
import {
  isPaper,
  knownGrounds,
  lightest,
  litSamples,
  marginOf,
  paperAmong,
  paperGround,
  USUAL_PAPER,
} from "./known";
import { CLIPPED, luminance, meanOf, pixelsOfAreas, type Read } from "./sample";
import { sheetLight } from "./sheet-light";

/** A place whose colour is known: an area by its number, or a spot in shares of the drawing. */
export type KnownPlace = { readonly lab: Lab } & ({ readonly area: number } | { readonly at: Point });

export interface SheetWish {
  readonly photo: Pixels;
  /** The drawing: coverage of its line, number of each pixel's area (0 nobody's), and its scale. */
  readonly line: Bytes;
  readonly labels: Labels;
  readonly mmPerPixel: number;
  readonly known: readonly KnownPlace[];
  /** Colour of the bare sheet, where it is known; else the lightest of what is known. */
  readonly paper?: Lab | undefined;
  readonly corners: Corners | null;
  /** Zone of each pixel, from 1, 0 for none. */
  readonly zones: Bytes | null;
}

export interface ReadZone {
  /** Its number, from 1. */
  readonly zone: number;
  /** Shares of the area's ground, zones taken in order. */
  readonly from: number;
  readonly to: number;
  readonly lab: Lab;
  readonly mm2: number;
}

export interface ReadSheetArea {
  readonly area: number;
  readonly lab: Lab;
  readonly zones: readonly ReadZone[];
  /** Share of its pixels that mirror the lamp. */
  readonly glare: number;
  /** 0–1. */
  readonly trust: number;
}

export type SheetDoubt =
  | { readonly kind: "glare"; readonly share: number }
  | { readonly kind: "shadow"; readonly share: number }
  | { readonly kind: "blurred"; readonly mm: number }
  | { readonly kind: "part of the sheet"; readonly share: number }
  | { readonly kind: "uneven light"; readonly by: number }
  | { readonly kind: "few known colours"; readonly count: number }
  | { readonly kind: "clipped"; readonly share: number };

export interface ReadSheet {
  readonly corners: Corners;
  /** Distance of the line in the photo from where it was laid, mm. */
  readonly offMm: { readonly median: number; readonly p95: number };
  readonly areas: readonly ReadSheetArea[];
  readonly camera: {
    readonly from: "many known colours" | "a few known colours" | "bare paper" | "nothing";
    readonly references: number;
    /** Median ΔE00 of known colours that were left out in turn. */
    readonly expectedError: number | null;
    /** Root mean square of what the light leaves over at known places, share. */
    readonly light: number;
  };
  readonly doubts: readonly SheetDoubt[];
}

export type SheetRefused =
  | { readonly kind: "no line" }
  | { readonly kind: "too dark" }
  | { readonly kind: "too bright" }
  | { readonly kind: "blurred" }
  | { readonly kind: "another drawing"; readonly met: number }
  | { readonly kind: "too little of it"; readonly share: number }
  | { readonly kind: "too small"; readonly perMm: number };

/** A photo that cannot be trusted as one of the drawing. */
export class SheetUnread extends Error {
  constructor(readonly why: SheetRefused) {
    super(why.kind);
    this.name = "SheetUnread";
  }
}

/** Share of the line, beyond chance, that must be met: wrong drawings reach 0.2 (`bench/sheet.ts`). */
const MET = 0.4;
/** Share of the line that must lie in the photo, and from which on that is worth a word. */
const INSIDE = 0.55;
const WHOLE = 0.97;
/** Fewest pixels of the photo a millimetre. */
const LEAST_PER_MM = 1.6;
/** Light over the area's own middle, and chroma under it, from which on a pixel mirrors the lamp. */
const GLARES = 1.12;
/** Pixels of an area that full trust takes. */
const ENOUGH = 250;

/** Long side of the copy in which a photo is looked over. */
const LOOKED_OVER = 900;
/** Levels of a photo's middle and of its lightest tenth that are too dark, and share of pixels at their end that is too bright. */
const [DARK_MIDDLE, DARK_LIGHT] = [28, 60];
const BURNT = 0.5;
/** Darkness of the clearest two in a thousand pixels under which nothing in a photo is a line. */
const NO_LINE = 0.1;

/** What makes a photo unreadable whatever it shows. */
function unreadable(photo: Pixels): SheetRefused | undefined {
  const factor = Math.max(1, Math.round(Math.max(photo.width, photo.height) / LOOKED_OVER));
  const luma = lumaPlane(photo, factor);
  const levels = luma.data.slice().sort();
  const at = (share: number) => levels[Math.floor(share * (levels.length - 1))]!;
  if (at(0.5) < DARK_MIDDLE && at(0.9) < DARK_LIGHT) return { kind: "too dark" };
  if (at(1 - BURNT) >= CLIPPED) return { kind: "too bright" };
  const lines = darkness(luma, [2, 4]).data.sort();
  return lines[Math.floor(0.998 * (lines.length - 1))]! < NO_LINE ? { kind: "blurred" } : undefined;
}

/**
 * What lies on a finished sheet, read from a photo of it: the drawing is found, its light evened by what is known, the camera's colour set by the
 * same, and each area read away from line and borders. Yields progress 0–1.
 * @throws SheetUnread where the photo cannot be trusted
 */
export function* readSheet(wish: SheetWish): Work<ReadSheet> {
  const hopeless = unreadable(wish.photo);
  if (hopeless) throw new SheetUnread(hopeless);
  const found = yield* part(findDrawing(wish.photo, wish.line, wish.corners), 0, 0.6);
  if (!found) throw new SheetUnread({ kind: "no line" });
  if (found.met - found.byChance < MET) throw new SheetUnread({ kind: "another drawing", met: found.met });
  if (found.inside < INSIDE) throw new SheetUnread({ kind: "too little of it", share: found.inside });
  const { width, height } = wish.labels;
  const [a, b] = [found.at(0, height / 2), found.at(width, height / 2)];
  const perMm = Math.hypot(a[0] - b[0], a[1] - b[1]) / (width * wish.mmPerPixel);
  if (perMm < LEAST_PER_MM) throw new SheetUnread({ kind: "too small", perMm });
  const areas = yield* part(pixelsOfAreas(wish, found), 0.6, 0.25);
  const known = knownGrounds(wish, found, areas);
  const paper = wish.paper ?? paperAmong(known) ?? USUAL_PAPER;
  const paperPixels = known.filter((k) => isPaper(k.lab, paper)).flatMap((k) => k.pixels);
  const bright = quantile(
    [...areas.values()].flatMap((p) => p.filter((_, i) => i % 8 === 0).map((q) => luminance(q.rgb))),
    0.9,
  );
  const margin = wish.paper && !paperPixels.length ? marginOf(wish, found, bright) : [];
  const ground = paperGround(areas, paperPixels.length ? paperPixels : margin);
  const samples = [
    ...litSamples(margin, paper, false),
    ...known.flatMap((k) => litSamples(k.pixels, k.lab, k.area !== undefined)),
    ...litSamples(ground, paper, true),
  ];
  // Without anything known the lightest tenth of the sheet is taken for paper.
  const light = sheetLight(samples.length ? samples : lightest(areas, paper));
  const even = (p: Read): Xyz => {
    const at = light.at(p.x, p.y);
    return [p.rgb[0] / at[0], p.rgb[1] / at[1], p.rgb[2] / at[2]];
  };
  const white = linearOfLab(paper);
  const asDevice = ([r, g, bl]: Xyz): Xyz => [r / white[0], g / white[1], bl / white[2]];
  const references = known
    .filter((k) => !isPaper(k.lab, paper))
    .map((k): Reference => ({
      rgb: asDevice(meanOf(k.pixels.map((p) => ({ rgb: even(p) })))),
      lab: k.lab,
    }));
  const camera = cameraColour(paper, references);
  yield 0.9;
  const zoneGround = groundOf(wish);
  const read = [...areas]
    .filter(([n]) => n > 0)
    .map(([n, pixels]) => {
      const levels = pixels.map((p) => ({ ...p, rgb: even(p) }));
      const middle = Float64Array.from(levels, (p) => luminance(p.rgb)).sort()[levels.length >> 1]!;
      const flat = meanOf(levels);
      const colourful = Math.max(...flat) - Math.min(...flat);
      const glares = (p: Read) =>
        p.clipped ||
        (luminance(p.rgb) > GLARES * Math.max(middle, 0.05) + 0.12 &&
          Math.max(...p.rgb) - Math.min(...p.rgb) < colourful + 0.02);
      const sound = wish.zones ? levels.filter((p) => !p.clipped) : levels.filter((p) => !glares(p));
      const used = sound.length >= 4 ? sound : levels;
      const toLab = (some: readonly { readonly rgb: Xyz }[]) => camera.toLab(asDevice(meanOf(some)));
      const glare = 1 - sound.length / levels.length;
      return {
        area: n,
        lab: toLab(used),
        zones: zonesOf(used, zoneGround.get(n), wish.mmPerPixel, toLab),
        glare,
        trust: trustOf(pixels.length, glare, light.residual, camera.expectedError),
      };
    });
  const clipped = share(areas, (p) => p.clipped);
  const glare = read.length ? read.reduce((sum, r) => sum + r.glare, 0) / read.length : 0;
  const doubts: SheetDoubt[] = [];
  if (glare > 0.01) doubts.push({ kind: "glare", share: glare });
  if (clipped > 0.02) doubts.push({ kind: "clipped", share: clipped });
  if (light.shaded > 0.06) doubts.push({ kind: "shadow", share: light.shaded });
  if (light.residual > 0.04) doubts.push({ kind: "uneven light", by: light.residual });
  if (found.inside < WHOLE) doubts.push({ kind: "part of the sheet", share: found.inside });
  if (found.p95 / perMm > 0.8) doubts.push({ kind: "blurred", mm: found.p95 / perMm });
  if (references.length < 4)
    doubts.push({ kind: "few known colours", count: known.length + (margin.length ? 1 : 0) });
  return {
    corners: found.corners,
    offMm: { median: found.median / perMm, p95: found.p95 / perMm },
    areas: read.sort((p, q) => p.area - q.area),
    camera: {
      from:
        references.length >= 8
          ? "many known colours"
          : references.length
            ? "a few known colours"
            : samples.length
              ? "bare paper"
              : "nothing",
      references: references.length,
      expectedError: camera.expectedError ?? null,
      light: light.residual,
    },
    doubts,
  };
}

const share = (areas: ReadonlyMap<number, Read[]>, of: (p: Read) => boolean): number => {
  let [some, all] = [0, 0];
  for (const pixels of areas.values())
    for (const p of pixels) {
      all++;
      if (of(p)) some++;
    }
  return some / Math.max(1, all);
};

/** Pixels of each zone of each area, edges and all. */
function groundOf({ labels, zones }: SheetWish): Map<number, Map<number, number>> {
  const out = new Map<number, Map<number, number>>();
  if (!zones) return out;
  for (let p = 0; p < labels.data.length; p++) {
    const [area, zone] = [labels.data[p]!, zones.data[p]!];
    if (!area || !zone) continue;
    const own = out.get(area) ?? new Map<number, number>();
    if (!own.size) out.set(area, own);
    own.set(zone, (own.get(zone) ?? 0) + 1);
  }
  return out;
}

/** Zones of an area that were seen, each with its share of all of the area's ground. */
function zonesOf(
  pixels: readonly Read[],
  ground: ReadonlyMap<number, number> | undefined,
  mmPerPixel: number,
  toLab: (some: readonly { readonly rgb: Xyz }[]) => Lab,
): ReadZone[] {
  if (!ground) return [];
  const total = [...ground.values()].reduce((a, b) => a + b, 0);
  let to = 0;
  return [...ground]
    .sort(([a], [b]) => a - b)
    .flatMap(([zone, count]) => {
      const from = to;
      to += count / total;
      const own = pixels.filter((p) => p.zone === zone);
      return own.length >= 4 ? [{ zone, from, to, lab: toLab(own), mm2: count * mmPerPixel ** 2 }] : [];
    });
}

function trustOf(pixels: number, glare: number, light: number, camera: number | undefined): number {
  const size = Math.min(1, pixels / ENOUGH);
  const lit = 1 / (1 + (light / 0.05) ** 2);
  const seen = 1 / (1 + ((camera ?? 3) / 4) ** 2);
  return Math.max(0, Math.min(1, size * (1 - glare) * lit * seen));
}
