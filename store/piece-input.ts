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
import { ToneInput } from "@/compute/inputs/operations";
import { check } from "@/compute/inputs/colour";
import { BadInput } from "@/compute/problem";
import { validate } from "@/compute/validate";
import { MATERIALS, type Material } from "@/core/group/material";
import { SCHOOLS, type School } from "@/core/group/school";
import { PRESSURES, type Pressure } from "@/core/pencil/tooth";
import { upgradePiece, type Piece, type Scene } from "@/core/piece/piece";
import { SHADOW_KINDS, type ShadowKind } from "@/core/shadow/shadow";

class SpotInput {
  @IsNumber() @Min(0) @Max(1) x!: number;
  @IsNumber() @Min(0) @Max(1) y!: number;
  @IsNumber() @Min(0) @Max(1) width!: number;
  @IsNumber() @Min(0) @Max(1) height!: number;
}

class ReadingInput {
  @IsArray()
  @ArrayMinSize(3)
  @ArrayMaxSize(3)
  @IsNumber({}, { each: true, message: "expected Lab: three numbers" })
  lab!: number[];
  @IsNumber() @Min(0) spread!: number;
  @ValidateNested() @Type(() => SpotInput) at!: SpotInput;
}

class ReadingsInput {
  @IsOptional() @ValidateNested() @Type(() => ReadingInput) light?: ReadingInput;
  @IsOptional() @ValidateNested() @Type(() => ReadingInput) local?: ReadingInput;
  @IsOptional() @ValidateNested() @Type(() => ReadingInput) shadow?: ReadingInput;
}

class KeptToneInput extends ToneInput {
  @IsOptional() @IsBoolean() overruled?: true;
  @IsOptional() @IsBoolean() locked?: true;
}

class KeptGroupInput {
  @IsArray()
  @ArrayMinSize(2)
  @ArrayMaxSize(6)
  @ValidateNested({ each: true })
  @Type(() => KeptToneInput)
  tones!: KeptToneInput[];
}

const CODE = { message: "expected a code of 1 to 40 characters" };
const oneOf = (values: readonly string[]) => ({ message: `expected one of ${values.join(", ")}` });
const coats = { message: "expected 1 to 3 coats" };

class DriftInput {
  @IsIn([-1, 0, 1], { message: "expected -1, 0 or 1" }) light!: -1 | 0 | 1;
  @IsIn([-1, 0, 1], { message: "expected -1, 0 or 1" }) shadow!: -1 | 0 | 1;
}

class KeptShadowInput {
  @IsIn(SHADOW_KINDS, oneOf(SHADOW_KINDS)) kind!: ShadowKind;
  @IsString(CODE) @IsNotEmpty(CODE) @MaxLength(40, CODE) code!: string;
  @IsInt(coats) @Min(1, coats) @Max(3, coats) coats!: number;
}

const PARTS = ["dark beneath", "white beneath", "over all"] as const;

class LaidPencilInput {
  @IsString(CODE) @IsNotEmpty(CODE) @MaxLength(40, CODE) code!: string;
  @IsInt() @Min(1) @Max(30) layers!: number;
  @IsIn(PRESSURES, oneOf(PRESSURES)) pressure!: Pressure;
  @IsIn(PARTS, oneOf(PARTS)) part!: (typeof PARTS)[number];
}

class PencilStepInput {
  @IsNumber() @Min(0) @Max(100) lightness!: number;
  @IsBoolean() onPaper!: boolean;
  @IsArray()
  @ArrayMaxSize(12)
  @ValidateNested({ each: true })
  @Type(() => LaidPencilInput)
  layers!: LaidPencilInput[];
}

class KeptPencilInput {
  @ValidateIf((_, v) => v !== null) @IsString(CODE) @MaxLength(40, CODE) base!: string | null;
  @IsArray()
  @ArrayMinSize(2)
  @ArrayMaxSize(9)
  @ValidateNested({ each: true })
  @Type(() => PencilStepInput)
  steps!: PencilStepInput[];
}

const NAME = { message: "expected a name of 1 to 80 characters" };

class AreaInput {
  @IsString() @IsNotEmpty() @MaxLength(60) id!: string;
  @IsString(NAME) @IsNotEmpty(NAME) @MaxLength(80, NAME) name!: string;
  @IsObject({ message: "expected readings" })
  @ValidateNested()
  @Type(() => ReadingsInput)
  readings!: ReadingsInput;
  @IsIn(MATERIALS, oneOf(MATERIALS)) material!: Material;
  @ValidateIf((_, v) => v !== null) @IsIn(SCHOOLS, oneOf(SCHOOLS)) school!: School | null;
  @ValidateIf((_, v) => v !== null)
  @IsNumber({}, { message: "expected a size in mm², or null" })
  @Min(1)
  @Max(1e6)
  size!: number | null;
  @IsInt() @Min(2) @Max(6) tones!: number;
  @IsObject({ message: "expected a drift" }) @ValidateNested() @Type(() => DriftInput) drift!: DriftInput;
  @IsArray() @ArrayMaxSize(400) @IsString({ each: true, ...CODE }) excluded!: string[];
  @IsBoolean() emphasis!: boolean;
  @ValidateIf((_, v) => v !== null)
  @IsObject({ message: "expected a shadow or null" })
  @ValidateNested()
  @Type(() => KeptShadowInput)
  shadow!: KeptShadowInput | null;
  @ValidateIf((_, v) => v !== null)
  @IsObject({ message: "expected a pencil plan or null" })
  @ValidateNested()
  @Type(() => KeptPencilInput)
  pencil!: KeptPencilInput | null;
  @ValidateIf((_, v) => v !== null)
  @IsNumber({}, { message: "expected a contrast from 4 to 90 L*, or null" })
  @Min(4)
  @Max(90)
  contrast!: number | null;
  @IsBoolean() ownedOnly!: boolean;
  @ValidateIf((_, v) => v !== null)
  @IsObject({ message: "expected a group or null" })
  @ValidateNested()
  @Type(() => KeptGroupInput)
  group!: KeptGroupInput | null;
  @IsString() @MaxLength(4000, { message: "expected a note of at most 4000 characters" }) note!: string;
}

const SCENES = ["neutral", "warm", "cool"] as const;
const ArePairs = check(
  "arePairs",
  "expected pairs of area ids",
  (v) =>
    Array.isArray(v) &&
    v.length <= 2000 &&
    v.every(
      (p) => Array.isArray(p) && p.length === 2 && p.every((id) => typeof id === "string" && id.length <= 60),
    ),
);

class WholeInput {
  @IsIn(SCENES, oneOf(SCENES)) scene!: Scene;
  @IsNumber() @Min(0) @Max(60) apart!: number;
  @ArePairs() neighbours!: [string, string][];
  @IsNumber() @Min(0) @Max(20) markerCost!: number;
  @ValidateIf((_, v) => v !== null)
  @IsInt({ message: "expected a number of markers, or null" })
  @Min(2)
  @Max(400)
  markerLimit!: number | null;
  @IsArray() @ArrayMaxSize(4) @IsString({ each: true, ...CODE }) underlay!: string[];
}

class PieceInput {
  @IsIn([2], { message: "expected version 1 or 2 of a piece" }) version!: 2;
  @IsObject({ message: "expected the wishes of the whole" })
  @ValidateNested()
  @Type(() => WholeInput)
  whole!: WholeInput;
  @IsString(NAME) @IsNotEmpty(NAME) @MaxLength(80, NAME) name!: string;
  @ValidateIf((_, v) => v !== null)
  @IsUUID(undefined, { message: "expected the id of a paper, or null" })
  paperId!: string | null;
  @ValidateIf((_, v) => v !== null)
  @IsUUID(undefined, { message: "expected the id of a picture, or null" })
  pictureId!: string | null;
  @IsArray()
  @ArrayMaxSize(200, { message: "expected at most 200 areas" })
  @ValidateNested({ each: true })
  @Type(() => AreaInput)
  areas!: AreaInput[];
}

class SaveInput {
  @IsInt({ message: "expected the revision that was changed" }) @Min(1) revision!: number;
  @IsObject({ message: "expected a piece" }) document!: object;
}

const plain = (value: object): unknown => JSON.parse(JSON.stringify(value));

/**
 * A piece document that came from outside.
 * @throws BadInput with every field that is wrong
 */
export function readPiece(value: unknown): Piece {
  const piece = plain(validate(PieceInput, upgradePiece(value))) as Piece;
  const ids = piece.areas.map((a) => a.id);
  const twice = ids.findIndex((id, i) => ids.indexOf(id) !== i);
  if (twice >= 0) throw new BadInput([{ path: `areas[${twice}].id`, expected: "expected an id of its own" }]);
  return piece;
}

/** A change to be saved: the piece, and the revision it was made to. */
export function readSave(value: unknown): { revision: number; document: Piece } {
  const { revision, document } = validate(SaveInput, value);
  try {
    return { revision, document: readPiece(plain(document)) };
  } catch (e) {
    throw e instanceof BadInput
      ? new BadInput(e.problems.map((p) => ({ ...p, path: p.path ? `document.${p.path}` : "document" })))
      : e;
  }
}
