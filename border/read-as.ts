import { validateSync } from "class-validator";
import { fieldsOf, type Document, type Field } from "./fields";
import { inspect } from "./inspect";
import { BadInput, join, type Problem } from "./problem";

/** Problems that are told; further ones help nobody. */
const MOST_TOLD = 40;

/**
 * Something that came in, read as a document: every field known, every rule kept, what is left out at its default.
 * @throws BadInput with the fields that are wrong
 */
export function readAs<T extends object>(type: Document<T>, value: unknown): T {
  inspect(value);
  const problems: Problem[] = [];
  const read = build(type, value, "", "expected a JSON object", problems);
  if (problems.length) throw new BadInput(problems.slice(0, MOST_TOLD));
  return read as T;
}

function build(
  type: Document<object>,
  value: unknown,
  path: string,
  expected: string,
  problems: Problem[],
): object | undefined {
  if (problems.length >= MOST_TOLD) return undefined;
  if (typeof value !== "object" || value === null || Array.isArray(value)) {
    problems.push({ path, expected });
    return undefined;
  }
  const fields = fieldsOf(type);
  const start = problems.length;
  const out = new type() as Record<string, unknown>;
  const refused = new Set<string>();
  for (const [name, given] of Object.entries(value)) {
    const at = join(path, name);
    const field = fields.get(name);
    if (!field) {
      problems.push({
        path: at,
        expected: `expected no such field; there are ${[...fields.keys()].join(", ")}`,
      });
      if (problems.length >= MOST_TOLD) return undefined;
    } else if ((field.of || field.kinds) && given !== null && given !== undefined) {
      const before = problems.length;
      out[name] = field.list
        ? buildList(field, field.list, given, at, problems)
        : build(field.of!(), given, at, field.expected!, problems);
      if (problems.length > before) refused.add(name);
    } else if (given !== undefined) out[name] = given;
  }
  for (const error of validateSync(out, { stopAtFirstError: true, forbidUnknownValues: false })) {
    // What could not be built has said so itself.
    if (refused.has(error.property)) continue;
    for (const said of Object.values(error.constraints ?? {}))
      problems.push({ path: join(path, error.property), expected: said });
  }
  sortByField(problems, start, path, [...fields.keys()]);
  return out;
}

/** Puts what was said of a document's fields into the order of its fields. */
function sortByField(problems: Problem[], start: number, path: string, fields: readonly string[]): void {
  if (problems.length - start < 2) return;
  const placeOf = (p: Problem) => {
    const at = fields.indexOf(/^\.?([^.[]*)/.exec(p.path.slice(path.length))![1]!);
    return at < 0 ? fields.length : at;
  };
  problems.push(...problems.splice(start).sort((a, b) => placeOf(a) - placeOf(b)));
}

function buildList(
  field: Field,
  { least, most, orOne = false }: NonNullable<Field["list"]>,
  given: unknown,
  path: string,
  problems: Problem[],
): unknown[] | undefined {
  const value: unknown = orOne && !Array.isArray(given) ? [given] : given;
  if (!Array.isArray(value) || value.length < least || value.length > most) {
    problems.push({ path, expected: field.expected! });
    return undefined;
  }
  return value.map((v, i) => {
    const at = `${path}[${i}]`;
    const type = field.kinds ? kindOf(field.kinds, v) : field.of!();
    if (type) return build(type, v, at, "expected an object", problems);
    const { by, of } = field.kinds!;
    problems.push({ path: join(at, by), expected: `expected one of ${Object.keys(of).join(", ")}` });
    return undefined;
  });
}

/** The document that a value of several kinds is; undefined when it says none of them. */
function kindOf({ by, of }: NonNullable<Field["kinds"]>, value: unknown): Document<object> | undefined {
  const said =
    typeof value === "object" && value !== null ? (value as Record<string, unknown>)[by] : undefined;
  return typeof said === "string" && Object.hasOwn(of, said) ? of[said]!() : undefined;
}

/**
 * A change: the fields of it that were said.
 * @throws BadInput when there are none
 */
export function changeOf<T extends object>(input: T): Partial<T> {
  const change = plain(input) as Partial<T>;
  if (!Object.keys(change).length)
    throw new BadInput([{ path: "", expected: "expected something to change" }]);
  return change;
}

/** What a document is once its class is gone: the same fields, which nobody changes any more. */
export type Plain<T> = T extends string | number | boolean | null | undefined
  ? T
  : T extends readonly (infer E)[]
    ? number extends T["length"]
      ? readonly Plain<E>[]
      : { readonly [K in keyof T]: Plain<T[K]> }
    : { readonly [K in keyof T]: Plain<T[K]> };

/** Holds only where a class of the border and the type of the core say the same, field by field, both ways. */
export type Tied<Class, Type> = [Plain<Class>] extends [Type]
  ? [Type] extends [Plain<Class>]
    ? true
    : { readonly theTypeSaysOtherwise: Type }
  : { readonly theClassSaysOtherwise: Plain<Class> };
export type Expect<Holds extends true> = Holds;

/** A document without its class: what is stored, or compared. */
export const plain = <T>(value: T): Plain<T> => JSON.parse(JSON.stringify(value)) as Plain<T>;
