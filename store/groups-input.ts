import "reflect-metadata";
import { Type } from "class-transformer";
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsIn,
  IsNotEmpty,
  IsOptional,
  IsString,
  IsUUID,
  MaxLength,
  ValidateIf,
  ValidateNested,
} from "class-validator";
import { ToneInput } from "@/compute/inputs/operations";
import { BadInput } from "@/compute/problem";
import { validate } from "@/compute/validate";
import { MATERIALS, type Material } from "@/core/group/material";
import { SCHOOLS, type School } from "@/core/group/school";
import { VERDICTS, type Verdict } from "@/core/stock/verdicts";
import type { GroupFacts } from "./groups";

const NAME = { message: "expected a name of 1 to 80 characters" };
const oneOf = (values: readonly string[]) => ({ message: `expected one of ${values.join(", ")}` });

class ResultInput {
  @IsUUID(undefined, { message: "expected the id of a paper" }) paperId!: string;
  @IsIn(VERDICTS, oneOf(VERDICTS)) verdict!: Verdict;
  @IsString() @MaxLength(4000) note!: string;
}

export class GroupInput {
  @IsString(NAME) @IsNotEmpty(NAME) @MaxLength(80, NAME) name!: string;
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(20)
  @IsString({ each: true })
  @MaxLength(40, { each: true })
  tags: string[] = [];
  @IsArray({ message: 'expected 2 to 6 tones, each {"code","coats"}' })
  @ArrayMinSize(2)
  @ArrayMaxSize(6)
  @ValidateNested({ each: true })
  @Type(() => ToneInput)
  tones!: ToneInput[];
  @IsOptional() @IsIn(MATERIALS, oneOf(MATERIALS)) material: Material = "other";
  @ValidateIf((_, v) => v !== null && v !== undefined) @IsIn(SCHOOLS, oneOf(SCHOOLS)) school: School | null =
    null;
  @ValidateIf((_, v) => v !== null && v !== undefined)
  @ValidateNested()
  @Type(() => ToneInput)
  underlay: ToneInput | null = null;
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(100)
  @ValidateNested({ each: true })
  @Type(() => ResultInput)
  results: ResultInput[] = [];
  @IsOptional() @IsString() @MaxLength(4000, { message: "expected notes of at most 4000 characters" }) notes =
    "";
}

export class ChangeGroupInput {
  @IsOptional() @IsString(NAME) @IsNotEmpty(NAME) @MaxLength(80, NAME) name?: string;
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(20)
  @IsString({ each: true })
  @MaxLength(40, { each: true })
  tags?: string[];
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(100)
  @ValidateNested({ each: true })
  @Type(() => ResultInput)
  results?: ResultInput[];
  @IsOptional()
  @IsString()
  @MaxLength(4000, { message: "expected notes of at most 4000 characters" })
  notes?: string;
}

/** The format of a file of kept groups. */
export const GROUPS_FORMAT = "blendt-groups";

class GroupsFileInput {
  @IsIn([GROUPS_FORMAT], { message: `expected "format": "${GROUPS_FORMAT}"` }) format!: string;
  @IsIn([1], { message: "expected version 1 of a file of groups" }) version!: 1;
  @IsArray({ message: "expected a list of groups" })
  @ArrayMinSize(1, { message: "expected at least one group" })
  @ArrayMaxSize(2000)
  @ValidateNested({ each: true })
  @Type(() => GroupInput)
  groups!: GroupInput[];
}

const plain = <T>(value: unknown): T => JSON.parse(JSON.stringify(value)) as T;

/**
 * Kept groups of a file, or one group by itself.
 * @throws BadInput with every field that is wrong
 */
export function readGroups(value: unknown): GroupFacts[] {
  const isFile = typeof value === "object" && value !== null && "groups" in value;
  const groups = isFile ? validate(GroupsFileInput, value).groups : [validate(GroupInput, value)];
  const twice = groups.findIndex((g, i) => groups.findIndex((h) => h.name === g.name) !== i);
  if (twice >= 0)
    throw new BadInput([
      {
        path: `groups[${twice}].name`,
        expected: `expected a name of its own; "${groups[twice]!.name}" stands there twice`,
      },
    ]);
  return plain<GroupFacts[]>(groups);
}

export const readGroupChange = (value: unknown): Partial<GroupFacts> =>
  plain(validate(ChangeGroupInput, value));
