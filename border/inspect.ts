import { wrong } from "./problem";

/** Deepest nesting of anything that comes in. */
const DEEPEST = 16;
/** Values, lists and objects together; a desk of 6,000 inks has about 150,000. */
const MOST_VALUES = 1_500_000;
/** Fields of one object. */
const MOST_FIELDS = 500;

const UNSAFE = new Set(["__proto__", "constructor", "prototype"]);
const LONE_SURROGATE = /\p{Surrogate}/u;

/** A list or an object that is being walked, and how far. */
interface Walked {
  readonly children: readonly unknown[];
  /** Names of an object's fields; none for a list. */
  readonly names: readonly string[] | undefined;
  at: number;
}

/** Path of the value that is looked at, built only when there is something to say of it. */
const pathOf = (walked: readonly Walked[]): string =>
  walked.reduce((path, { names, at }) => {
    if (!names) return `${path}[${at}]`;
    return path ? `${path}.${names[at]}` : names[at]!;
  }, "");

/**
 * Refuses what no field could ever want: deep nesting, millions of values, fields that would reach into objects, texts with NUL or half a
 * character, numbers without an end. Linear, without recursion, before anything else looks at it.
 * @throws BadInput naming the place
 */
export function inspect(root: unknown): void {
  const walked: Walked[] = [];
  let values = 0;
  const look = (value: unknown): void => {
    if (++values > MOST_VALUES) throw wrong("", `expected at most ${MOST_VALUES} values in all`);
    if (typeof value === "string") return checkText(value, walked);
    if (typeof value === "number" && !Number.isFinite(value))
      throw wrong(pathOf(walked), "expected a number that is not beyond all bounds");
    if (typeof value !== "object" || value === null || ArrayBuffer.isView(value)) return;
    if (walked.length >= DEEPEST)
      throw wrong(pathOf(walked), `expected nesting of at most ${DEEPEST} levels`);
    if (Array.isArray(value)) {
      walked.push({ children: value, names: undefined, at: -1 });
      return;
    }
    const names = Object.keys(value);
    if (names.length > MOST_FIELDS) throw wrong(pathOf(walked), `expected at most ${MOST_FIELDS} fields`);
    for (const name of names) {
      if (UNSAFE.has(name)) throw wrong(pathOf(walked), `expected no field called "${name}"`);
      checkText(name, walked);
    }
    walked.push({ children: Object.values(value), names, at: -1 });
  };
  look(root);
  while (walked.length) {
    const now = walked.at(-1)!;
    if (++now.at < now.children.length) look(now.children[now.at]);
    else walked.pop();
  }
}

function checkText(text: string, walked: readonly Walked[]): void {
  if (text.includes("\0")) throw wrong(pathOf(walked), "expected text without NUL characters");
  if (LONE_SURROGATE.test(text)) throw wrong(pathOf(walked), "expected whole characters: one is cut in half");
}
