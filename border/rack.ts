import type { CodeKey } from "@/core/codes/key";
import { KINDS, MOST_ON_RACK, STATES, type Kind, type MarkerState } from "@/core/stock/kinds";
import { HueHomes, Key } from "./code-key";
import type { ColourInput } from "./colour";
import {
  Code,
  Codes,
  Colour,
  Flag,
  Id,
  List,
  Name,
  Nullable,
  One,
  OneOf,
  Optional,
  Text,
  Texts,
  Whole,
} from "./fields";
import { wrong } from "./problem";

/** Facts of a thing on the rack; all may be left out. */
export class RackFactsInput {
  @Optional() @Name(60) family?: string;
  @Optional() @OneOf(KINDS) kind?: Kind;
  @Optional() @Text(120) name?: string;
  @Optional() @Flag() owned?: boolean;
  @Optional() @Flag() wished?: boolean;
  @Optional() @OneOf(STATES) state?: MarkerState;
  @Optional() @Whole(0, 999, "refills") refills?: number;
  @Optional() @Text(60) nib?: string;
  @Optional() @Text(30) price?: string;
  @Optional() @Text(120) place?: string;
  @Optional() @Text(2000) notes?: string;
  @Nullable() @Flag() proof?: boolean | null;
}

class ChangeInput {
  @Code() code!: string;
  @One(() => RackFactsInput, "expected facts to set") set!: RackFactsInput;
}

export class ChangeRackInput {
  @List(() => ChangeInput, 1, MOST_ON_RACK, '{"code","set"}') changes!: ChangeInput[];
}

export class RemoveRackInput {
  @Codes(1, MOST_ON_RACK) codes!: string[];
}

class RackRowInput extends RackFactsInput {
  @Code() code!: string;
  /** Colour of one coat where the file had one. */
  @Optional() @Colour() colour?: ColourInput;
}

/** Rows of one request; a longer file comes in several. */
export const MOST_AT_ONCE = 1000;

export class ImportRackInput {
  @Id("range") rangeId!: string;
  /** Paper that colours of the file belong to, if they are to be taken as readings. */
  @Optional() @Id("paper") paperId?: string;
  @List(() => RackRowInput, 1, MOST_AT_ONCE, '{"code",…}') rows!: RackRowInput[];
}

/** @throws BadInput naming a row whose code stands there before */
export function checkOnce(field: string, rows: readonly { readonly code: string }[]): void {
  const first = new Map<string, number>();
  for (const [i, { code }] of rows.entries()) {
    const before = first.get(code);
    if (before !== undefined)
      throw wrong(`${field}[${i}].code`, `expected each code once; ${field}[${before}] is "${code}" too`);
    first.set(code, i);
  }
}

export class RangeInput {
  @Name() name!: string;
  @Texts(400, 60) families!: string[];
  @Nullable() @Key() key: CodeKey | null = null;
  @HueHomes() homes!: Record<string, number>;
}

/** Which thing on the rack is meant. */
export class UsesInput {
  @Code() code!: string;
}

export const RACK_FORMATS = [
  "csv",
  "xlsx",
  "ods",
  "json",
  "gpl",
  "ase",
  "aco",
  "soc",
  "sbz",
  "css",
  "cgats",
  "chart",
  "labels",
] as const;

export class RackFileInput {
  @OneOf(RACK_FORMATS) format!: (typeof RACK_FORMATS)[number];
  @Optional() @Id("paper") paper?: string;
}
