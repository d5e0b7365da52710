import { shownOf } from "@/core/colour/display";
import { levelOf, SAMPLES, STEEPNESS, type LaidArea } from "@/core/course/laid-area";
import type { Lab } from "@/core/colour/lab";
import type { Flow } from "@/core/light/growth";
import type { Ground } from "@/core/light/ground";
import { runMeans } from "@/core/light/run-means";
import { acrossTile, inTile, strokeNoise, strokeTile, TILE_PER_MM } from "./texture";

/** Places of a tone map, so that each byte has a colour: t = index / 254. */
const PLACES = 255;

/** What the screen shows of an area. */
export interface AreaColours {
  /** Red, green, blue at every place and steepness: 255 places for each steepness. */
  readonly rgb: Uint8Array;
  /** How far the edges of its passes have crept, mm. */
  readonly reach: number;
}

/** 8-bit sRGB along an area from its Labs. */
export function screenColours({ colours, reach }: LaidArea): AreaColours {
  const labs = colours();
  const levels = STEEPNESS.length;
  const rgb = new Float32Array(levels * SAMPLES * 3);
  for (let i = 0; i < levels * SAMPLES; i++)
    rgb.set(shownOf([labs[3 * i]!, labs[3 * i + 1]!, labs[3 * i + 2]!]).rgb, 3 * i);
  const out = new Uint8Array(levels * PLACES * 3);
  for (let level = 0; level < levels; level++)
    for (let b = 0; b < PLACES; b++) {
      const at = (b / (PLACES - 1)) * (SAMPLES - 1);
      const s = Math.min(SAMPLES - 2, Math.floor(at));
      const part = at - s;
      for (let c = 0; c < 3; c++) {
        const i = (level * SAMPLES + s) * 3 + c;
        out[(level * PLACES + b) * 3 + c] = Math.round((1 - part) * rgb[i]! + part * rgb[i + 3]!);
      }
    }
  return { rgb: out, reach };
}

/** How a colouring is shown. */
export interface PaintWish {
  /** Colour of the bare sheet. */
  readonly paper: Lab;
  /** Unevenness of strokes and grain, 0–1; 0 shows even ink. */
  readonly texture: number;
  /** How far each pixel is covered by line; none leaves it out. */
  readonly line?: Uint8Array;
  /** Areas that are drawn, 1 at their place; the rest is clear. All when it is left out. */
  readonly mask?: Uint8Array;
  /** Colour of the line, 8-bit sRGB. */
  readonly ink?: readonly [number, number, number];
}

/** A part of the picture: left, top, first column and row beyond. */
export type Box = readonly [left: number, top: number, right: number, bottom: number];

/** Grain of the paper: so many times as fine as strokes, and elsewhere in their tile. */
const FINER = 5.3;
const ELSEWHERE = [91, 17] as const;
/** How far strokes end short of each other, mm, and how unevenly they lay ink. */
const [RAGGED, STREAK] = [0.3, 0.022] as const;
const GRAIN = 0.006;
/** An alcohol-proof black, as it is seen. */
const BLACK = [34, 32, 33] as const;

/** A running mean over w = 2r + 1 pixels spreads by σ = √((w² − 1) / 12). */
const radiusOf = (spread: number): number => Math.round((Math.sqrt(12 * spread * spread + 1) - 1) / 2);

/**
 * Where wet ink has run together what is seen is no longer the place alone but all that lies as near as ink has crept: the mean place there, and
 * how far places differ. For an even fade they are the place itself and its steepness times that reach.
 */
export function crept(
  ground: Ground,
  places: Uint8Array,
  colours: readonly (Pick<AreaColours, "reach"> | undefined)[],
  box: Box,
): { mean: Float32Array; square: Float32Array } {
  const { own, mmPerPixel } = ground;
  const radius = Uint16Array.from(colours, (c) => (c ? radiusOf(c.reach / mmPerPixel) : 0));
  // What lies as near to the part as ink creeps tells on it.
  const near = Math.max(0, ...radius) + 1;
  const [left, top, right, bottom] = [
    Math.max(0, box[0] - near),
    Math.max(0, box[1] - near),
    Math.min(ground.width, box[2] + near),
    Math.min(ground.height, box[3] + near),
  ] as const;
  const around = [left, top, right, bottom] as const;
  // What stays white is no part of the area: no ink runs there.
  const inked = new Int16Array(own.length).fill(-1);
  const mean = new Float32Array(own.length);
  const square = new Float32Array(own.length);
  const coloured = Uint8Array.from(colours, (c) => (c ? 1 : 0));
  for (let y = top; y < bottom; y++)
    for (let p = y * ground.width + left, end = p + right - left; p < end; p++) {
      const a = own[p]!;
      const place = places[p]!;
      if (a < 0 || !place || !coloured[a]) continue;
      inked[p] = a;
      mean[p] = place - 1;
      square[p] = (place - 1) * (place - 1);
    }
  const plane = { width: ground.width, own: inked };
  return { mean: runMeans(mean, plane, radius, around), square: runMeans(square, plane, radius, around) };
}

/**
 * The predicted colouring of a part of the drawing.
 * @param places of a tone map
 * @param colours of every area by its place; none leaves it bare
 * @returns red, green, blue and opacity of the part, row by row
 */
export function paint(
  ground: Ground,
  places: Uint8Array,
  colours: readonly (AreaColours | undefined)[],
  flows: ReadonlyMap<number, Flow>,
  { paper, texture, line, mask, ink = BLACK }: PaintWish,
  box: Box = [0, 0, ground.width, ground.height],
): Uint8ClampedArray {
  const { width, own, mmPerPixel } = ground;
  const [left, top, right, bottom] = box;
  const out = new Uint8ClampedArray((right - left) * (bottom - top) * 4);
  const bare = shownOf(paper).rgb;
  const { mean, square: squares } = crept(ground, places, colours, box);
  const scale = mmPerPixel * TILE_PER_MM;
  const streams = colours.map((_, a) => flows.get(a));
  // Squares of t a mm for the variance of places over the reach of an area's ink.
  const units = colours.map((c) => (c && c.reach > 0 ? 1 / (254 * c.reach) ** 2 : 0));
  const noise = strokeTile();
  // What strokes and grain are in each column.
  const stroke = Uint8Array.from({ length: right - left }, (_, i) => inTile((left + i) * scale));
  const grain = Uint8Array.from({ length: right - left }, (_, i) =>
    inTile((left + i) * scale * FINER + ELSEWHERE[0]),
  );
  for (let y = top, o = 0; y < bottom; y++) {
    const strokeRow = acrossTile(y * scale);
    const grainRow = acrossTile(y * scale * FINER + ELSEWHERE[1]);
    for (let x = left, p = y * width + left, i = 0; x < right; x++, p++, i++, o += 4) {
      const a = own[p]!;
      if (mask && !(a >= 0 && mask[a])) continue;
      const table = a >= 0 && places[p] ? colours[a] : undefined;
      let r = bare[0];
      let g = bare[1];
      let b = bare[2];
      let even = 1;
      if (table) {
        const square = Math.max(0, squares[p]! - mean[p]! * mean[p]!) * units[a]!;
        let place = Math.round(mean[p]!);
        if (texture > 0) {
          const flow = streams[a];
          const uneven = texture * (flow ? alongFlow(flow, x, y, scale) : noise[strokeRow + stroke[i]!]!);
          even = 1 + STREAK * uneven;
          const by = uneven * RAGGED * Math.sqrt(square) * 254;
          place = Math.min(254, Math.max(0, Math.round(mean[p]! + by)));
        }
        const level = levelOf(square);
        const low = level | 0;
        const part = level - low;
        const from = (low * PLACES + place) * 3;
        const to = part > 0 ? from + PLACES * 3 : from;
        const { rgb } = table;
        r = rgb[from]! + part * (rgb[to]! - rgb[from]!);
        g = rgb[from + 1]! + part * (rgb[to + 1]! - rgb[from + 1]!);
        b = rgb[from + 2]! + part * (rgb[to + 2]! - rgb[from + 2]!);
      }
      if (texture > 0) even += texture * GRAIN * noise[grainRow + grain[i]!]!;
      const cover = line ? line[p]! / 255 : 0;
      const k = even * (1 - cover);
      out[o] = r * k + ink[0] * cover;
      out[o + 1] = g * k + ink[1] * cover;
      out[o + 2] = b * k + ink[2] * cover;
      out[o + 3] = 255;
    }
  }
  return out;
}

/** Unevenness of strokes that follow the growth. */
function alongFlow(
  { width, height, cell, left, top, across, along }: Flow,
  x: number,
  y: number,
  scale: number,
): number {
  const u = Math.min(width - 1, Math.max(0, Math.floor((x - left) / cell)));
  const v = Math.min(height - 1, Math.max(0, Math.floor((y - top) / cell)));
  const q = v * width + u;
  // Within a cell the coordinate across the growth goes on as it does at its middle.
  const fx = (x + 0.5 - left) / cell - u - 0.5;
  const fy = (y + 0.5 - top) / cell - v - 0.5;
  const gx = u + 1 < width ? across[q + 1]! - across[q]! : 0;
  const gy = v + 1 < height ? across[q + width]! - across[q]! : 0;
  const steep = Math.abs(gx) < 3 && Math.abs(gy) < 3;
  const side = across[q]! + (steep ? fx * gx + fy * gy : 0);
  return strokeNoise(along[q]! * 22, side * cell * scale * 1.4);
}
