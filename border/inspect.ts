import { wrong } from "./problem";

/** Deepest nesting of anything that comes in. */
const DEEPEST = 16;
/** Values, lists and objects together; a desk of 6,000 inks has about 150,000. */
const MOST_VALUES = 1_500_000;
/** Fields of one object. */
const MOST_FIELDS = 500;

const UNSAFE = new Set(["__proto__", "constructor", "prototype"]);
// eslint-disable-next-line no-control-regex -- it is the NUL that is looked for
const NUL = /\u0000/;
const LONE_SURROGATE = /\p{Surrogate}/u;

interface Open {
  readonly value: unknown;
  readonly path: string;
  readonly depth: number;
}

/**
 * Refuses what no field could ever want: deep nesting, millions of values, fields that would reach into objects, texts with NUL or half a
 * character, numbers without an end. Linear, without recursion, before anything else looks at it.
 * @throws BadInput naming the place
 */
export function inspect(root: unknown): void {
  const open: Open[] = [{ value: root, path: "", depth: 0 }];
  let values = 0;
  while (open.length) {
    const { value, path, depth } = open.pop()!;
    if (++values > MOST_VALUES) throw wrong("", `expected at most ${MOST_VALUES} values in all`);
    if (typeof value === "string") checkText(value, path);
    else if (typeof value === "number" && !Number.isFinite(value))
      throw wrong(path, "expected a number that is not beyond all bounds");
    if (typeof value !== "object" || value === null || ArrayBuffer.isView(value)) continue;
    if (depth >= DEEPEST) throw wrong(path, `expected nesting of at most ${DEEPEST} levels`);
    if (Array.isArray(value)) {
      for (let i = value.length - 1; i >= 0; i--)
        open.push({ value: value[i], path: `${path}[${i}]`, depth: depth + 1 });
      continue;
    }
    const names = Object.keys(value);
    if (names.length > MOST_FIELDS) throw wrong(path, `expected at most ${MOST_FIELDS} fields`);
    for (const name of names) {
      if (UNSAFE.has(name)) throw wrong(path, `expected no field called "${name}"`);
      checkText(name, path);
      open.push({
        value: (value as Record<string, unknown>)[name],
        path: path ? `${path}.${name}` : name,
        depth: depth + 1,
      });
    }
  }
}

function checkText(text: string, path: string): void {
  if (NUL.test(text)) throw wrong(path, "expected text without NUL characters");
  if (LONE_SURROGATE.test(text)) throw wrong(path, "expected whole characters: one is cut in half");
}
