import type { Point } from "@/core/algebra/point";
import type { Bytes, Labels } from "@/core/picture/plane";

/** Sheets to practise on: a flat without streaks, ramps, a ball, a value scale, an edge that is kept. */
export const EXERCISES = ["flat", "ramp3", "ramp4", "ramp6", "ball", "scale", "edge"] as const;
export type ExerciseId = (typeof EXERCISES)[number];

/** Width and height of what is printed, mm: it fits both usual sheets. */
export const [SHEET_WIDTH, SHEET_HEIGHT] = [170, 112] as const;
/** Number of the area that stays bare, by which the photo's light is set. */
export const BARE = 9;
/** Numbers of the squares that say which sheet it is: printed black for 1, left white for 0. */
export const CODE = [20, 21, 22] as const;
/** How wide lines are printed, mm. */
export const LINE_MM = 0.5;
/** How far from any shape ground counts as bare, mm; and the ring about an edge in which ink has run over, from its line. */
const [CLEAR, RING_FROM, RING_TO] = [5, 0.7, 3] as const;
/** Cells of a flat, along and down; columns of a ramp; classes of light of a ball; parts of the ring about an edge. */
export const FLAT_CELLS = [10, 5] as const;
export const RAMP_COLUMNS = 24;
export const BALL_CLASSES = 12;
export const RING_PARTS = 16;
/** Boxes of a value scale. */
export const SCALE_BOXES = 7;

/** One exercise as it is printed. */
export interface Exercise {
  readonly id: ExerciseId;
  /** Tones that it is laid in; of a value scale its boxes. */
  readonly tones: number;
  /** Lines, mm from the top left: closed or open. */
  readonly lines: readonly (readonly Point[])[];
  /** Which of the squares of its code are black, and where they are printed: left, top and side, mm. */
  readonly code: readonly { readonly black: boolean; readonly square: readonly [number, number, number] }[];
  /** Number of the area that a place belongs to, and the zone within it from 1; undefined for nobody's. */
  readonly at: (x: number, y: number) => { readonly area: number; readonly zone: number } | undefined;
}

const rect = (l: number, t: number, w: number, h: number): Point[] => [
  [l, t],
  [l + w, t],
  [l + w, t + h],
  [l, t + h],
  [l, t],
];
const circle = (x: number, y: number, r: number, of = 72): Point[] =>
  Array.from({ length: of + 1 }, (_, i) => {
    const a = (2 * Math.PI * i) / of;
    return [x + r * Math.cos(a), y + r * Math.sin(a)];
  });

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

/** Where ramps and flats lie, mm. */
const [LEFT, TOP, WIDE] = [15, 28, 140] as const;
const RAMP_HIGH = 36;
const FLAT_HIGH = 56;
const BALL = { x: 78, y: 56, r: 34 } as const;
/** Where the lamp of the ball stands: from the upper left, before the sheet. */
const LAMP = [-0.45, -0.5, 0.74] as const;
const BOX = 18;

/** Light on a ball at a place of its disc, 0 in shade to 1 at its highlight. */
function ballLight(x: number, y: number): number {
  const [nx, ny] = [(x - BALL.x) / BALL.r, (y - BALL.y) / BALL.r];
  const nz = Math.sqrt(Math.max(0, 1 - nx * nx - ny * ny));
  const lit = nx * LAMP[0] + ny * LAMP[1] + nz * LAMP[2];
  return Math.min(1, Math.max(0, (lit + 0.6) / 1.6));
}

/** Tips of a leaf with bays, about its middle: an edge that is hard to keep. */
const LEAF: readonly Point[] = Array.from({ length: 181 }, (_, i) => {
  const a = (2 * Math.PI * i) / 180;
  const r = 26 + 7 * Math.cos(5 * a) + 3 * Math.sin(9 * a);
  return [85 + 1.35 * r * Math.cos(a), 56 + r * Math.sin(a)];
});

function inside(polygon: readonly Point[], x: number, y: number): boolean {
  let is = false;
  for (let i = 0, j = polygon.length - 1; i < polygon.length; j = i++) {
    const [xi, yi] = polygon[i]!;
    const [xj, yj] = polygon[j]!;
    if (yi > y !== yj > y && x < ((xj - xi) * (y - yi)) / (yj - yi) + xi) is = !is;
  }
  return is;
}

function toSegment(x: number, y: number, [ax, ay]: Point, [bx, by]: Point): number {
  const [dx, dy] = [bx - ax, by - ay];
  const long = dx * dx + dy * dy;
  const s = long ? Math.min(1, Math.max(0, ((x - ax) * dx + (y - ay) * dy) / long)) : 0;
  return Math.hypot(x - ax - s * dx, y - ay - s * dy);
}
const toLine = (line: readonly Point[], x: number, y: number): number => {
  let least = Infinity;
  for (let i = 1; i < line.length; i++) least = Math.min(least, toSegment(x, y, line[i - 1]!, line[i]!));
  return least;
};

const inBox = (x: number, y: number, l: number, t: number, w: number, h: number) =>
  x >= l && x < l + w && y >= t && y < t + h;
const cell = (at: number, from: number, wide: number, count: number) =>
  Math.min(count - 1, Math.max(0, Math.floor(((at - from) / wide) * count)));

/** What holds a line, with room around it. */
function boxAround(line: readonly Point[], room: number): readonly [number, number, number, number] {
  const [xs, ys] = [line.map((p) => p[0]), line.map((p) => p[1])];
  return [Math.min(...xs) - room, Math.min(...ys) - room, Math.max(...xs) + room, Math.max(...ys) + room];
}
const within = ([l, t, r, b]: readonly [number, number, number, number], x: number, y: number) =>
  x > l && x < r && y > t && y < b;

const LEAF_BOX = boxAround(LEAF, RING_TO);

interface Shape {
  readonly tones: number;
  readonly lines: readonly (readonly Point[])[];
  readonly at: Exercise["at"];
}

const ramp = (tones: number): Shape => ({
  tones,
  lines: [
    rect(LEFT, TOP, WIDE, RAMP_HIGH),
    // Where each tone has its middle.
    ...Array.from({ length: tones }, (_, i): Point[] => {
      const x = LEFT + ((i + 0.5) / tones) * WIDE;
      return [
        [x, TOP + RAMP_HIGH + 2],
        [x, TOP + RAMP_HIGH + 6],
      ];
    }),
  ],
  at: (x, y) =>
    inBox(x, y, LEFT, TOP, WIDE, RAMP_HIGH)
      ? { area: 1, zone: 1 + cell(x, LEFT, WIDE, RAMP_COLUMNS) }
      : undefined,
});

const SHAPES: Readonly<Record<ExerciseId, Shape>> = {
  flat: {
    tones: 1,
    lines: [rect(LEFT, TOP, WIDE, FLAT_HIGH)],
    at: (x, y) =>
      inBox(x, y, LEFT, TOP, WIDE, FLAT_HIGH)
        ? {
            area: 1,
            zone:
              1 + cell(y, TOP, FLAT_HIGH, FLAT_CELLS[1]) * FLAT_CELLS[0] + cell(x, LEFT, WIDE, FLAT_CELLS[0]),
          }
        : undefined,
  },
  ramp3: ramp(3),
  ramp4: ramp(4),
  ramp6: ramp(6),
  ball: {
    tones: 4,
    lines: [
      circle(BALL.x, BALL.y, BALL.r),
      [
        [20, 92],
        [46, 92],
      ],
      [
        [110, 92],
        [150, 92],
      ],
    ],
    at: (x, y) =>
      Math.hypot(x - BALL.x, y - BALL.y) < BALL.r
        ? { area: 1, zone: 1 + Math.min(BALL_CLASSES - 1, Math.floor((1 - ballLight(x, y)) * BALL_CLASSES)) }
        : undefined,
  },
  scale: {
    tones: SCALE_BOXES,
    lines: Array.from({ length: SCALE_BOXES }, (_, i) => rect(16 + i * (BOX + 2), 44, BOX, BOX + 6)),
    at: (x, y) => {
      const i = Math.floor((x - 16) / (BOX + 2));
      const isIn = i >= 0 && i < SCALE_BOXES && inBox(x, y, 16 + i * (BOX + 2), 44, BOX, BOX + 6);
      return isIn ? { area: 1, zone: 1 + i } : undefined;
    },
  },
  edge: {
    tones: 1,
    lines: [LEAF],
    at: (x, y) => {
      if (!within(LEAF_BOX, x, y)) return undefined;
      if (inside(LEAF, x, y)) return { area: 1, zone: 1 };
      const off = toLine(LEAF, x, y);
      if (off < RING_FROM || off > RING_TO) return undefined;
      const turn = Math.atan2(y - 56, x - 85) / (2 * Math.PI) + 0.5;
      return { area: 2, zone: 1 + Math.min(RING_PARTS - 1, Math.floor(turn * RING_PARTS)) };
    },
  },
};

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
