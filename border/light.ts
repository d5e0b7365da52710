import type { Point } from "@/core/algebra/point";
import {
  DEFAULT_FORM,
  FORM_KINDS,
  MOST_GATHERED,
  MOST_STROKE_POINTS,
  MOST_STROKES,
  type FormKind,
} from "@/core/light/form";
import { DEFAULT_LIGHT, type Lamp } from "@/core/light/light";
import { MOST_SPOTS } from "@/core/piece/zones";
import { Flag, List, Nullable, Numbers, One, OneOf, Optional, Rule, Text, Within } from "./fields";
import { Points } from "./set-up";

export class LampInput {
  @Within(0, 360, "degrees") from!: number;
  @Within(0, 90, "degrees") height!: number;
  @Optional() @Flag() behind = false;
  @Optional() @Within(0, 1) strength = 1;
}
const LAMP = 'expected {"from","height","behind","strength"}';

class ShadeInput {
  @Within(0, 1) strength!: number;
  @Within(0, 100, "mm") length!: number;
  @Within(0, 1) softness!: number;
}

/** The light of a piece; what is left out is as usual. */
export class LightInput {
  @Optional() @One(() => LampInput, LAMP) main: Lamp = DEFAULT_LIGHT.main;
  @Nullable() @One(() => LampInput, `${LAMP} or null`) second: LampInput | null = null;
  @Optional() @Within(0, 1) softness = DEFAULT_LIGHT.softness;
  @Optional()
  @One(() => ShadeInput, 'expected {"strength","length","softness"}')
  shade: ShadeInput = DEFAULT_LIGHT.shade;
  @Optional() @Within(0, 1) fromReference = 0;
}

/** Lines of two points and more in shares of the drawing. */
const Lines = (most: number): PropertyDecorator =>
  Rule(
    `expected at most ${most} lines, each 2 to ${MOST_STROKE_POINTS} points [x, y] in shares of the drawing`,
    (v) =>
      Array.isArray(v) &&
      v.length <= most &&
      v.every(
        (line) =>
          Array.isArray(line) &&
          line.length >= 2 &&
          line.length <= MOST_STROKE_POINTS &&
          line.every(
            (p) =>
              Array.isArray(p) && p.length === 2 && p.every((n) => typeof n === "number" && n >= 0 && n <= 1),
          ),
      ),
  );

class GrowthInput {
  @Lines(MOST_STROKES) strokes!: Point[][];
  @Optional() @Lines(MOST_STROKES) partings: Point[][] = [];
  @Optional() @Points(0, MOST_GATHERED) gathered: Point[] = [];
  @Optional() @Within(0, 1) band = 0.6;
}

/** The shape of an area in depth; what is left out is as usual. */
export class FormInput {
  @Optional() @OneOf(FORM_KINDS) kind: FormKind = DEFAULT_FORM.kind;
  @Optional() @Within(0, 2) height = DEFAULT_FORM.height;
  @Nullable() @Within(-360, 360, "degrees") axis: number | null = null;
  @Optional() @Lines(MOST_STROKES) creases: Point[][] = [];
  @Nullable() @Text(60, 1) like: string | null = null;
  @Optional() @Within(0, 8) stands = DEFAULT_FORM.stands;
  @Optional() @Within(0, 1) takes = DEFAULT_FORM.takes;
  @Nullable()
  @One(() => GrowthInput, 'expected {"strokes","partings","gathered","band"} or null')
  growth: GrowthInput | null = null;
  @Optional() @Within(0, 1) shine = 0;
}

class SpotInput {
  @Numbers(2, 0, 1) at!: [number, number];
  @Within(0.1, 200, "mm") radius!: number;
}

class TouchInput extends SpotInput {
  @Within(-1, 1) by!: number;
}

/** Where tones end, in rising order. */
const Shares = (most: number): PropertyDecorator =>
  Rule(
    `expected at most ${most} rising numbers between 0 and 1, or null`,
    (v) =>
      Array.isArray(v) &&
      v.length <= most &&
      v.every((n, i) => typeof n === "number" && n >= 0 && n <= 1 && (!i || n >= v[i - 1])),
  );

/** Most places at which an area's tones may end: one a tone, and a shadow end of its own. */
const MOST_BORDERS = 8;

export class AreaTonesInput {
  @Nullable() @Shares(MOST_BORDERS) shares: number[] | null = null;
  @Optional() @List(() => TouchInput, 0, MOST_SPOTS, '{"at","radius","by"}') touches: TouchInput[] = [];
  @Optional() @List(() => SpotInput, 0, MOST_SPOTS, '{"at","radius"}') whites: SpotInput[] = [];
}
export const AREA_TONES = 'expected {"shares","touches","whites"}';

/** Where each tone ends as planned. */
const Borders = (): PropertyDecorator =>
  Rule(
    `expected 2 to ${MOST_BORDERS + 2} rising numbers from 0 to 1`,
    (v) =>
      Array.isArray(v) &&
      v.length >= 2 &&
      v.length <= MOST_BORDERS + 2 &&
      v[0] === 0 &&
      v.at(-1) === 1 &&
      v.every((n, i) => typeof n === "number" && (!i || n >= v[i - 1])),
  );

/** What the tone map is told of an area. */
export class ToneWishInput extends AreaTonesInput {
  @Optional() @Flag() white = false;
  /** Where each tone ends as planned: 0 … 1, one more than tones. */
  @Optional() @Borders() borders: number[] = [0, 1];
}
