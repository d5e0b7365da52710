import type { Point } from "@/core/algebra/point";
import { LINE_KINDS, type LineKind } from "@/core/picture/line";
import {
  JOINTS,
  MOST_CUT_POINTS,
  MOST_CUTS,
  MOST_POINTS,
  SHEET_CUTS,
  type Joints,
  type SheetPlan,
} from "@/core/piece/set-up";
import { AreaShares } from "./area-shares";
import { Flag, Id, List, Nullable, Numbers, One, OneOf, Optional, Rule, Whole, Within } from "./fields";

const isPoint = (v: unknown, least: number, most: number): v is Point =>
  Array.isArray(v) && v.length === 2 && v.every((n) => typeof n === "number" && n >= least && n <= most);

/** A list of points in shares of a picture; `beyond` lets them lie so far outside. */
export const Points = (least: number, most: number, beyond = 0): PropertyDecorator =>
  Rule(
    `expected ${least === most ? least : `${least} to ${most}`} points [x, y] in shares of the picture, ${-beyond} to ${1 + beyond}`,
    (v) =>
      Array.isArray(v) &&
      v.length >= least &&
      v.length <= most &&
      v.every((p) => isPoint(p, -beyond, 1 + beyond)),
  );

/** How far corners and cuts may lie outside the picture, in shares of it. */
export const BEYOND = 0.25;
/** Longest side of a drawing or sheet, mm. */
const LONGEST_SIDE = 2000;

export class LineArtInput {
  @Id("picture") pictureId!: string;
  @OneOf(LINE_KINDS) kind!: LineKind;
  @Nullable() @Flag() proof: boolean | null = null;
  @Nullable() @Points(4, 4, BEYOND) corners: [Point, Point, Point, Point] | null = null;
  @Nullable() @Within(5, LONGEST_SIDE, "mm") width: number | null = null;
}

class SheetPlanInput {
  @Within(10, LONGEST_SIDE, "mm") width!: number;
  @Within(10, LONGEST_SIDE, "mm") height!: number;
  @Nullable() @Numbers(2, -LONGEST_SIDE, LONGEST_SIDE) at: [number, number] | null = null;
  @OneOf(SHEET_CUTS) cut!: SheetPlan["cut"];
  @Within(0, 50, "mm") margin!: number;
}

export class CutInput {
  @Points(2, MOST_CUT_POINTS, BEYOND) points!: Point[];
  @Flag() closed!: boolean;
  @Flag() curved!: boolean;
}

export const CUT = '{"points","closed","curved"}';

/** How a drawing is read from its picture. */
export class DrawnInput {
  @OneOf(LINE_KINDS) kind!: LineKind;
  @Optional() @Nullable() @Points(4, 4, BEYOND) corners: [Point, Point, Point, Point] | null = null;
  /** Width over height of the sheet that the corners are of. */
  @Optional() @Nullable() @Within(0.05, 20) aspect: number | null = null;
  /** Width of the drawing on the sheet. */
  @Within(5, LONGEST_SIDE, "mm") width!: number;
  @Optional() @Within(0, 20, "mm") gap = 0.8;
  @Optional() @Within(0, 1000, "mm²") speck = 1;
  @Optional() @List(() => CutInput, 0, MOST_CUTS, CUT) cuts: CutInput[] = [];
  /** Makes the drawing smaller by this factor first: a quick look. */
  @Optional() @Whole(1, 8) coarser = 1;
}

const isTouch = (v: unknown): boolean =>
  Array.isArray(v) &&
  v.length === 3 &&
  [v[0], v[1]].every((id) => typeof id === "string" && id.length > 0 && id.length <= 60) &&
  typeof v[2] === "number" &&
  v[2] >= 0 &&
  v[2] <= 1e5;

/** A map that is planar has fewer borders than three for each area. */
const MOST_TOUCHES = 1300;

export class SetUpInput {
  @Nullable()
  @One(() => LineArtInput, 'expected {"pictureId","kind","proof","corners","width"} or null')
  line: LineArtInput | null = null;
  @One(() => SheetPlanInput, 'expected {"width","height","at","cut","margin"}') sheet!: SheetPlanInput;
  @Within(0, 10, "mm") gap!: number;
  @Within(0, 500, "mm²") speck!: number;
  @List(() => CutInput, 0, MOST_CUTS, CUT) cuts!: CutInput[];
  @Nullable()
  @Rule(
    "expected a list of at most 400 area ids, or null",
    (v) => Array.isArray(v) && v.length <= 400 && v.every((id) => typeof id === "string" && id.length <= 60),
  )
  order: string[] | null = null;
  @Rule(
    `expected at most ${MOST_TOUCHES} borders [id, id, mm]`,
    (v) => Array.isArray(v) && v.length <= MOST_TOUCHES && v.every(isTouch),
  )
  touches!: [string, string, number][];
}

export class AreaPlaceInput {
  @Points(1, MOST_POINTS) at!: Point[];
  @Within(0, 4e6, "mm²") mm2!: number;
  @Within(0, 4e6, "mm²") part!: number;
  @Within(0, 2000, "mm") width!: number;
  @Optional() @AreaShares() shares?: number[];
}

export const JOINT_KINDS: readonly Joints[] = JOINTS;

export class PairInput {
  @Rule("expected a point [x, y] in shares of the drawing", (v) => isPoint(v, -BEYOND, 1 + BEYOND))
  line!: Point;
  @Rule("expected a point [x, y] in shares of the reference", (v) => isPoint(v, 0, 1)) reference!: Point;
}

const MOST_PAIRS = 4;
export const PAIR = '{"line","reference"}';

export class ReferenceInput {
  @Id("picture") pictureId!: string;
  @List(() => PairInput, 0, MOST_PAIRS, PAIR) pairs!: PairInput[];
  @Numbers(3, 0.02, 50) gains!: [number, number, number];
}
