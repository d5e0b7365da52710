import { LONGEST_LABEL } from "@/core/chart/compose";
import {
  fitOnLine,
  MOST_MEETING,
  MEETINGS,
  SHEETS,
  type ChartCell,
  type Meeting,
  type SheetName,
} from "@/core/chart/layout";
import { PRESSURES, type Pressure } from "@/core/pencil/tooth";
import type { ColourInput } from "./colour";
import { Colour, Flag, List, One, OneOf, Optional, Rule, Stack, Text, Whole } from "./fields";

const SHEET_NAMES = Object.keys(SHEETS) as SheetName[];
export const Sheet = (): PropertyDecorator => OneOf(SHEET_NAMES);
/** Serials go into 16 bits of the page's strip. */
export const Serial = (): PropertyDecorator => Whole(1, 65535);

/** What begins in the middle of a long cell. */
export class MeetsInput {
  @OneOf(MEETINGS) how!: Meeting;
  @Stack(0, MOST_MEETING) over!: string[];
}
export const MEETS = 'expected {"how","over"}';

export class ChartCellInput implements ChartCell {
  @Stack(1) stack!: string[];
  @Optional() @Flag() lift?: true;
  @Optional() @OneOf(PRESSURES) pressure?: Pressure;
  @Optional() @One(() => MeetsInput, MEETS) meets?: MeetsInput;
}

const isCell = (v: unknown): v is ChartCell => typeof v === "object" && v !== null;

export class ChartLineInput {
  @Text(LONGEST_LABEL) label!: string;
  @Rule(
    "expected cells that fit on a line of four places; a long one takes two of a pair",
    (v) => !Array.isArray(v) || !v.every(isCell) || fitOnLine(v),
  )
  @List(() => ChartCellInput, 1, 4, '{"stack"}')
  cells!: ChartCellInput[];
}

export const MOST_LINES = 2400;

/** A chart that a page may belong to. */
export class ChartInput {
  @Serial() serial!: number;
  @Sheet() sheet!: SheetName;
  @List(() => ChartLineInput, 0, MOST_LINES, '{"label","cells"}') lines!: ChartLineInput[];
}

export class KnownColourInput {
  @Stack(1) stack!: string[];
  @Colour() color!: ColourInput;
}

export class KnownChartInput extends ChartInput {
  @Colour() paper!: ColourInput;
  @Optional() @List(() => KnownColourInput, 0, 20_000, '{"stack","color"}') known: KnownColourInput[] = [];
}
