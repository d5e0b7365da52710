import type { Point } from "@/core/algebra/point";
import type { Pair } from "@/core/picture/align";
import type { Gains } from "@/core/picture/balance";
import type { Cut } from "@/core/picture/cut";
import type { LineKind } from "@/core/picture/line";
import type { Corners } from "@/core/picture/rectify";

/** The line that will be coloured, and how it is read from its picture. Everything in shares (0–1) of the straightened drawing. */
export interface LineArt {
  readonly pictureId: string;
  readonly kind: LineKind;
  /** Whether alcohol ink leaves the line alone; null while nobody has said. */
  readonly proof: boolean | null;
  /** Corners of the drawing in its picture; null when the picture is the drawing. */
  readonly corners: Corners | null;
  /** Width of the drawing on the sheet in mm; null while nobody has said. */
  readonly width: number | null;
}

/** The sheet that is coloured, mm. */
export interface SheetPlan {
  readonly width: number;
  readonly height: number;
  /** Where the top left corner of the drawing lies on it; null is in the middle. */
  readonly at: Point | null;
  /** How it is cut out when it is done: not at all, along the line, or with a margin in mm. */
  readonly cut: "sheet" | "tight" | "margin";
  readonly margin: number;
}

/** How a piece is set up: decisions, never pixels. */
export interface SetUp {
  readonly line: LineArt | null;
  readonly sheet: SheetPlan;
  /** Widest gap in the line that is closed, mm; smallest region that is not a speck, mm². */
  readonly gap: number;
  readonly speck: number;
  /** Lines that part regions and are never drawn. */
  readonly cuts: readonly Cut[];
  /** Areas from the foremost to the hindmost, as far as somebody has said; null goes by what the line shows. */
  readonly order: readonly string[] | null;
  /** Borders between areas as measured, mm. */
  readonly touches: readonly (readonly [a: string, b: string, mm: number])[];
}

/** Where an area lies on the sheet. */
export interface AreaPlace {
  /** Points that its regions hold, in shares of the drawing. */
  readonly at: readonly Point[];
  /** As measured: all of it and its largest part, mm², and its width where it is widest, mm. */
  readonly mm2: number;
  readonly part: number;
  readonly width: number;
  /** How it is divided from its light end to its dark one, as its tone map was last seen; evenly while nobody has seen one. */
  readonly shares?: readonly number[];
}

/** A picture that shows how the piece is to look. */
export interface Reference {
  readonly pictureId: string;
  /** Points of the drawing and of the picture that are the same: none, two or four. */
  readonly pairs: readonly Pair[];
  /** Gains of linear red, green and blue that set its light right. */
  readonly gains: Gains;
}

/** Joints between repeated blocks that are coloured as one area. */
export const JOINTS = ["dark", "white"] as const;
export type Joints = (typeof JOINTS)[number];

export const SHEET_CUTS = ["sheet", "tight", "margin"] as const;

export const DEFAULT_SET_UP: SetUp = {
  line: null,
  sheet: { width: 210, height: 297, at: null, cut: "sheet", margin: 2 },
  gap: 0.8,
  speck: 1,
  cuts: [],
  order: null,
  touches: [],
};

/** Common sheets, mm. */
export const SHEET_SIZES = {
  A3: [297, 420],
  A4: [210, 297],
  A5: [148, 210],
  A6: [105, 148],
  Letter: [215.9, 279.4],
} as const satisfies Readonly<Record<string, readonly [number, number]>>;
export type SheetSizeName = keyof typeof SHEET_SIZES;

/** Where a piece begins on a sheet of a common size. */
export function onSheet(name: SheetSizeName): SetUp {
  const [width, height] = SHEET_SIZES[name];
  return { ...DEFAULT_SET_UP, sheet: { ...DEFAULT_SET_UP.sheet, width, height } };
}

/** Most of each that a piece may have. */
export const MOST_CUTS = 400;
export const MOST_CUT_POINTS = 64;
export const MOST_POINTS = 400;
export const MOST_REFERENCES = 12;

/** Room left round a drawing of unknown size on its sheet, mm. */
const ROOM = 10;

/** Width of a drawing on the sheet in mm: as somebody has said, the sheet's own when its corners were found, or as large as fits. */
export function drawingWidth({ line, sheet }: Pick<SetUp, "line" | "sheet">, aspect: number): number {
  if (line?.width) return line.width;
  if (line?.corners) return sheet.width;
  return Math.max(5, Math.min(sheet.width - 2 * ROOM, (sheet.height - 2 * ROOM) * aspect));
}

/** How far a seen shape may be from the sheet's and still be the sheet's own. */
const SHAPE_SLACK = 0.04;

/** Width over height of what the corners bound: the sheet's where that is what one sees, else none is known. */
export function cornerAspect(seen: number, { width, height }: SheetPlan): number | null {
  const aspect = width / height;
  return Math.abs(seen / aspect - 1) < SHAPE_SLACK ? aspect : null;
}

/** Top left corner of a drawing on its sheet, mm. */
export const placeOf = ({ at, ...sheet }: SheetPlan, width: number, height: number): Point =>
  at ?? [(sheet.width - width) / 2, (sheet.height - height) / 2];
