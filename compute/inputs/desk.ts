import "reflect-metadata";
import { Type } from "class-transformer";
import {
  ArrayMaxSize,
  IsArray,
  IsIn,
  IsNotEmpty,
  IsNumber,
  IsOptional,
  IsString,
  MaxLength,
  Max,
  Min,
  ValidateNested,
} from "class-validator";
import { AreCoats, IsColour, type ColourInput } from "./colour";

export class PaperInput {
  @IsColour()
  color!: ColourInput;
}

/** How much is left in a marker. */
export const STATES = ["full", "fine", "low", "dry"] as const;
export type MarkerState = (typeof STATES)[number];

export class InkInput {
  @IsString({ message: "expected the ink's code" })
  @IsNotEmpty({ message: "expected the ink's code, not an empty one" })
  @MaxLength(40, { message: "expected a code of at most 40 characters" })
  code!: string;

  @AreCoats()
  coats!: ColourInput[];

  @IsOptional()
  @IsIn(STATES, { message: `expected one of ${STATES.join(", ")}` })
  state?: MarkerState;

  /** Extra cost when planning, ΔE00; for inks that are not owned. */
  @IsOptional()
  @IsNumber({}, { message: "expected a number" })
  @Min(0, { message: "expected 0 or more" })
  @Max(100, { message: "expected at most 100" })
  cost?: number;
}

const MOST_INKS = 6000;
const MOST_OVERLAYS = 600;

/** A stack of several inks whose colour was read on the paper. */
export class OverlayInput {
  @IsArray({ message: "expected the codes of a stack, bottom to top" })
  @ArrayMaxSize(12, { message: "expected at most 12 coats" })
  @IsString({ each: true, message: "expected codes" })
  stack!: string[];

  @IsColour()
  color!: ColourInput;
}

/** A paper with the inks that lie ready. */
export class DeskInput {
  @IsNotEmpty({ message: 'expected {"color":C}' })
  @ValidateNested({ message: 'expected {"color":C}' })
  @Type(() => PaperInput)
  paper!: PaperInput;

  @IsArray({ message: 'expected a list of inks, each {"code":"…","coats":[C,C,C]}' })
  @ArrayMaxSize(MOST_INKS, { message: `expected at most ${MOST_INKS} inks` })
  @ValidateNested({ each: true, message: 'expected {"code":"…","coats":[C,C,C]}' })
  @Type(() => InkInput)
  inks!: InkInput[];

  /** Stacks that were read: they are shown as read, and near stacks lean towards them. */
  @IsOptional()
  @IsArray({ message: 'expected a list of {"stack":["…"],"color":C}' })
  @ArrayMaxSize(MOST_OVERLAYS, { message: `expected at most ${MOST_OVERLAYS} overlays` })
  @ValidateNested({ each: true, message: 'expected {"stack":["…"],"color":C}' })
  @Type(() => OverlayInput)
  overlays?: OverlayInput[];
}
