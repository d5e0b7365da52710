import "reflect-metadata";
import { Type } from "class-transformer";
import { ArrayMaxSize, ArrayMinSize, IsArray, IsBoolean, IsIn, IsInt, IsNotEmpty, IsNumber, IsObject, IsOptional, IsString, IsUUID, Max, MaxLength, Min, ValidateIf, ValidateNested } from "class-validator";
import { ToneInput } from "@/compute/inputs/operations";
import { BadInput } from "@/compute/problem";
import { validate } from "@/compute/validate";
import type { Piece } from "@/core/piece/piece";

class SpotInput {
  @IsNumber() @Min(0) @Max(1) x!: number;
  @IsNumber() @Min(0) @Max(1) y!: number;
  @IsNumber() @Min(0) @Max(1) width!: number;
  @IsNumber() @Min(0) @Max(1) height!: number;
}

class ReadingInput {
  @IsArray() @ArrayMinSize(3) @ArrayMaxSize(3) @IsNumber({}, { each: true, message: "expected Lab: three numbers" }) lab!: number[];
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
}

class KeptGroupInput {
  @IsArray() @ArrayMinSize(2) @ArrayMaxSize(6) @ValidateNested({ each: true }) @Type(() => KeptToneInput) tones!: KeptToneInput[];
}

const NAME = { message: "expected a name of 1 to 80 characters" };

class AreaInput {
  @IsString() @IsNotEmpty() @MaxLength(60) id!: string;
  @IsString(NAME) @IsNotEmpty(NAME) @MaxLength(80, NAME) name!: string;
  @IsObject({ message: "expected readings" }) @ValidateNested() @Type(() => ReadingsInput) readings!: ReadingsInput;
  @IsInt() @Min(2) @Max(6) tones!: number;
  @ValidateIf((_, v) => v !== null) @IsNumber({}, { message: "expected a contrast from 4 to 90 L*, or null" }) @Min(4) @Max(90) contrast!: number | null;
  @IsBoolean() ownedOnly!: boolean;
  @ValidateIf((_, v) => v !== null) @IsObject({ message: "expected a group or null" }) @ValidateNested() @Type(() => KeptGroupInput) group!: KeptGroupInput | null;
  @IsString() @MaxLength(4000, { message: "expected a note of at most 4000 characters" }) note!: string;
}

class PieceInput {
  @IsIn([1], { message: "expected version 1 of a piece" }) version!: 1;
  @IsString(NAME) @IsNotEmpty(NAME) @MaxLength(80, NAME) name!: string;
  @ValidateIf((_, v) => v !== null) @IsUUID(undefined, { message: "expected the id of a paper, or null" }) paperId!: string | null;
  @ValidateIf((_, v) => v !== null) @IsUUID(undefined, { message: "expected the id of a picture, or null" }) pictureId!: string | null;
  @IsArray() @ArrayMaxSize(200, { message: "expected at most 200 areas" }) @ValidateNested({ each: true }) @Type(() => AreaInput) areas!: AreaInput[];
}

class SaveInput {
  @IsInt({ message: "expected the revision that was changed" }) @Min(1) revision!: number;
  @IsObject({ message: "expected a piece" }) @ValidateNested() @Type(() => PieceInput) document!: PieceInput;
}

const plain = (value: object): unknown => JSON.parse(JSON.stringify(value));

/**
 * A piece document that came from outside.
 * @throws BadInput with every field that is wrong
 */
export function readPiece(value: unknown): Piece {
  const piece = plain(validate(PieceInput, value)) as Piece;
  const ids = piece.areas.map((a) => a.id);
  const twice = ids.findIndex((id, i) => ids.indexOf(id) !== i);
  if (twice >= 0) throw new BadInput([{ path: `areas[${twice}].id`, expected: "expected an id of its own" }]);
  return piece;
}

/** A change to be saved: the piece, and the revision it was made to. */
export function readSave(value: unknown): { revision: number; document: Piece } {
  const save = validate(SaveInput, value);
  return { revision: save.revision, document: readPiece(plain(save.document)) };
}
