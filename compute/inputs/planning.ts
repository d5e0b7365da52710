import "reflect-metadata";
import { Type } from "class-transformer";
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsBoolean,
  IsIn,
  IsNotEmpty,
  IsOptional,
  IsString,
  MaxLength,
  ValidateNested,
} from "class-validator";
import { MATERIALS, type Material } from "@/core/group/material";
import { FEWEST_TONES, MOST_TONES } from "@/core/group/tone";
import { PRESSURES, type Pressure } from "@/core/pencil/tooth";
import { SHADOW_KINDS, type ShadowKind } from "@/core/shadow/shadow";
import { check, IsColour, IsGroupTarget, type ColourInput } from "./colour";
import { DeskInput } from "./desk";
import { DriftInput, ToneInput, type TargetInput } from "./operations";
import { Whole, Within } from "./whole";

const codes = { each: true, message: "expected codes" } as const;
const oneOf = (values: readonly string[]) => ({ message: `expected one of ${values.join(", ")}` });
const SCENES = ["neutral", "warm", "cool"] as const;

/** How a sheet behaves while it is coloured. */
export class SheetInput {
  @IsOptional() @Within(1, 3600, "s") openTime = 40;
  @IsOptional() @Within(0, 20, "mm") bleed = 0.4;
  @IsOptional() @Whole(1, 20) capacity = 5;
}

export class SchoolsInput extends DeskInput {
  @IsArray({ message: 'expected a list of tones, each {"code","coats"}' })
  @ArrayMinSize(FEWEST_TONES)
  @ArrayMaxSize(MOST_TONES)
  @ValidateNested({ each: true, message: 'expected {"code","coats"}' })
  @Type(() => ToneInput)
  tones!: ToneInput[];

  @IsOptional() @IsIn(MATERIALS, oneOf(MATERIALS)) material: Material = "other";
  @IsOptional() @IsIn(SCENES, oneOf(SCENES)) scene: (typeof SCENES)[number] = "neutral";
  @IsOptional() @Within(1, 1e6, "mm²") mm2?: number;
  @IsOptional() @IsColour() local?: ColourInput;
  @IsOptional() @ValidateNested() @Type(() => SheetInput) sheet: SheetInput = new SheetInput();
  /** An underlay beneath the shadow end, dry before the group is laid. */
  @IsOptional() @ValidateNested() @Type(() => ToneInput) under?: ToneInput;
}

const AreCovers = check(
  "areCovers",
  "expected covers, each a list of 1 to 6 codes, bottom to top",
  (v) =>
    Array.isArray(v) &&
    v.length <= 200 &&
    v.every(
      (c) =>
        Array.isArray(c) && c.length >= 1 && c.length <= 12 && c.every((code) => typeof code === "string"),
    ),
);

export class MonochromeInput {
  @IsArray({ message: "expected codes" }) @ArrayMinSize(1) @ArrayMaxSize(4) @IsString(codes) under!: string[];
  @AreCovers() covers!: string[][];
}

export class ShadowInput extends DeskInput {
  /** What makes the local colour, bottom to top. */
  @IsArray({ message: 'expected the cover as tones, each {"code","coats"}' })
  @ArrayMinSize(1)
  @ArrayMaxSize(6)
  @ValidateNested({ each: true, message: 'expected {"code","coats"}' })
  @Type(() => ToneInput)
  cover!: ToneInput[];

  @IsOptional() @IsArray() @IsIn(SHADOW_KINDS, { each: true, ...oneOf(SHADOW_KINDS) }) kinds: ShadowKind[] = [
    "deeper",
    "underlay",
    "overlay",
    "cool hint",
  ];
  /** The shadow as read; else one is made up from depth and lean. */
  @IsOptional() @IsColour() shadow?: ColourInput;
  @IsOptional() @Within(2, 60, "L*") depth = 16;
  @IsOptional() @IsIn([-1, 0, 1], { message: "expected -1 (cooler), 0 or 1 (warmer)" }) lean: -1 | 0 | 1 = 0;
  @IsOptional() @IsBoolean() grey = false;
  @IsOptional() @Whole(1, 20) capacity = 5;
  @IsOptional() @Whole(1, 10) top = 3;
  /** A whole-piece underlay to be checked: its inks light to dark, and what makes each area's local colour. */
  @IsOptional() @ValidateNested() @Type(() => MonochromeInput) monochrome?: MonochromeInput;
  /** Wants a cool and a warm grey base of this lightness. */
  @IsOptional() @Within(10, 95, "L*") greyBases?: number;
}

export class PencilInput {
  @IsString({ message: "expected a code" })
  @IsNotEmpty({ message: "expected a code" })
  @MaxLength(40)
  code!: string;
  /** A firm drawdown over white and over black. */
  @IsColour() white!: ColourInput;
  @IsColour() black!: ColourInput;
}

class StripLayerInput {
  @IsString() @IsNotEmpty() code!: string;
  @Whole(1, 30) layers!: number;
  @IsIn(PRESSURES, oneOf(PRESSURES)) pressure!: Pressure;
}

/** A trial strip: pencil over a stack of markers, as read. */
export class StripInput {
  @IsArray() @ArrayMaxSize(12) @IsString(codes) stack!: string[];
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(6)
  @ValidateNested({ each: true })
  @Type(() => StripLayerInput)
  layers!: StripLayerInput[];
  @IsColour() color!: ColourInput;
}

export class PencilDeskInput extends DeskInput {
  @IsOptional()
  @IsArray({ message: 'expected pencils, each {"code","white","black"}' })
  @ArrayMaxSize(300)
  @ValidateNested({ each: true, message: 'expected {"code","white","black"}' })
  @Type(() => PencilInput)
  pencils: PencilInput[] = [];

  /** Tooth of the paper for pencil, 0 smooth to 1 rough, as the user knows it. */
  @IsOptional() @Within(0, 1) grain?: number;
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(400)
  @ValidateNested({ each: true })
  @Type(() => StripInput)
  strips: StripInput[] = [];
}

export class AdjustInput {
  @IsArray() @ArrayMinSize(1) @ArrayMaxSize(12) @IsString(codes) stack!: string[];
  @Within(-60, 60, "L*") deltaL!: number;
}

export class PencilPlanInput extends PencilDeskInput {
  @IsColour() light!: ColourInput;
  @IsColour() local!: ColourInput;
  @IsColour() shadow!: ColourInput;
  @IsOptional() @Whole(5, 9) values = 7;
  /** Markers that may lie beneath; else those of the desk that suit. */
  @IsOptional() @IsArray() @ArrayMaxSize(40) @IsString(codes) bases?: string[];
  /** A tone to be softened (positive) or deepened (negative) with one pencil. */
  @IsOptional() @ValidateNested() @Type(() => AdjustInput) adjust?: AdjustInput;
}

export class NeutralPairsInput extends PencilDeskInput {
  @IsOptional() @IsIn(["inks", "pencils"], oneOf(["inks", "pencils"])) of: "inks" | "pencils" = "inks";
  @IsOptional() @Within(5, 95, "L*") lightness?: number;
  /** An ink that must be one of the two. */
  @IsOptional() @IsString() with?: string;
  /** What pencils are drawn over; bare paper when it is left out. */
  @IsOptional() @IsArray() @ArrayMaxSize(12) @IsString(codes) base: string[] = [];
  @IsOptional() @Whole(1, 20) top = 6;
}

export class JointAreaInput {
  @IsString() @IsNotEmpty() @MaxLength(60) id!: string;
  @IsGroupTarget() target!: TargetInput;
  @IsOptional() @Whole(FEWEST_TONES, MOST_TONES) tones = 4;
  @IsOptional() @Within(4, 90, "L*") contrast?: number;
  @IsOptional() @IsIn(MATERIALS, oneOf(MATERIALS)) material: Material = "other";
  @IsOptional() @ValidateNested() @Type(() => DriftInput) drift?: DriftInput;
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(6)
  @ValidateNested({ each: true })
  @Type(() => ToneInput)
  fixed: ToneInput[] = [];
  @IsOptional() @IsArray() @ArrayMaxSize(400) @IsString(codes) exclude: string[] = [];
  @IsOptional() @IsBoolean() emphasis = false;
}

const ArePairs = check(
  "areNeighbours",
  "expected pairs of area ids",
  (v) =>
    Array.isArray(v) &&
    v.length <= 4000 &&
    v.every((p) => Array.isArray(p) && p.length === 2 && p.every((id) => typeof id === "string")),
);

export class PlanPieceInput extends DeskInput {
  @IsArray({ message: "expected areas" })
  @ArrayMinSize(1, { message: "expected at least one area" })
  @ArrayMaxSize(60)
  @ValidateNested({ each: true })
  @Type(() => JointAreaInput)
  areas!: JointAreaInput[];

  @IsOptional() @ArePairs() neighbours: [string, string][] = [];
  @IsOptional() @Within(0, 60, "ΔE00") apart = 8;
  @IsOptional() @Within(0, 20) markerCost = 1.5;
  @IsOptional() @Whole(2, 400) limit?: number;
  /** Also plans at other prices of a marker, to show markers against fit. */
  @IsOptional() @IsBoolean() trade = false;
}

export class SubstituteGroupInput extends DeskInput {
  /** Colours of the tones as they are known, light to dark. */
  @IsArray({ message: "expected the colours of 2 to 6 tones" })
  @ArrayMinSize(FEWEST_TONES)
  @ArrayMaxSize(MOST_TONES)
  @IsColour({ each: true })
  tones!: ColourInput[];

  @IsArray({ message: "expected a list of codes" }) @IsString(codes) among!: string[];
  @IsOptional() @Whole(1, 10) top = 3;
}
