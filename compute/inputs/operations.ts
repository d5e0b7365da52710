import "reflect-metadata";
import { Type } from "class-transformer";
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsIn,
  IsInt,
  IsNotEmpty,
  IsNumber,
  IsOptional,
  IsString,
  Max,
  Min,
  ValidateNested,
} from "class-validator";
import { MATERIALS, type Material } from "@/core/group/material";
import { FEWEST_TONES, MOST_TONES } from "@/core/group/tone";
import { AreStacks, IsColour, IsGroupTarget, type ColourInput } from "./colour";
import { DeskInput } from "./desk";

export class PredictInput extends DeskInput {
  @AreStacks()
  stacks!: string[][];
}

const whole = (least: number, most: number) => ({
  message: `expected a whole number from ${least} to ${most}`,
});
const MOST_RECIPES = 50;
const MOST_COATS = 6;

export class MatchInput extends DeskInput {
  @IsColour()
  target!: ColourInput;

  @IsOptional()
  @IsInt(whole(1, 3))
  @Min(1, whole(1, 3))
  @Max(3, whole(1, 3))
  maxInks = 3;

  @IsOptional()
  @IsInt(whole(1, MOST_COATS))
  @Min(1, whole(1, MOST_COATS))
  @Max(MOST_COATS, whole(1, MOST_COATS))
  maxCoats = 4;

  @IsOptional()
  @IsInt(whole(1, MOST_RECIPES))
  @Min(1, whole(1, MOST_RECIPES))
  @Max(MOST_RECIPES, whole(1, MOST_RECIPES))
  top = 5;

  @IsOptional()
  @IsIn(["pruned", "exhaustive"], { message: 'expected "pruned" or "exhaustive"' })
  search: "pruned" | "exhaustive" = "pruned";
}

export type TargetInput =
  ColourInput | { readonly light?: ColourInput; readonly local: ColourInput; readonly shadow?: ColourInput };

/** Temperature asked of the ends: −1 cooler, 1 warmer. */
export class DriftInput {
  @IsIn([-1, 0, 1], { message: "expected -1, 0 or 1" }) light!: -1 | 0 | 1;
  @IsIn([-1, 0, 1], { message: "expected -1, 0 or 1" }) shadow!: -1 | 0 | 1;
}

export class ToneInput {
  @IsString({ message: "expected the code of an ink" })
  @IsNotEmpty({ message: "expected the code of an ink" })
  code!: string;

  @IsInt(whole(1, 3))
  @Min(1, whole(1, 3))
  @Max(3, whole(1, 3))
  coats!: number;
}

const contrastRange = { message: "expected a contrast from 4 to 90 L*" };

export class GroupTargetInput extends DeskInput {
  @IsGroupTarget()
  target!: TargetInput;

  @IsOptional()
  @IsNumber({}, contrastRange)
  @Min(4, contrastRange)
  @Max(90, contrastRange)
  contrast?: number;

  @IsOptional()
  @IsIn(MATERIALS, { message: `expected one of ${MATERIALS.join(", ")}` })
  material: Material = "other";

  @IsOptional()
  @ValidateNested()
  @Type(() => DriftInput)
  drift?: DriftInput;
}

export class GroupInput extends GroupTargetInput {
  @IsOptional()
  @IsInt(whole(FEWEST_TONES, MOST_TONES))
  @Min(FEWEST_TONES, whole(FEWEST_TONES, MOST_TONES))
  @Max(MOST_TONES, whole(FEWEST_TONES, MOST_TONES))
  tones = 4;

  @IsOptional()
  @IsInt(whole(1, 20))
  @Min(1, whole(1, 20))
  @Max(20, whole(1, 20))
  top = 5;

  /** Tones that stay; the rest is planned around them. */
  @IsOptional()
  @IsArray({ message: 'expected a list of tones, each {"code","coats"}' })
  @ArrayMaxSize(MOST_TONES)
  @ValidateNested({ each: true })
  @Type(() => ToneInput)
  fixed: ToneInput[] = [];

  /** Codes that must not be used. */
  @IsOptional()
  @IsArray({ message: "expected a list of codes" })
  @IsString({ each: true, message: "expected codes" })
  exclude: string[] = [];

  /** Most inks that are not owned (those of a cost) in one group. */
  @IsOptional()
  @IsInt(whole(0, 6))
  @Min(0, whole(0, 6))
  @Max(6, whole(0, 6))
  purchases?: number;
}

export class AssessInput extends GroupTargetInput {
  @IsArray({ message: 'expected a list of tones, each {"code","coats"}' })
  @ArrayMinSize(FEWEST_TONES, { message: `expected at least ${FEWEST_TONES} tones` })
  @ArrayMaxSize(MOST_TONES, { message: `expected at most ${MOST_TONES} tones` })
  @ValidateNested({ each: true, message: 'expected {"code","coats"}' })
  @Type(() => ToneInput)
  tones!: ToneInput[];
}
