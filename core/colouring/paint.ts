import type { Lab } from "@/core/colour/lab";
import { screenRgb } from "@/core/colour/screen-rgb";
import type { Flow } from "@/core/light/growth";
import type { Ground } from "@/core/light/ground";
import { levelOf, SAMPLES, STEEPNESS } from "./laid-area";
import { strokeNoise, TILE_PER_MM } from "./texture";

/** Places of a tone map, so that each byte has a colour: t = index / 254. */
const PLACES = 255;

/** What the screen shows of an area at every place and steepness: red, green, blue, 255 places for each steepness. */
export type AreaColours = Uint8Array;

/** 8-bit sRGB along an area from its Labs (see {@link LaidArea.colours}). */
export function screenColours(labs: Float32Array): AreaColours {
  const levels = STEEPNESS.length;
  const rgb = new Float32Array(levels * SAMPLES * 3);
  for (let i = 0; i < levels * SAMPLES; i++)
    rgb.set(screenRgb([labs[3 * i]!, labs[3 * i + 1]!, labs[3 * i + 2]!]), 3 * i);
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
  return out;
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

/** Distance over which the steepness of a fade is measured, mm. */
const SLOPE = 0.35;
/** How far strokes end short of each other, mm, and how unevenly they lay ink. */
const [RAGGED, STREAK] = [0.3, 0.022] as const;
const GRAIN = 0.006;
/** An alcohol-proof black, as it is seen. */
const BLACK = [34, 32, 33] as const;

/**
 * The predicted colouring of a part of the drawing.
 * @param places of a tone map
 * @param colours of every area by its place; none leaves it bare
 * @returns red, green, blue and opacity of the part, row by row
 */
export function paint(
  { width, height, own, mmPerPixel }: Ground,
  places: Uint8Array,
  colours: readonly (AreaColours | undefined)[],
  flows: ReadonlyMap<number, Flow>,
  { paper, texture, line, mask, ink = BLACK }: PaintWish,
  box: Box = [0, 0, width, height],
): Uint8ClampedArray {
  const [left, top, right, bottom] = box;
  const out = new Uint8ClampedArray((right - left) * (bottom - top) * 4);
  const bare = screenRgb(paper);
  const d = Math.max(1, Math.round(SLOPE / mmPerPixel));
  const down = d * width;
  // Squares of places a pixel, and of t a mm, by which steepness is told apart.
  const unit = (1 / (254 * 2 * d * mmPerPixel)) ** 2;
  const scale = mmPerPixel * TILE_PER_MM;
  const streams = colours.map((_, a) => flows.get(a));
  for (let y = top, o = 0; y < bottom; y++)
    for (let x = left, p = y * width + left; x < right; x++, p++, o += 4) {
      const a = own[p]!;
      if (mask && !(a >= 0 && mask[a])) continue;
      const here = places[p]!;
      const table = a >= 0 && here ? colours[a] : undefined;
      let r = bare[0];
      let g = bare[1];
      let b = bare[2];
      let even = 1;
      if (table) {
        // How steep the fade is here; beyond the area, and on what stays white, it goes on as it is.
        let [e, w, s, n] = [here, here, here, here];
        if (x + d < width && own[p + d] === a) e = places[p + d]! || here;
        if (x >= d && own[p - d] === a) w = places[p - d]! || here;
        if (y + d < height && own[p + down] === a) s = places[p + down]! || here;
        if (y >= d && own[p - down] === a) n = places[p - down]! || here;
        const square = ((e - w) * (e - w) + (s - n) * (s - n)) * unit;
        let place = here - 1;
        if (texture > 0) {
          const flow = streams[a];
          const uneven = texture * (flow ? alongFlow(flow, x, y, scale) : strokeNoise(x * scale, y * scale));
          even = 1 + STREAK * uneven;
          const by = uneven * RAGGED * Math.sqrt(square) * 254;
          place = Math.min(254, Math.max(0, Math.round(place + by)));
        }
        const level = levelOf(square);
        const low = level | 0;
        const part = level - low;
        const i = (low * PLACES + place) * 3;
        const j = part > 0 ? i + PLACES * 3 : i;
        r = table[i]! + part * (table[j]! - table[i]!);
        g = table[i + 1]! + part * (table[j + 1]! - table[i + 1]!);
        b = table[i + 2]! + part * (table[j + 2]! - table[i + 2]!);
      }
      if (texture > 0) even += texture * GRAIN * strokeNoise(x * scale * 5.3 + 91, y * scale * 5.3 + 17);
      const cover = line ? line[p]! / 255 : 0;
      const k = even * (1 - cover);
      out[o] = r * k + ink[0] * cover;
      out[o + 1] = g * k + ink[1] * cover;
      out[o + 2] = b * k + ink[2] * cover;
      out[o + 3] = 255;
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
