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
  IsNumber,
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
import { IsColour, type ColourInput } from "@/compute/inputs/colour";
import { ChartLineInput } from "@/compute/inputs/swatchbook";
import { SHEETS, type SheetName } from "@/core/chart/layout";
import type { ReadPage } from "@/core/chart/read-chart";
import { VERDICTS, type Verdict } from "@/core/stock/verdicts";
import type { Backing, CellDecision, ReadingSource } from "./schema";
import { PRESSURES, type Pressure } from "@/core/pencil/tooth";

const name = { message: "expected a name of 1 to 80 characters" };
const range = (what: string, least: number, most: number) => ({
  message: `expected ${what} from ${least} to ${most}`,
});
const known = (_: object, v: unknown) => v !== null && v !== undefined;

/** Facts of a paper; all may be left out when it is changed. */
export class PaperFactsInput {
  @IsOptional() @IsString(name) @IsNotEmpty(name) @MaxLength(80, name) name?: string;
  @IsOptional() @IsColour() color?: ColourInput;
  @IsOptional()
  @IsInt(range("coats", 1, 20))
  @Min(1, range("coats", 1, 20))
  @Max(20, range("coats", 1, 20))
  capacity?: number;
  @ValidateIf(known)
  @IsInt(range("g/m²", 20, 2000))
  @Min(20, range("g/m²", 20, 2000))
  @Max(2000, range("g/m²", 20, 2000))
  weight?: number | null;
  @ValidateIf(known)
  @IsInt(range("seconds", 1, 3600))
  @Min(1, range("seconds", 1, 3600))
  @Max(3600, range("seconds", 1, 3600))
  openTime?: number | null;
  @ValidateIf(known)
  @IsNumber({}, range("mm", 0, 20))
  @Min(0, range("mm", 0, 20))
  @Max(20, range("mm", 0, 20))
  bleed?: number | null;
  @ValidateIf(known)
  @IsNumber({}, range("a grain", 0, 1))
  @Min(0, range("a grain", 0, 1))
  @Max(1, range("a grain", 0, 1))
  grain?: number | null;
  @IsOptional() @IsString() @MaxLength(80) finish?: string;
  @IsOptional() @IsString() @MaxLength(80) side?: string;
  @IsOptional() @IsString() @MaxLength(4000) notes?: string;
}

export class NewPaperInput extends PaperFactsInput {
  @IsString(name) @IsNotEmpty(name) @MaxLength(80, name) declare name: string;
  @IsColour() declare color: ColourInput;
  @IsInt(range("coats", 1, 20))
  @Min(1, range("coats", 1, 20))
  @Max(20, range("coats", 1, 20))
  declare capacity: number;
}

const SOURCES: readonly ReadingSource[] = ["chart", "colorimeter", "hand", "picture", "scan"];
const BACKINGS: readonly Backing[] = ["paper", "white", "black"];

class NewReadingInput {
  @IsArray() @ArrayMaxSize(12) @IsString({ each: true }) @MaxLength(40, { each: true }) stack!: string[];
  @IsColour() color!: ColourInput;
  @IsIn(SOURCES, { message: `expected one of ${SOURCES.join(", ")}` }) source!: ReadingSource;
  @IsOptional() @IsBoolean() lift?: boolean;
  @IsOptional() @IsIn(BACKINGS, { message: `expected one of ${BACKINGS.join(", ")}` }) backing?: Backing;
  @IsOptional() @IsNumber() @Min(0) spread?: number;
  @IsOptional() @IsIn(PRESSURES, { message: `expected one of ${PRESSURES.join(", ")}` }) pressure?: Pressure;
}

export class AddReadingsInput {
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(20_000)
  @ValidateNested({ each: true })
  @Type(() => NewReadingInput)
  readings!: NewReadingInput[];
}

export class ExcludeInput {
  @IsBoolean({ message: "expected true or false" }) excluded!: boolean;
}

export class NewChartInput {
  @IsUUID(undefined, { message: "expected the id of a paper" }) paperId!: string;
  @IsString(name) @IsNotEmpty(name) @MaxLength(120) title!: string;
  @IsIn(Object.keys(SHEETS), { message: `expected one of ${Object.keys(SHEETS).join(", ")}` })
  sheet!: SheetName;
  @IsArray()
  @ArrayMinSize(1, { message: "expected at least one line" })
  @ArrayMaxSize(2400, { message: "expected at most 2400 lines" })
  @ValidateNested({ each: true })
  @Type(() => ChartLineInput)
  lines!: ChartLineInput[];
}

const DECISIONS: readonly CellDecision[] = ["open", "accepted", "excluded", "redo"];

export class NewScanInput {
  @IsUUID() chartId!: string;
  @IsUUID() pictureId!: string;
  @IsObject({ message: "expected the page as read" }) result!: ReadPage;
}

export class DecideScanInput {
  @IsArray()
  @ArrayMaxSize(1000)
  @IsIn(DECISIONS, { each: true, message: `expected one of ${DECISIONS.join(", ")}` })
  decisions!: CellDecision[];
  /** Whether accepted cells become readings now. */
  @IsOptional() @IsBoolean() store?: boolean;
}

export class NewTrialInput {
  @IsUUID(undefined, { message: "expected the id of a paper" }) paperId!: string;
  @IsArray() @ArrayMinSize(1) @ArrayMaxSize(12) @IsString({ each: true }) stack!: string[];
  @IsColour() predicted!: ColourInput;
}

export class ChangeTrialInput {
  @IsOptional() @IsIn(VERDICTS, { message: `expected one of ${VERDICTS.join(", ")}` }) verdict?: Verdict;
  @IsOptional() @IsString() @MaxLength(4000) note?: string;
}
