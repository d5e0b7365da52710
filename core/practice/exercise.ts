import type { Point } from "@/core/algebra/point";
import type { Bytes, Labels } from "@/core/picture/plane";
import {
  boxAround,
  circle,
  EXERCISES,
  inBox,
  rect,
  SHAPES,
  toSegment,
  within,
  type ExerciseId,
} from "./shapes";

/** Width and height of what is printed, mm: it fits both usual sheets. */
export const [SHEET_WIDTH, SHEET_HEIGHT] = [170, 112] as const;
/** Number of the area that stays bare, by which the photo's light is set. */
export const BARE = 9;
/** Numbers of the squares that say which sheet it is: printed black for 1, left white for 0. */
export const CODE = [20, 21, 22, 23] as const;
/** How wide lines are printed, mm. */
export const LINE_MM = 0.5;
/** How far from any shape ground counts as bare, mm. */
const CLEAR = 5;

/** One exercise as it is printed. */
export interface Exercise {
  readonly id: ExerciseId;
  /** Tones that it is laid in; of a value scale its boxes. */
  readonly tones: number;
  /** Lines of the exercise alone, and with its frame and code, mm from the top left: closed or open. */
  readonly drawing: readonly (readonly Point[])[];
  readonly lines: readonly (readonly Point[])[];
  /** Which of the squares of its code are black, and where they are printed: left, top and side, mm. */
  readonly code: readonly { readonly black: boolean; readonly square: readonly [number, number, number] }[];
  /** Number of the area that a place belongs to, and the zone within it from 1; undefined for nobody's. */
  readonly at: (x: number, y: number) => { readonly area: number; readonly zone: number } | undefined;
}

/** Which sheet its squares say that it is, by how dark they are seen beside bare ground; undefined for none that there is. */
export function exerciseOfCode(lightness: readonly number[], bare: number): ExerciseId | undefined {
  const number = lightness.reduce((n, L, i) => n + (L < 0.6 * bare ? 1 << i : 0), 0);
  return EXERCISES[number - 1];
}

/** A frame whose corners differ, and ticks at uneven places: by these a photo of a sheet is found, whichever way up. */
const FRAME: readonly (readonly Point[])[] = [
  rect(2, 2, SHEET_WIDTH - 4, SHEET_HEIGHT - 4),
  circle(9, 9, 3.5, 36),
  [
    [5, 9],
    [13, 9],
  ],
  [
    [9, 5],
    [9, 13],
  ],
  [
    [157, 13],
    [161, 5],
    [165, 13],
    [157, 13],
  ],
  rect(158, 99, 7, 7),
  [
    [158, 99],
    [165, 106],
  ],
  rect(5, 99, 8, 2.5),
  rect(5, 103.5, 8, 2.5),
  ...[21, 27, 38, 44, 61, 83, 90, 112, 131, 139].map((x): Point[] => [
    [x, 2],
    [x, x % 2 ? 6 : 9],
  ]),
  ...[24, 41, 52, 69, 77, 103, 118, 126, 147].map((x): Point[] => [
    [x, SHEET_HEIGHT - 2],
    [x, SHEET_HEIGHT - (x % 2 ? 9 : 6)],
  ]),
];

/** Nothing is bare so near to the frame and its marks, mm. */
const MARGIN = 15;

/** Squares of the code: the left edge of the first, top, side and distance, mm. */
const SQUARES = { left: 60, top: 97, side: 5, apart: 9 } as const;

export function exerciseOf(id: ExerciseId): Exercise {
  const { tones, lines, at } = SHAPES[id];
  const number = EXERCISES.indexOf(id) + 1;
  const code = CODE.map((_, i) => ({
    black: ((number >> i) & 1) === 1,
    square: [SQUARES.left + i * SQUARES.apart, SQUARES.top, SQUARES.side] as const,
  }));
  const boxes = lines.map((l) => boxAround(l, CLEAR));
  return {
    id,
    tones,
    code,
    drawing: lines,
    lines: [...FRAME, ...code.map(({ square: [l, t, side] }) => rect(l, t, side, side)), ...lines],
    at: (x, y) => {
      const own = at(x, y);
      if (own) return own;
      const bit = code.findIndex(({ square: [l, t, side] }) => inBox(x, y, l, t, side, side));
      if (bit >= 0) return { area: CODE[bit]!, zone: 1 };
      const isClear =
        inBox(x, y, MARGIN, MARGIN, SHEET_WIDTH - 2 * MARGIN, SQUARES.top - 1 - MARGIN) &&
        !boxes.some((b) => within(b, x, y));
      return isClear ? { area: BARE, zone: 1 } : undefined;
    },
  };
}

export interface ExercisePlanes {
  readonly line: Bytes;
  readonly labels: Labels;
  readonly zones: Bytes;
}

/** An exercise as planes of pixels, as a photo of it is read against. @param perMm pixels a millimetre */
export function exercisePlanes({ lines, at }: Exercise, perMm: number): ExercisePlanes {
  const [width, height] = [Math.round(SHEET_WIDTH * perMm), Math.round(SHEET_HEIGHT * perMm)];
  const line = new Uint8Array(width * height);
  const reach = LINE_MM / 2 + 1 / perMm;
  for (const path of lines)
    for (let i = 1; i < path.length; i++) {
      const [a, b] = [path[i - 1]!, path[i]!];
      const from = (v: number, w: number) => Math.max(0, Math.floor((Math.min(v, w) - reach) * perMm));
      const to = (v: number, w: number, most: number) =>
        Math.min(most, Math.ceil((Math.max(v, w) + reach) * perMm));
      for (let y = from(a[1], b[1]); y < to(a[1], b[1], height); y++)
        for (let x = from(a[0], b[0]); x < to(a[0], b[0], width); x++) {
          const off = toSegment((x + 0.5) / perMm, (y + 0.5) / perMm, a, b);
          const cover = Math.min(1, Math.max(0, (LINE_MM / 2 - off) * perMm + 0.5));
          line[y * width + x] = Math.max(line[y * width + x]!, Math.round(255 * cover));
        }
    }
  const labels = new Uint16Array(width * height);
  const zones = new Uint8Array(width * height);
  // What belongs to whom is asked in half the fineness: distances to lines take their time.
  for (let y = 0; y < height; y += 2)
    for (let x = 0; x < width; x += 2) {
      const own = at((x + 1) / perMm, (y + 1) / perMm);
      if (!own) continue;
      for (const p of [y * width + x, y * width + x + 1, (y + 1) * width + x, (y + 1) * width + x + 1]) {
        if (p >= labels.length) continue;
        labels[p] = own.area;
        zones[p] = own.zone;
      }
    }
  return {
    line: { width, height, data: line },
    labels: { width, height, data: labels },
    zones: { width, height, data: zones },
  };
}
