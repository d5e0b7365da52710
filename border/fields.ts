import "reflect-metadata";
import { registerDecorator, ValidateIf } from "class-validator";
import { readColour, type ColourInput } from "./colour";

/** A class whose instances are what a document is read into; its defaults stand for what is left out. */
export type Document<T extends object> = new () => T;

/** How a field is built before its rules are checked. */
export interface Field {
  /** The document of which it is one, or a list. */
  readonly of?: () => Document<object>;
  /** Documents by the value of the field that tells them apart. */
  readonly kinds?: { readonly by: string; readonly of: Readonly<Record<string, () => Document<object>>> };
  readonly list?: { readonly least: number; readonly most: number; readonly orOne?: boolean };
  readonly expected?: string;
}

const known = new WeakMap<object, Map<string, Field>>();

/** Fields of a document, those of the documents it extends included. */
export function fieldsOf(type: Document<object>): ReadonlyMap<string, Field> {
  const chain: Map<string, Field>[] = [];
  for (let t: unknown = type; typeof t === "function"; t = Object.getPrototypeOf(t)) {
    const own = known.get(t);
    if (own) chain.unshift(own);
  }
  return new Map(chain.flatMap((m) => [...m]));
}

function note(target: object, name: string, field: Field): void {
  const fields = known.get(target.constructor) ?? new Map<string, Field>();
  known.set(target.constructor, fields);
  fields.set(name, { ...fields.get(name), ...field });
}

/** A field with a rule: what is expected, in our own words, and whether a value is that. */
export const Rule =
  (expected: string, holds: (value: unknown) => boolean): PropertyDecorator =>
  (target, key) => {
    const propertyName = String(key);
    note(target, propertyName, {});
    registerDecorator({
      name: `${propertyName}: ${expected}`,
      target: target.constructor,
      propertyName,
      options: { message: () => expected },
      validator: { validate: holds },
    });
  };

const all =
  (...decorators: PropertyDecorator[]): PropertyDecorator =>
  (target, key) =>
    decorators.forEach((d) => d(target, key));

/** The field may be left out; null is not the same. */
export const Optional = (): PropertyDecorator => ValidateIf((_, v) => v !== undefined);

/** The field may be left out or null. */
export const Nullable = (): PropertyDecorator => ValidateIf((_, v) => v !== null && v !== undefined);

/** A whole number within limits. */
export const Whole = (least: number, most: number, unit = ""): PropertyDecorator =>
  Rule(
    `expected a whole number from ${least} to ${most}${unit && ` ${unit}`}`,
    (v) => Number.isInteger(v) && (v as number) >= least && (v as number) <= most,
  );

/** A whole number within limits, or one word instead. */
export const WholeOr = (word: string, least: number, most: number): PropertyDecorator =>
  Rule(
    `expected a whole number from ${least} to ${most}, or "${word}"`,
    (v) => v === word || (Number.isInteger(v) && (v as number) >= least && (v as number) <= most),
  );

/** A number within limits. */
export const Within = (least: number, most: number, unit = ""): PropertyDecorator =>
  Rule(
    `expected a number from ${least} to ${most}${unit && ` ${unit}`}`,
    (v) => typeof v === "number" && v >= least && v <= most,
  );

/** One of a few values. */
export const OneOf = (values: readonly (string | number)[]): PropertyDecorator =>
  Rule(`expected one of ${values.join(", ")}`, (v) => values.includes(v as string));

export const Flag = (): PropertyDecorator => Rule("expected true or false", (v) => typeof v === "boolean");

/** Text of some length. */
export const Text = (most: number, least = 0): PropertyDecorator =>
  Rule(
    least ? `expected text of ${least} to ${most} characters` : `expected text of at most ${most} characters`,
    (v) => typeof v === "string" && v.length <= most && v.trim().length >= least,
  );

/** Longest code of anything on a rack. */
export const LONGEST_CODE = 40;
const isCode = (v: unknown): v is string =>
  typeof v === "string" && v.trim().length > 0 && v.length <= LONGEST_CODE;

/** The code of an ink, pencil or finisher. */
export const Code = (): PropertyDecorator =>
  Rule(`expected a code of 1 to ${LONGEST_CODE} characters`, isCode);

/** A list of codes. */
export const Codes = (least: number, most: number): PropertyDecorator =>
  Rule(
    `expected a list of ${least ? `${least} to ${most}` : `at most ${most}`} codes`,
    (v) => Array.isArray(v) && v.length >= least && v.length <= most && v.every(isCode),
  );

/** Most coats of one stack. */
export const MOST_COATS = 12;
const isStack = (v: unknown, least: number, most = MOST_COATS): boolean =>
  Array.isArray(v) && v.length >= least && v.length <= most && v.every(isCode);

/** A stack: codes bottom to top, one entry a coat. */
export const Stack = (least = 0, most = MOST_COATS): PropertyDecorator =>
  Rule(
    `expected a stack: ${least ? `${least} to` : "at most"} ${most} codes, bottom to top, one entry a coat`,
    (v) => isStack(v, least, most),
  );

/** A list of stacks. */
export const Stacks = (most: number, least = 0): PropertyDecorator =>
  Rule(
    `expected a list of at most ${most} stacks, each a list of ${least ? `${least} to` : "at most"} ${MOST_COATS} ink codes, bottom to top, one entry a coat`,
    (v) => Array.isArray(v) && v.length <= most && v.every((s) => isStack(s, least)),
  );

/** Most coats that one tone may have. */
export const MOST_TONE_COATS = 3;
export const Coats = (): PropertyDecorator => Whole(1, MOST_TONE_COATS, "coats");

const COLOUR =
  'expected a colour: "#rrggbb", {"lab":[L,a,b],"light":"D65, D50 or A"} with L 0–100, a and b −160…160, or {"reflectance":[36 values, 380–730 nm, 0–1.5]}';

/** One colour. */
export const Colour = (): PropertyDecorator => Rule(COLOUR, (v) => readColour(v) !== undefined);

/** A list of colours. */
export const Colours = (least: number, most: number): PropertyDecorator =>
  Rule(
    `expected ${least} to ${most} colours, each "#rrggbb" or {"lab":[L,a,b]}`,
    (v) => Array.isArray(v) && v.length >= least && v.length <= most && v.every((c) => readColour(c)),
  );

/** One colour, or readings of light, local colour and shadow. */
export const Target = (): PropertyDecorator =>
  Rule(
    'expected a colour, or {"light":C,"local":C,"shadow":C} with at least "local", C being "#rrggbb", {"lab":[L,a,b],"light":…} or {"reflectance":[…]}',
    (v) => {
      if (readColour(v)) return true;
      if (typeof v !== "object" || v === null || Array.isArray(v)) return false;
      const { light, local, shadow, ...rest } = v as Record<string, unknown>;
      const sound = [light, shadow].every((c) => c === undefined || readColour(c));
      return !Object.keys(rest).length && sound && readColour(local) !== undefined;
    },
  );

export type TargetInput =
  ColourInput | { readonly light?: ColourInput; readonly local: ColourInput; readonly shadow?: ColourInput };

const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i;

/** Ids that cannot be any row's never reach the store. */
export const isId = (v: unknown): v is string => typeof v === "string" && UUID.test(v);

/** The id of something in the studio. */
export const Id = (what: string): PropertyDecorator => Rule(`expected the id of a ${what}`, isId);

/** Another document. */
export const One = (of: () => Document<object>, expected = "expected an object"): PropertyDecorator =>
  all(
    (target, key) => note(target, String(key), { of, expected }),
    Rule(expected, (v) => typeof v === "object" && v !== null),
  );

/** A list of documents. */
export const List = (
  of: () => Document<object>,
  least: number,
  most: number,
  each = "",
): PropertyDecorator => {
  const expected = `expected a list of ${least ? `${least} to ${most}` : `at most ${most}`}${each && `, each ${each}`}`;
  return all(
    (target, key) => note(target, String(key), { of, list: { least, most }, expected }),
    Rule(expected, Array.isArray),
  );
};

/** A list of documents, or one by itself. */
export const ListOrOne = (of: () => Document<object>, most: number, each: string): PropertyDecorator => {
  const expected = `expected ${each}, or a list of at most ${most} of them`;
  return all(
    (target, key) => note(target, String(key), { of, list: { least: 0, most, orOne: true }, expected }),
    Rule(expected, Array.isArray),
  );
};

/** A list of documents of several kinds, told apart by one of their fields. */
export const ListOfKinds = (
  by: string,
  of: Readonly<Record<string, () => Document<object>>>,
  most: number,
): PropertyDecorator => {
  const expected = `expected a list of at most ${most}, each with "${by}": ${Object.keys(of).join(", ")}`;
  return all(
    (target, key) => note(target, String(key), { kinds: { by, of }, list: { least: 0, most }, expected }),
    Rule(expected, Array.isArray),
  );
};

/** True, or left out. */
export const Yes = (): PropertyDecorator => Rule("expected true, or nothing", (v) => v === true);

/** A number of things that belong together, each within limits. */
export const Numbers = (count: number, least: number, most: number): PropertyDecorator =>
  Rule(
    `expected ${count} numbers from ${least} to ${most}`,
    (v) =>
      Array.isArray(v) &&
      v.length === count &&
      v.every((n) => typeof n === "number" && n >= least && n <= most),
  );

/** A list of short texts. */
export const Texts = (most: number, longest: number): PropertyDecorator =>
  Rule(
    `expected a list of at most ${most} texts of at most ${longest} characters`,
    (v) =>
      Array.isArray(v) && v.length <= most && v.every((t) => typeof t === "string" && t.length <= longest),
  );

/** A name as people give it. */
export const Name = (longest = 80): PropertyDecorator =>
  Rule(
    `expected a name of 1 to ${longest} characters`,
    (v) => typeof v === "string" && v.length <= longest && v.trim().length > 0,
  );

/** Notes in free words. */
export const Notes = (): PropertyDecorator => Text(4000);
