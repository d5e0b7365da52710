import type { CodeKey, KeyPart } from "./key";

/** What was typed, line by line: the codes it means, and what could not be understood. */
export interface TypedCodes {
  /** Each once, in the order in which they were typed. */
  readonly codes: readonly string[];
  readonly problems: readonly { readonly line: number; readonly text: string }[];
  /** Whether it meant more than are taken. */
  readonly isCut: boolean;
}

const RANGE = /^(\d{1,6})\s*[-–]\s*(\d{1,6})$/;
/** Numbers that one range may mean. */
const LONGEST_RANGE = 1000;

/** Numbers of "3" or "1-9", with as many digits as they were typed with. */
function numbersOf(token: string): string[] | undefined {
  if (/^\d{1,6}$/.test(token)) return [token];
  const [, from, to] = RANGE.exec(token) ?? [];
  if (from === undefined || to === undefined) return undefined;
  const [first, last] = [Number(from), Number(to)];
  if (last < first || last - first >= LONGEST_RANGE) return undefined;
  const digits = from.startsWith("0") ? from.length : 1;
  return Array.from({ length: last - first + 1 }, (_, i) => String(first + i).padStart(digits, "0"));
}

/** A family with its numbers and endings: "reed 1-9 c m". Undefined when the line is no such thing. */
function familyLine(tokens: readonly string[]): string[] | undefined {
  const [family, ...rest] = tokens;
  if (!family || !rest.length || /\d/.test(family)) return undefined;
  const numbers: string[] = [];
  const endings: string[] = [];
  for (const token of rest) {
    const more = numbersOf(token);
    if (more && endings.length) return undefined;
    if (more) numbers.push(...more);
    else if (/\d/.test(token)) return undefined;
    else endings.push(token);
  }
  if (!numbers.length) return undefined;
  return numbers.flatMap((n) => (endings.length ? endings : [""]).map((e) => `${family}${n}${e}`));
}

/** A code by itself, or with a range of numbers in it: "reed1-9c". */
function codesOf(token: string): string[] {
  const [, before, range, after] = /^(\D*)(\d{1,6}[-–]\d{1,6})(\D*)$/.exec(token) ?? [];
  const numbers = range === undefined ? undefined : numbersOf(range);
  return numbers && before ? numbers.map((n) => `${before}${n}${after}`) : [token];
}

/**
 * Reads codes as people type what they own: one after another, or a family at a time with ranges of digits and its endings, as
 * "reed 1-9 c m" for eighteen of them. Linear in the text and in what comes out.
 * @param most codes that are taken
 * @param longest characters of a code
 */
export function readTypedCodes(text: string, most: number, longest: number): TypedCodes {
  const codes = new Set<string>();
  const problems: { line: number; text: string }[] = [];
  let isCut = false;
  text.split(/\r\n|\r|\n|;/).forEach((raw, i) => {
    if (isCut) return;
    // "1 - 9" is one range.
    const tokens = raw
      .trim()
      .replace(/(\d)\s*[-–]\s*(?=\d)/g, "$1-")
      .split(/[\s,]+/)
      .filter(Boolean);
    const meant = familyLine(tokens) ?? tokens.flatMap(codesOf);
    for (const code of meant) {
      if (code.length > longest) problems.push({ line: i + 1, text: code.slice(0, longest) });
      else if (codes.size >= most && !codes.has(code)) isCut = true;
      else codes.add(code);
      if (isCut) break;
    }
  });
  return { codes: [...codes], problems, isCut };
}

const SHAPE = /^(\p{L}+)([-. ]?)(\d{1,6})(\p{L}*)$/u;

/**
 * A key for codes that all have the shape letters, digits, letters: the family, the depth and the greyness. Undefined when more than a few
 * have another.
 * @param rising whether a higher number is deeper
 */
export function guessKey(codes: readonly string[], rising: boolean): CodeKey | undefined {
  const read = codes.flatMap((c) => {
    const found = SHAPE.exec(c);
    return found ? [found] : [];
  });
  if (!read.length || read.length < codes.length * 0.9) return undefined;
  const of = (group: number) => [...new Set(read.map((r) => r[group]!))];
  const words = (list: readonly string[]) => list.map((w) => ({ written: w, name: w }));
  const separators = of(2).filter(Boolean);
  if (separators.length > 1) return undefined;
  const lengths = read.map((r) => r[3]!.length);
  const endings = of(4).filter(Boolean);
  const parts: KeyPart[] = [{ kind: "words", means: "family", words: words(of(1)) }];
  if (separators[0])
    parts.push({ kind: "separator", text: separators[0], ...(of(2).includes("") && { optional: true }) });
  parts.push({
    kind: "digits",
    means: "depth",
    least: Math.min(...lengths),
    most: Math.max(...lengths),
    rising,
  });
  if (endings.length)
    parts.push({
      kind: "words",
      means: "greyness",
      words: words(endings),
      ...(of(4).includes("") && { optional: true }),
    });
  return { parts, examples: read.slice(0, 3).map((r) => r[0]) };
}

/** The family of a code as it is written: its letters before the first digit; "other" when it has none. */
export const familyOf = (code: string): string => /^\p{L}+/u.exec(code)?.[0] ?? "other";
