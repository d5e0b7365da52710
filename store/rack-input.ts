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
  IsObject,
  IsOptional,
  IsString,
  IsUUID,
  Max,
  MaxLength,
  Min,
  ValidateIf,
  ValidateNested,
} from "class-validator";
import { AreHueHomes, IsCodeKey } from "@/compute/inputs/codes";
import { IsColour, type ColourInput } from "@/compute/inputs/colour";
import { STATES, type MarkerState } from "@/compute/inputs/desk";
import type { CodeKey } from "@/core/codes/key";
import { KINDS, type Kind } from "@/core/stock/kinds";

const upTo = (most: number) => ({ message: `expected at most ${most} characters` });
const MOST_REFILLS = 999;
const refills = { message: `expected a whole number of refills from 0 to ${MOST_REFILLS}` };

/** Facts of a thing on the rack; all may be left out. */
export class RackFactsInput {
  @IsOptional()
  @IsString()
  @IsNotEmpty({ message: "expected a family" })
  @MaxLength(60, upTo(60))
  family?: string;
  @IsOptional() @IsIn(KINDS, { message: `expected one of ${KINDS.join(", ")}` }) kind?: Kind;
  @IsOptional() @IsString() @MaxLength(120, upTo(120)) name?: string;
  @IsOptional() @IsBoolean({ message: "expected true or false" }) owned?: boolean;
  @IsOptional() @IsBoolean({ message: "expected true or false" }) wished?: boolean;
  @IsOptional() @IsIn(STATES, { message: `expected one of ${STATES.join(", ")}` }) state?: MarkerState;
  @IsOptional() @IsInt(refills) @Min(0, refills) @Max(MOST_REFILLS, refills) refills?: number;
  @IsOptional() @IsString() @MaxLength(60, upTo(60)) nib?: string;
  @IsOptional() @IsString() @MaxLength(30, upTo(30)) price?: string;
  @IsOptional() @IsString() @MaxLength(120, upTo(120)) place?: string;
  @IsOptional() @IsString() @MaxLength(2000, upTo(2000)) notes?: string;
  @ValidateIf((_, v) => v !== undefined && v !== null)
  @IsBoolean({ message: "expected true, false or null" })
  proof?: boolean | null;
}

const code = { message: "expected a code of 1 to 40 characters" };

class ChangeInput {
  @IsString(code) @IsNotEmpty(code) @MaxLength(40, code) code!: string;
  @IsObject({ message: "expected facts to set" })
  @ValidateNested()
  @Type(() => RackFactsInput)
  set!: RackFactsInput;
}

const MOST_ROWS = 6000;

export class ChangeRackInput {
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(MOST_ROWS)
  @ValidateNested({ each: true })
  @Type(() => ChangeInput)
  changes!: ChangeInput[];
}

export class RemoveRackInput {
  @IsArray() @ArrayMinSize(1) @ArrayMaxSize(MOST_ROWS) @IsString({ each: true }) codes!: string[];
}

class RackRowInput extends RackFactsInput {
  @IsString(code) @IsNotEmpty(code) @MaxLength(40, code) code!: string;
  /** Colour of one coat where the file had one. */
  @IsOptional() @IsColour() colour?: ColourInput;
}

const MOST_AT_ONCE = 1000;

export class ImportRackInput {
  @IsUUID(undefined, { message: "expected the id of a range" }) rangeId!: string;
  /** Paper that colours of the file belong to, if they are to be taken as readings. */
  @IsOptional() @IsUUID(undefined, { message: "expected the id of a paper" }) paperId?: string;
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(MOST_AT_ONCE, { message: `expected at most ${MOST_AT_ONCE} rows at once` })
  @ValidateNested({ each: true })
  @Type(() => RackRowInput)
  rows!: RackRowInput[];
}

const rangeName = { message: "expected a name of 1 to 80 characters" };

export class RangeInput {
  @IsString(rangeName) @IsNotEmpty(rangeName) @MaxLength(80, rangeName) name!: string;
  @IsArray() @ArrayMaxSize(400) @IsString({ each: true }) @MaxLength(60, { each: true }) families!: string[];
  @ValidateIf((_, v) => v !== null) @IsCodeKey() key!: CodeKey | null;
  @AreHueHomes() homes!: Record<string, number>;
}
