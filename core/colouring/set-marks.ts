import { halfWidth, type Mark } from "@/core/media/mark";
import type { Box } from "./paint";

/** Marks of one opaque thing. */
export interface SetMarks {
  readonly marks: readonly Mark[];
  /** Its colour, 8-bit sRGB. */
  readonly rgb: readonly [number, number, number];
}

interface Sheet {
  readonly width: number;
  readonly height: number;
  readonly mmPerPixel: number;
}

/** A stroke between two of its points, in pixels, with how far along the whole it begins and ends. */
interface Segment {
  readonly x: number;
  readonly y: number;
  readonly dx: number;
  readonly dy: number;
  readonly from: number;
  readonly to: number;
}

function segmentsOf({ points }: Mark, { width, height }: Sheet): Segment[] {
  const at = points.map(([u, v]) => [u * width, v * height] as const);
  if (at.length === 1) return [{ x: at[0]![0], y: at[0]![1], dx: 0, dy: 0, from: 0, to: 0 }];
  const lengths = at.slice(1).map(([x, y], i) => Math.hypot(x - at[i]![0], y - at[i]![1]));
  const whole = lengths.reduce((sum, l) => sum + l, 0) || 1;
  let done = 0;
  return lengths.map((long, i) => {
    const [x, y] = at[i]!;
    const from = done / whole;
    done += long;
    return { x, y, dx: at[i + 1]![0] - x, dy: at[i + 1]![1] - y, from, to: done / whole };
  });
}

/** Pixels around a segment that may be covered: left, top, first column and row beyond. */
function around({ x, y, dx, dy }: Segment, radius: number, [left, top, right, bottom]: Box): Box {
  const by = radius + 1;
  return [
    Math.max(left, Math.floor(Math.min(x, x + dx) - by)),
    Math.max(top, Math.floor(Math.min(y, y + dy) - by)),
    Math.min(right, Math.ceil(Math.max(x, x + dx) + by)),
    Math.min(bottom, Math.ceil(Math.max(y, y + dy) + by)),
  ];
}

const sizeOf = ([left, top, right, bottom]: Box): number =>
  Math.max(0, right - left) * Math.max(0, bottom - top);

const holding = (boxes: readonly Box[]): Box => [
  Math.min(...boxes.map((b) => b[0])),
  Math.min(...boxes.map((b) => b[1])),
  Math.max(...boxes.map((b) => b[2])),
  Math.max(...boxes.map((b) => b[3])),
];

/** Pixels that are walked to set marks on a sheet, those around each segment and those of the whole mark: what that costs. */
export function markedPixels(sheet: Sheet, sets: readonly { readonly marks: readonly Mark[] }[]): number {
  const all = [0, 0, sheet.width, sheet.height] as const;
  let sum = 0;
  for (const { marks } of sets)
    for (const mark of marks) {
      const radius = mark.width / 2 / sheet.mmPerPixel;
      const boxes = segmentsOf(mark, sheet).map((s) => around(s, radius, all));
      sum += boxes.reduce((n, b) => n + sizeOf(b), sizeOf(holding(boxes)));
    }
  return sum;
}

/** How far a pixel is covered (0–1) that lies so far from the middle of a mark, by half its width there, all in pixels. */
function coverOf(mark: Mark, distance: number, half: number): number {
  // What is narrower than a pixel covers as much of it as it takes.
  if (mark.kind !== "dab") return Math.min(1, 2 * half, Math.max(0, half - distance + 0.5));
  const out = Math.min(1, Math.max(0, (distance - 0.4 * half) / Math.max(0.6 * half, 0.5)));
  return 1 - out * out * (3 - 2 * out);
}

/** The part of a picture that a mark covers, and how far (0–1), row by row. Strokes do not cover twice where they bend. */
export function coverage(
  mark: Mark,
  sheet: Sheet,
  box: Box,
): { readonly box: Box; readonly cover: Float32Array } {
  const radius = mark.width / 2 / sheet.mmPerPixel;
  const segments = segmentsOf(mark, sheet);
  const boxes = segments.map((s) => around(s, radius, box));
  const whole = holding(boxes);
  const wide = Math.max(0, whole[2] - whole[0]);
  const cover = new Float32Array(sizeOf(whole));
  segments.forEach(({ x, y, dx, dy, from, to }, i) => {
    const [left, top, right, bottom] = boxes[i]!;
    const long = dx * dx + dy * dy;
    for (let v = top; v < bottom; v++)
      for (let u = left; u < right; u++) {
        const [px, py] = [u + 0.5 - x, v + 0.5 - y];
        const t = long ? Math.min(1, Math.max(0, (px * dx + py * dy) / long)) : 0;
        const half = halfWidth(mark, from + t * (to - from)) / sheet.mmPerPixel;
        const c = coverOf(mark, Math.hypot(px - t * dx, py - t * dy), half);
        const q = (v - whole[1]) * wide + u - whole[0];
        if (c > cover[q]!) cover[q] = c;
      }
  });
  return { box: whole, cover };
}

/**
 * Sets marks over a picture that was painted.
 * @param out red, green, blue and opacity of the part `box` of the sheet, row by row; what is clear becomes as opaque as the mark
 */
export function setMarks(out: Uint8ClampedArray, sheet: Sheet, box: Box, sets: readonly SetMarks[]): void {
  const wide = box[2] - box[0];
  for (const { marks, rgb } of sets)
    for (const mark of marks) {
      const { box: part, cover } = coverage(mark, sheet, box);
      for (let y = part[1], q = 0; y < part[3]; y++)
        for (let x = part[0]; x < part[2]; x++, q++) {
          const c = cover[q]!;
          if (!c) continue;
          const o = ((y - box[1]) * wide + x - box[0]) * 4;
          const under = (out[o + 3]! / 255) * (1 - c);
          const alpha = c + under;
          for (let i = 0; i < 3; i++) out[o + i] = (rgb[i]! * c + out[o + i]! * under) / alpha;
          out[o + 3] = 255 * alpha;
        }
    }
}
