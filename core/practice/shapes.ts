import type { Point } from "@/core/algebra/point";

/** Sheets to practise on: a flat without streaks, ramps, forms in the light, a value scale, an edge that is kept, colours that are met. */
export const EXERCISES = [
  "flat",
  "ramp3",
  "ramp4",
  "ramp6",
  "ball",
  "scale",
  "edge",
  "ball6",
  "ribbon",
  "cast",
  "hair",
  "match",
] as const;
export type ExerciseId = (typeof EXERCISES)[number];

/** The ring about an edge in which ink has run over, from its line, mm. */
const [RING_FROM, RING_TO] = [0.7, 3] as const;
/** Cells of a flat, along and down; columns of a ramp; classes of light of a form; parts of the ring about an edge, and of a cast shadow from where it begins. */
export const FLAT_CELLS = [10, 5] as const;
export const RAMP_COLUMNS = 24;
export const LIGHT_CLASSES = 12;
export const RING_PARTS = 16;
export const SHADOW_PARTS = 8;
/** Boxes of a value scale; pairs of boxes of which the second is to look like the first. */
export const SCALE_BOXES = 7;
export const PAIRS = 3;

export const rect = (l: number, t: number, w: number, h: number): Point[] => [
  [l, t],
  [l + w, t],
  [l + w, t + h],
  [l, t + h],
  [l, t],
];
export const circle = (x: number, y: number, r: number, of = 72): Point[] =>
  Array.from({ length: of + 1 }, (_, i) => {
    const a = (2 * Math.PI * i) / of;
    return [x + r * Math.cos(a), y + r * Math.sin(a)];
  });

/** Where ramps and flats lie, mm. */
const [LEFT, TOP, WIDE] = [15, 28, 140] as const;
const RAMP_HIGH = 36;
const FLAT_HIGH = 56;
const BALL: Disc = { x: 78, y: 56, r: 34 };
/** Where the lamp of the ball stands: from the upper left, before the sheet. */
const LAMP = [-0.45, -0.5, 0.74] as const;
const BOX = 18;

interface Disc {
  readonly x: number;
  readonly y: number;
  readonly r: number;
}

/** Light on a ball at a place of its disc, 0 in shade to 1 at its highlight. */
function ballLight({ x: cx, y: cy, r }: Disc, x: number, y: number): number {
  const [nx, ny] = [(x - cx) / r, (y - cy) / r];
  const nz = Math.sqrt(Math.max(0, 1 - nx * nx - ny * ny));
  const lit = nx * LAMP[0] + ny * LAMP[1] + nz * LAMP[2];
  return Math.min(1, Math.max(0, (lit + 0.6) / 1.6));
}

/** Class of light, 1 the lightest. */
const classOf = (light: number) => 1 + Math.min(LIGHT_CLASSES - 1, Math.floor((1 - light) * LIGHT_CLASSES));

/** A ribbon that comes and goes in waves, ending in an arrow: where it lies, how high, and how long a wave is, mm. */
const RIBBON = { from: 17, to: 128, tip: 154, high: 30, wave: 44, swing: 5 } as const;
const phase = (x: number) => (2 * Math.PI * (x - RIBBON.from)) / RIBBON.wave;
const ribbonTop = (x: number) => 40 + RIBBON.swing * Math.cos(phase(x));

/** Light on the ribbon: it leans to the lamp at the left and away from it in turn. */
function ribbonLight(x: number): number {
  const lean = 0.9 * Math.sin(phase(x));
  const lit = (0.8 - 0.6 * lean) / Math.hypot(1, lean);
  return Math.min(1, Math.max(0, (lit - 0.19) / 0.8));
}
const ARROW: readonly Point[] = [
  [RIBBON.to, ribbonTop(RIBBON.to) - 8],
  [RIBBON.tip, ribbonTop(RIBBON.to) + RIBBON.high / 2],
  [RIBBON.to, ribbonTop(RIBBON.to) + RIBBON.high + 8],
];
/** A line of so many pieces, from a place along x. */
const along = (from: number, to: number, y: (x: number) => number, of = 90): Point[] =>
  Array.from({ length: of + 1 }, (_, i) => {
    const x = from + ((to - from) * i) / of;
    return [x, y(x)];
  });

/** A lock of hair from its root at the upper left to its tip: the middle of it, and how wide it is there, mm. */
const lockAt = (s: number): Point => [38 + 98 * s, 46 + 26 * s - 16 * Math.sin(2 * Math.PI * (s - 0.08))];
const lockWide = (s: number) => 24 - 20 * s ** 1.6;
/** Where along the lock the light falls, and how far off it is darkest. */
const [SHEEN, SHEEN_FADES] = [0.36, 0.5] as const;
const LOCK_PARTS = 80;
const LOCK = Array.from({ length: LOCK_PARTS + 1 }, (_, i) => {
  const s = i / LOCK_PARTS;
  const [x, y] = lockAt(s);
  const [ax, ay] = lockAt(s - 1e-3);
  const [bx, by] = lockAt(s + 1e-3);
  const long = Math.hypot(bx - ax, by - ay);
  return { s, x, y, across: [-(by - ay) / long, (bx - ax) / long] as const };
});
const lockSide = (share: number): Point[] =>
  LOCK.map(({ s, x, y, across: [u, v] }) => [
    x + (share * u * lockWide(s)) / 2,
    y + (share * v * lockWide(s)) / 2,
  ]);
const LOCK_OUTLINE: readonly Point[] = [...lockSide(1), ...lockSide(-1).reverse(), lockSide(1)[0]!];
const LOCK_BOX = boxAround(LOCK_OUTLINE, 0);

/** A ball on a table, and the shadow that it casts: where the table's edge and the shadow's oval lie, mm. */
const SMALL_BALL: Disc = { x: 60, y: 49, r: 25 };
const CAST = { x: 102, y: 69, rx: 42, ry: 11, from: 74 } as const;
const castAt = (x: number, y: number) => ((x - CAST.x) / CAST.rx) ** 2 + ((y - CAST.y) / CAST.ry) ** 2 < 1;
const inDisc = ({ x: cx, y: cy, r }: Disc, x: number, y: number) => Math.hypot(x - cx, y - cy) < r;
/** Its oval where the ball does not stand before it. */
const CAST_LINE: readonly Point[] = Array.from({ length: 73 }, (_, i): Point => {
  const a = Math.PI + (2 * Math.PI * i) / 72;
  return [CAST.x + CAST.rx * Math.cos(a), CAST.y + CAST.ry * Math.sin(a)];
}).filter(([x, y]) => !inDisc(SMALL_BALL, x, y));

/** Boxes in pairs: width, height, and from one pair to the next, mm. */
const PAIR = { wide: 20, high: 32, next: 47, left: 18, top: 40 } as const;
const pairBox = (i: number) => PAIR.left + Math.floor(i / 2) * PAIR.next + (i % 2) * PAIR.wide;

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

export function toSegment(x: number, y: number, [ax, ay]: Point, [bx, by]: Point): number {
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

export const inBox = (x: number, y: number, l: number, t: number, w: number, h: number) =>
  x >= l && x < l + w && y >= t && y < t + h;
const cell = (at: number, from: number, wide: number, count: number) =>
  Math.min(count - 1, Math.max(0, Math.floor(((at - from) / wide) * count)));

/** What holds a line, with room around it. */
export function boxAround(line: readonly Point[], room: number): readonly [number, number, number, number] {
  const [xs, ys] = [line.map((p) => p[0]), line.map((p) => p[1])];
  return [Math.min(...xs) - room, Math.min(...ys) - room, Math.max(...xs) + room, Math.max(...ys) + room];
}
export const within = ([l, t, r, b]: readonly [number, number, number, number], x: number, y: number) =>
  x > l && x < r && y > t && y < b;

const LEAF_BOX = boxAround(LEAF, RING_TO);

interface Shape {
  readonly tones: number;
  readonly lines: readonly (readonly Point[])[];
  /** Number of the area that a place belongs to, and the zone within it from 1; undefined for nobody's. */
  readonly at: (x: number, y: number) => { readonly area: number; readonly zone: number } | undefined;
}

const ball = (tones: number): Shape => ({
  tones,
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
  at: (x, y) => (inDisc(BALL, x, y) ? { area: 1, zone: classOf(ballLight(BALL, x, y)) } : undefined),
});

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

/** What is drawn and coloured of each exercise. */
export const SHAPES: Readonly<Record<ExerciseId, Shape>> = {
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
  ball: ball(3),
  ball6: ball(6),
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
  ribbon: {
    tones: 4,
    lines: [
      along(RIBBON.from, RIBBON.to, ribbonTop),
      along(RIBBON.from, RIBBON.to, (x) => ribbonTop(x) + RIBBON.high),
      [
        [RIBBON.from, ribbonTop(RIBBON.from)],
        [RIBBON.from, ribbonTop(RIBBON.from) + RIBBON.high],
      ],
      [...ARROW, ARROW[0]!],
    ],
    at: (x, y) => {
      const isIn =
        x >= RIBBON.from && x < RIBBON.to
          ? y > ribbonTop(x) && y < ribbonTop(x) + RIBBON.high
          : x >= RIBBON.to && inside(ARROW, x, y);
      return isIn ? { area: 1, zone: classOf(ribbonLight(x)) } : undefined;
    },
  },
  cast: {
    tones: 4,
    lines: [circle(SMALL_BALL.x, SMALL_BALL.y, SMALL_BALL.r), CAST_LINE],
    at: (x, y) => {
      if (inDisc(SMALL_BALL, x, y)) return { area: 1, zone: classOf(ballLight(SMALL_BALL, x, y)) };
      const end = CAST.x + CAST.rx;
      return castAt(x, y)
        ? { area: 2, zone: 1 + cell(x, CAST.from, end - CAST.from, SHADOW_PARTS) }
        : undefined;
    },
  },
  hair: {
    tones: 4,
    lines: [LOCK_OUTLINE],
    at: (x, y) => {
      if (!within(LOCK_BOX, x, y) || !inside(LOCK_OUTLINE, x, y)) return undefined;
      const { s } = LOCK.reduce((best, p) =>
        Math.hypot(p.x - x, p.y - y) < Math.hypot(best.x - x, best.y - y) ? p : best,
      );
      return { area: 1, zone: classOf(1 - Math.min(1, Math.abs(s - SHEEN) / SHEEN_FADES)) };
    },
  },
  match: {
    tones: PAIRS,
    lines: Array.from({ length: 2 * PAIRS }, (_, i) => rect(pairBox(i), PAIR.top, PAIR.wide, PAIR.high)),
    at: (x, y) => {
      for (let i = 0; i < 2 * PAIRS; i++)
        if (inBox(x, y, pairBox(i), PAIR.top, PAIR.wide, PAIR.high)) return { area: 1, zone: 1 + i };
      return undefined;
    },
  },
};
