import "reflect-metadata";
import { Type } from "class-transformer";
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsBoolean,
  IsIn,
  IsInt,
  IsNotEmpty,
  IsOptional,
  IsString,
  Max,
  MaxLength,
  Min,
  ValidateNested,
} from "class-validator";
import { SHEETS, type SheetName } from "@/core/chart/layout";
import type { CodeKey } from "@/core/codes/key";
import { AreHueHomes, IsCodeKey } from "./codes";
import { AreStacks, IsColour, type ColourInput } from "./colour";
import { DeskInput } from "./desk";

const whole = (least: number, most: number) => ({
  message: `expected a whole number from ${least} to ${most}`,
});
const MOST_SIDE = 8000;
const MOST_PIXELS = 24_000_000;

export class ImageInput {
  @IsInt(whole(16, MOST_SIDE))
  @Min(16, whole(16, MOST_SIDE))
  @Max(MOST_SIDE, whole(16, MOST_SIDE))
  width!: number;

  @IsInt(whole(16, MOST_SIDE))
  @Min(16, whole(16, MOST_SIDE))
  @Max(MOST_SIDE, whole(16, MOST_SIDE))
  height!: number;

  /** 8-bit sRGB, three bytes a pixel, row by row, as base64. */
  @IsString({ message: "expected pixels as base64" })
  @MaxLength(MOST_PIXELS * 4, { message: `expected at most ${MOST_PIXELS} pixels` })
  rgb!: string;
}

export class ChartCellInput {
  @IsArray({ message: "expected the codes of a stack" })
  @ArrayMinSize(1)
  @ArrayMaxSize(12)
  @IsString({ each: true })
  stack!: string[];

  @IsOptional()
  @IsBoolean()
  lift?: true;
}

export class ChartLineInput {
  @IsString()
  @MaxLength(120)
  label!: string;

  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(4)
  @ValidateNested({ each: true })
  @Type(() => ChartCellInput)
  cells!: ChartCellInput[];
}

const MOST_LINES = 2400;

export class ChartInput {
  @IsInt(whole(1, 65535))
  @Min(1, whole(1, 65535))
  @Max(65535, whole(1, 65535))
  serial!: number;

  @IsIn(Object.keys(SHEETS), { message: `expected one of ${Object.keys(SHEETS).join(", ")}` })
  sheet!: SheetName;

  @IsArray()
  @ArrayMaxSize(MOST_LINES)
  @ValidateNested({ each: true })
  @Type(() => ChartLineInput)
  lines!: ChartLineInput[];
}

class KnownColourInput {
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(12)
  @IsString({ each: true })
  stack!: string[];

  @IsColour()
  color!: ColourInput;
}

export class KnownChartInput extends ChartInput {
  @IsColour()
  paper!: ColourInput;

  @IsOptional()
  @IsArray()
  @ArrayMaxSize(20_000)
  @ValidateNested({ each: true })
  @Type(() => KnownColourInput)
  known: KnownColourInput[] = [];
}

export class ReadChartInput {
  @IsNotEmpty({ message: 'expected {"width","height","rgb"}' })
  @ValidateNested({ message: 'expected {"width","height","rgb"}' })
  @Type(() => ImageInput)
  image!: ImageInput;

  @IsArray({ message: "expected a list of charts" })
  @ArrayMaxSize(500)
  @ValidateNested({ each: true })
  @Type(() => KnownChartInput)
  charts!: KnownChartInput[];

  @IsOptional()
  @IsInt(whole(1, 65535))
  @Min(1, whole(1, 65535))
  @Max(65535, whole(1, 65535))
  asked?: number;
}

class LiftInput {
  @IsString()
  @IsNotEmpty()
  code!: string;

  @IsInt(whole(1, 3))
  @Min(1, whole(1, 3))
  @Max(3, whole(1, 3))
  coats!: number;

  @IsColour()
  color!: ColourInput;
}

export class FitPaperInput extends DeskInput {
  /** Lift cells: coats of one ink, then one pass of the blender. */
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(5000)
  @ValidateNested({ each: true })
  @Type(() => LiftInput)
  lifts: LiftInput[] = [];

  /** Most coats of the curves. */
  @IsOptional()
  @IsInt(whole(1, 8))
  @Min(1, whole(1, 8))
  @Max(8, whole(1, 8))
  curveCoats = 5;
}

export class CodedColourInput {
  @IsString({ message: "expected a code" })
  @IsNotEmpty({ message: "expected a code" })
  @MaxLength(40, { message: "expected a code of at most 40 characters" })
  code!: string;

  @IsColour()
  color!: ColourInput;
}

export class TwinsInput {
  @IsArray({ message: 'expected a list of {"code","color"}' })
  @ArrayMaxSize(6000)
  @ValidateNested({ each: true })
  @Type(() => CodedColourInput)
  inks!: CodedColourInput[];
}

export class ParseCodeInput {
  @IsCodeKey()
  key!: CodeKey;

  @IsArray({ message: "expected a list of codes" })
  @ArrayMaxSize(6000)
  @IsString({ each: true, message: "expected a code" })
  codes!: string[];
}

export class AuditCodesInput {
  @IsCodeKey()
  key!: CodeKey;

  @IsArray({ message: 'expected a list of {"code","color"}' })
  @ArrayMaxSize(6000)
  @ValidateNested({ each: true })
  @Type(() => CodedColourInput)
  inks!: CodedColourInput[];

  /** Hue home of a family in degrees. */
  @IsOptional()
  @AreHueHomes()
  homes: Record<string, number> = {};
}

export class SubstituteInput extends DeskInput {
  /** Tones to be replaced: stacks of one ink, one entry a coat. */
  @AreStacks()
  tones!: string[][];

  /** Codes that may take their place. */
  @IsArray({ message: "expected a list of codes" })
  @ArrayMinSize(1, { message: "expected at least one code" })
  @IsString({ each: true, message: "expected a code" })
  among!: string[];

  @IsOptional()
  @IsInt(whole(1, 20))
  @Min(1, whole(1, 20))
  @Max(20, whole(1, 20))
  top = 3;
}
