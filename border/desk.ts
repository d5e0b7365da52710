import { MOST_MEETING } from "@/core/chart/layout";
import { PRESSURES, type Pressure } from "@/core/pencil/tooth";
import type { Illuminant } from "@/core/colour/observer";
import { MOST_ON_RACK, STATES, type MarkerState } from "@/core/stock/kinds";
import { MeetsInput } from "./chart";
import { LIGHTS, type ColourInput } from "./colour";
import { DeskFitInput } from "./desk-fit";
import { Code, Colour, Colours, List, Nullable, One, OneOf, Optional, Stack, Whole, Within } from "./fields";

export class PaperInput {
  @Colour() color!: ColourInput;
  /** Light under which colours are judged; readings are always meant under daylight. */
  @Optional() @OneOf(LIGHTS) light: Illuminant = "D65";
}

export class InkInput {
  @Code() code!: string;
  /** Readings of one, two and three coats. */
  @Colours(1, 3) coats!: ColourInput[];
  @Optional() @OneOf(STATES) state?: MarkerState;
  /** Extra cost when planning, ΔE00; for inks that are not owned. */
  @Optional() @Within(0, 100, "ΔE00") cost?: number;
}

/** A stack of several inks whose colour was read on the paper. */
export class OverlayInput {
  @Stack(1) stack!: string[];
  @Colour() color!: ColourInput;
}

export class PencilInput {
  @Code() code!: string;
  /** A firm drawdown over white, and over black: without that, how much it covers is guessed. */
  @Colour() white!: ColourInput;
  @Optional() @Colour() black?: ColourInput;
}

export class StripLayerInput {
  @Code() code!: string;
  @Whole(1, 30) layers!: number;
  @OneOf(PRESSURES) pressure!: Pressure;
}

/** A trial strip: pencil over a stack of markers, as read. */
export class StripInput {
  @Stack() stack!: string[];
  @List(() => StripLayerInput, 1, 6, '{"code","layers","pressure"}') layers!: StripLayerInput[];
  @Colour() color!: ColourInput;
}

const INK = '{"code":"…","coats":[C,C,C]}';

/** Most long cells of a desk, and colours along one. */
const MOST_BLENDS = 200;
export const MOST_ALONG = 200;
export const FEWEST_ALONG = 8;

/** Two layings that meet in the middle of a long cell, as read. */
export class BlendInput extends MeetsInput {
  @Stack(1, MOST_MEETING) stack!: string[];
  /** Distance from one colour to the next. */
  @Within(0.05, 5, "mm") step!: number;
  @Colours(FEWEST_ALONG, MOST_ALONG) colors!: ColourInput[];
}

/** A paper with the inks and pencils that lie ready, and what was read of them. */
export class DeskInput {
  @One(() => PaperInput, 'expected {"color":C}') paper!: PaperInput;
  @List(() => InkInput, 0, MOST_ON_RACK, INK) inks!: InkInput[];
  /** Stacks that were read: they are shown as read, and near stacks lean towards them. */
  @Optional() @List(() => OverlayInput, 0, 600, '{"stack":["…"],"color":C}') overlays: OverlayInput[] = [];
  @Optional() @List(() => PencilInput, 0, 300, '{"code","white","black"}') pencils: PencilInput[] = [];
  /** Tooth of the paper for pencil, 0 smooth to 1 rough, as the user knows it. */
  @Nullable() @Within(0, 1) grain?: number | null;
  @Optional() @List(() => StripInput, 0, 400, '{"stack","layers","color"}') strips: StripInput[] = [];
  /** Long cells of a blend page, newest first: how ink moves on the paper is fitted to them. */
  @Optional()
  @List(() => BlendInput, 0, MOST_BLENDS, '{"how","stack","over","step","colors"}')
  blends: BlendInput[] = [];
  /** What `open` told of this very desk: nothing of it is fitted again. */
  @Optional() @One(() => DeskFitInput, 'expected {"paper","overlays","blending"}') fit?: DeskFitInput;
}

/** Names of the fields by which a desk may come along with a question. */
export const DESK_FIELDS = [
  "paper",
  "inks",
  "overlays",
  "pencils",
  "grain",
  "strips",
  "blends",
  "fit",
] as const;
