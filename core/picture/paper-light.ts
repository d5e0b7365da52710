import { LINEAR } from "@/core/colour/rgb";
import type { Pixels } from "./plane";
import { extremeIn } from "./window";

/** Side in pixels of the blocks whose lightest tenth stands for the paper there. */
export const BLOCK = 24;
const LIGHTEST = 0.9;
/** Blocks that are darker than this share of the paper elsewhere, and no dark corner, are no paper: they are filled. */
const FILLED = 0.4;
/** Light (linear) below which nothing is known of a paper. */
const DARKEST = 1 / 255;
/** Light falls off to a dark corner, from a block to the next, to no less than this share of itself. */
const JUMP = 0.5;
/** Reach, as a share of the picture's long side, within which paper is found beside what is drawn. */
const PAPER_REACH = 1 / 14;

const blocksOf = (side: number): number => Math.max(1, Math.round(side / BLOCK));

/** Level of bare paper for each block and channel, linear 0–1: lightest tenth of it, filled blocks bridged by their surroundings. */
export function paperLevels({ width, height, channels, data }: Pixels) {
  // What is left over at the right and below belongs to the last block: so few pixels alone tell nothing.
  const [w, h] = [blocksOf(width), blocksOf(height)];
  const colours = channels === 1 ? 1 : 3;
  const planes = Array.from({ length: colours }, () => new Uint8Array(w * h));
  const counts = new Uint32Array(256);
  for (let by = 0; by < h; by++)
    for (let bx = 0; bx < w; bx++)
      for (let c = 0; c < colours; c++) {
        counts.fill(0);
        const right = bx + 1 < w ? (bx + 1) * BLOCK : width;
        const bottom = by + 1 < h ? (by + 1) * BLOCK : height;
        let n = 0;
        for (let y = by * BLOCK; y < bottom; y++)
          for (let x = bx * BLOCK; x < right; x++) {
            const p = (y * width + x) * channels;
            if (channels === 4 && data[p + 3]! < 128) counts[255]!++;
            else counts[data[p + c]!]!++;
            n++;
          }
        let [v, seen] = [0, 0];
        while (v < 255 && (seen += counts[v]!) < LIGHTEST * n) v++;
        planes[c]![by * w + bx] = v;
      }
  return { w, h, planes: planes.map((p) => bridged(p, w, h)) };
}

/** Levels with filled blocks given the lightest level near them, smoothed. */
function bridged(levels: Uint8Array, w: number, h: number): Float32Array {
  const reach = Math.max(1, Math.round(Math.max(w, h) * PAPER_REACH));
  const closed = closedOver(levels, w, h, reach);
  const order = Uint8Array.from(closed).sort();
  const usual = LINEAR[order[order.length >> 1]!]!;
  const light = paperOf(
    Float32Array.from(closed, (v) => Math.max(LINEAR[v]!, DARKEST)),
    w,
    h,
    FILLED * usual,
  );
  return smoothed(smoothed(light, w, h), w, h);
}

/**
 * Light of the paper by what is seen of it: blocks that are at least so light, and darker ones that are reached from them without a jump, are
 * paper; the others are as light as the paper nearest to them. Where nothing is paper, all is as it is seen.
 */
function paperOf(seen: Float32Array, w: number, h: number, least: number): Float32Array {
  const light = Float32Array.from(seen);
  const beside = (b: number) =>
    [b % w ? b - 1 : -1, (b + 1) % w ? b + 1 : -1, b - w, b + w].filter((n) => n >= 0 && n < w * h);
  const known = Uint8Array.from(seen, (l) => (l < least ? 0 : 1));
  const queue: number[] = [];
  known.forEach((is, b) => is && queue.push(b));
  for (let i = 0; i < queue.length; i++)
    for (const next of beside(queue[i]!))
      if (!known[next] && seen[next]! > JUMP * seen[queue[i]!]!) {
        known[next] = 1;
        queue.push(next);
      }
  for (let i = 0; i < queue.length; i++)
    for (const next of beside(queue[i]!))
      if (!known[next]) {
        known[next] = 1;
        light[next] = light[queue[i]!]!;
        queue.push(next);
      }
  return light;
}

/**
 * Closing by a square. It looks on beyond the edges, where there is nothing: else light that falls off towards an edge would be given the level
 * that lies a reach farther in, and the paper there would look drawn on.
 */
function closedOver(levels: Uint8Array, w: number, h: number, reach: number): Uint8Array {
  const [across, down] = [w + 2 * reach, h + 2 * reach];
  const wide = new Uint8Array(across * down);
  for (let y = 0; y < h; y++) wide.set(levels.subarray(y * w, (y + 1) * w), (y + reach) * across + reach);
  const closed = extremeIn(extremeIn(wide, across, down, reach, "greatest"), across, down, reach, "least");
  const out = new Uint8Array(w * h);
  for (let y = 0; y < h; y++) {
    const from = (y + reach) * across + reach;
    out.set(closed.subarray(from, from + w), y * w);
  }
  return out;
}

/**
 * How much noisier the darkness of bare paper is in each block than where the paper is usual. A picture's noise is much the same at all of its
 * levels, which go about with the square root of light; darkness is a share of the paper's light.
 */
export function noiseOver({ planes }: { readonly planes: readonly Float32Array[] }): Float32Array {
  const usual = planes.map((plane) => Float32Array.from(plane).sort()[plane.length >> 1]!);
  return planes[0]!.map((_, b) =>
    Math.max(1, ...planes.map((plane, c) => Math.sqrt(usual[c]! / Math.max(plane[b]!, DARKEST)))),
  );
}

/** Mean of each 3 × 3 neighbourhood; beyond the edges levels go on as they do within. */
function smoothed(v: Float32Array, w: number, h: number): Float32Array {
  const three = new Float32Array(v.length);
  for (let y = 0; y < h; y++)
    for (let x = 0, p = y * w; x < w; x++, p++)
      three[p] = x && x < w - 1 ? (v[p - 1]! + v[p]! + v[p + 1]!) / 3 : v[p]!;
  const out = new Float32Array(v.length);
  for (let y = 0, p = 0; y < h; y++)
    for (let x = 0; x < w; x++, p++)
      out[p] = y && y < h - 1 ? (three[p - w]! + three[p]! + three[p + w]!) / 3 : three[p]!;
  return out;
}
