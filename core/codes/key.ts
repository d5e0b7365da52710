/** What a part of a code says. */
export type Meaning = "family" | "depth" | "greyness" | "serial";

/** One of a fixed list of words, letters or digits. For depth and greyness the list runs from light to deep, from clear to grey. */
export interface WordsPart {
  readonly kind: "words";
  readonly means: Meaning;
  readonly words: readonly { readonly written: string; readonly name: string }[];
  readonly optional?: boolean;
}

/** A number of some digits. */
export interface DigitsPart {
  readonly kind: "digits";
  readonly means: Exclude<Meaning, "family">;
  readonly least: number;
  readonly most: number;
  /** Whether a higher number is deeper (or greyer); false when it is paler (or clearer). */
  readonly rising: boolean;
  readonly optional?: boolean;
}

/** A fixed text between parts, such as a hyphen or a dot. */
export interface SeparatorPart {
  readonly kind: "separator";
  readonly text: string;
  readonly optional?: boolean;
}

export type KeyPart = WordsPart | DigitsPart | SeparatorPart;

/** How the codes of a range are written. */
export interface CodeKey {
  readonly parts: readonly KeyPart[];
  /** Codes that must read. */
  readonly examples: readonly string[];
}

/** A code as read by its key. Depth and greyness grow with deeper and greyer; what a code does not say is undefined. */
export interface ParsedCode {
  readonly code: string;
  readonly family?: string;
  readonly depth?: number;
  readonly greyness?: number;
  readonly serial?: string;
  /** Which text each part took, for showing. */
  readonly read: readonly { readonly part: number; readonly text: string; readonly says: string }[];
}

/** Why a code does not read: how much of it did, the part that failed and what it expected there. */
export interface UnreadCode {
  readonly code: string;
  readonly readUpTo: number;
  /** Number of the part that failed, from 0; one past the last when text is left over. */
  readonly part: number;
  readonly expected: string;
}

export const isRead = (result: ParsedCode | UnreadCode): result is ParsedCode => "read" in result;

const listed = (words: readonly string[]) =>
  words.length > 8 ? `${words.slice(0, 7).join(", ")} or one of ${words.length - 7} more` : words.join(", ");

/** What a part expects, in words. */
export function expectedBy(part: KeyPart): string {
  if (part.kind === "separator") return `"${part.text}"`;
  if (part.kind === "digits")
    return `${part.means} in ${part.least === part.most ? part.least : `${part.least} to ${part.most}`} digit${part.most === 1 ? "" : "s"}`;
  return `${part.means}: ${listed(part.words.map((w) => w.written))}`;
}

const sameText = (code: string, at: number, text: string) =>
  code.slice(at, at + text.length).toLowerCase() === text.toLowerCase();

/** Words of a part by their small letters, and the lengths there are, longest first. */
interface WordIndex {
  readonly written: ReadonlyMap<string, string>;
  readonly lengths: readonly number[];
}
const indices = new WeakMap<WordsPart, WordIndex>();

function indexOf(part: WordsPart): WordIndex {
  const known = indices.get(part);
  if (known) return known;
  const written = new Map<string, string>();
  for (const w of part.words)
    if (w.written && !written.has(w.written.toLowerCase())) written.set(w.written.toLowerCase(), w.written);
  const lengths = [...new Set([...written.keys()].map((w) => w.length))].sort((a, b) => b - a);
  const index = { written, lengths };
  indices.set(part, index);
  return index;
}

/** Texts that a part could take at a place, longest first; the empty one last when the part may be left out. */
function choices(part: KeyPart, code: string, at: number): string[] {
  const out: string[] = [];
  if (part.kind === "separator") {
    if (sameText(code, at, part.text)) out.push(part.text);
  } else if (part.kind === "digits") {
    const run = /^\d*/.exec(code.slice(at))![0].length;
    for (let n = Math.min(run, part.most); n >= part.least; n--) out.push(code.slice(at, at + n));
  } else {
    const { written, lengths } = indexOf(part);
    for (const n of lengths) {
      const word = at + n <= code.length && written.get(code.slice(at, at + n).toLowerCase());
      if (word) out.push(word);
    }
  }
  return part.optional ? [...out, ""] : out;
}

function valueOf(
  part: KeyPart,
  text: string,
): { says: string; field?: Partial<Record<Meaning, string | number>> } {
  if (part.kind === "separator") return { says: "" };
  if (part.kind === "digits") {
    if (part.means === "serial") return { says: `serial ${text}`, field: { serial: text } };
    const n = Number(text);
    return { says: `${part.means} ${text}`, field: { [part.means]: part.rising ? n : -n } };
  }
  const place = part.words.findIndex((w) => w.written === text);
  const { name } = part.words[place]!;
  return {
    says: `${part.means} ${name}`,
    field: { [part.means]: part.means === "family" || part.means === "serial" ? name : place },
  };
}

/**
 * Reads a code by its key: every part in order, the longest text first, with all ways tried. Case does not matter. A place from which the
 * rest does not read is tried once, whatever led there: the work grows with the parts, the code's length and the lengths of words only.
 */
export function parseCode(key: CodeKey, raw: string): ParsedCode | UnreadCode {
  const code = raw.trim();
  let furthest = { readUpTo: -1, part: 0 };
  const dead = new Set<number>();
  const take = (part: number, at: number): { part: number; text: string }[] | undefined => {
    if (part === key.parts.length) {
      if (at === code.length) return [];
      if (at > furthest.readUpTo) furthest = { readUpTo: at, part };
      return undefined;
    }
    const here = part * (code.length + 1) + at;
    if (dead.has(here)) return undefined;
    for (const text of choices(key.parts[part]!, code, at)) {
      const rest = take(part + 1, at + text.length);
      if (rest) return text ? [{ part, text }, ...rest] : rest;
    }
    dead.add(here);
    if (at > furthest.readUpTo) furthest = { readUpTo: at, part };
    return undefined;
  };
  const taken = take(0, 0);
  if (!taken) {
    const failed = key.parts[furthest.part];
    return {
      code,
      ...furthest,
      readUpTo: Math.max(0, furthest.readUpTo),
      expected: failed
        ? `expected ${expectedBy(failed)}`
        : `expected the code to end after "${code.slice(0, furthest.readUpTo)}"`,
    };
  }
  const fields: Partial<Record<Meaning, string | number>> = {};
  // A greyness that is left out is the clearest.
  for (const p of key.parts)
    if (p.kind === "words" && p.means === "greyness" && p.optional) fields.greyness = -1;
  const read = taken.map(({ part, text }) => {
    const { says, field } = valueOf(key.parts[part]!, text);
    Object.assign(fields, field);
    return { part, text, says };
  });
  return { code: taken.map((t) => t.text).join(""), ...(fields as Omit<ParsedCode, "code" | "read">), read };
}

/**
 * Code of a family, depth, greyness and serial as the key writes it. Separators that may be left out are left out.
 * @throws RangeError naming the part that has no text for what was asked
 */
export function formatCode(
  key: CodeKey,
  fields: {
    readonly family?: string;
    readonly depth?: number;
    readonly greyness?: number;
    readonly serial?: string;
  },
): string {
  const text = key.parts.map((part): string => {
    if (part.kind === "separator") return part.optional ? "" : part.text;
    const value = fields[part.means];
    if (value === undefined || (part.optional && value === -1)) {
      if (part.optional) return "";
      throw new RangeError(`the code needs a ${part.means}`);
    }
    if (part.kind === "words") {
      const word = typeof value === "number" ? part.words[value] : part.words.find((w) => w.name === value);
      if (!word)
        throw new RangeError(
          `${part.means} "${value}" is not among ${listed(part.words.map((w) => w.name))}`,
        );
      return word.written;
    }
    const digits = part.means === "serial" ? String(value) : String(Math.abs(Number(value)));
    if (!/^\d+$/.test(digits) || digits.length > part.most)
      throw new RangeError(`${part.means} ${value} does not fit ${expectedBy(part)}`);
    return digits.padStart(part.least, "0");
  });
  return text.join("");
}

/** Sorts codes as the rack stands: by family in the key's order, light to deep, clear to grey, then serial; codes that do not read come last, by their text. */
export function compareCodes(key: CodeKey): (a: string, b: string) => number {
  const families = key.parts.flatMap((p) =>
    p.kind === "words" && p.means === "family" ? p.words.map((w) => w.name) : [],
  );
  const memory = new Map<string, ParsedCode | UnreadCode>();
  const read = (code: string) => {
    const known = memory.get(code) ?? parseCode(key, code);
    memory.set(code, known);
    return known;
  };
  const byText = (a: string, b: string) => a.localeCompare(b, "en", { numeric: true });
  return (a, b) => {
    const [p, q] = [read(a), read(b)];
    if (!isRead(p) || !isRead(q)) return Number(isRead(q)) - Number(isRead(p)) || byText(a, b);
    const place = (f: string | undefined) => (f === undefined ? families.length : families.indexOf(f));
    return (
      place(p.family) - place(q.family) ||
      (p.greyness ?? 0) - (q.greyness ?? 0) ||
      (p.depth ?? 0) - (q.depth ?? 0) ||
      byText(p.serial ?? "", q.serial ?? "") ||
      byText(a, b)
    );
  };
}

const MOST_COMPLETIONS = 40;

/** Ways in which a code that was begun can go on by the key: each the code so far and what the next part would add. */
export function completeCode(key: CodeKey, begun: string): string[] {
  const out = new Set<string>();
  const typed = begun.trim();
  const walked = new Set<string>();
  const walk = (part: number, done: string): void => {
    if (part === key.parts.length || out.size >= MOST_COMPLETIONS || walked.has(`${part} ${done}`)) return;
    walked.add(`${part} ${done}`);
    const own = key.parts[part]!;
    const left = typed.slice(done.length);
    const possible =
      own.kind === "separator"
        ? [own.text]
        : own.kind === "words"
          ? own.words.map((w) => w.written)
          : own.least === 1
            ? ["1", "2", "3", "4", "5", "6", "7", "8", "9"]
            : [];
    for (const text of possible)
      if (left.length < text.length && text.toLowerCase().startsWith(left.toLowerCase()))
        out.add(done + text);
    for (const text of choices(own, typed, done.length))
      if (text || own.optional) walk(part + 1, done + text);
  };
  walk(0, "");
  return [...out].slice(0, MOST_COMPLETIONS);
}

/** What is wrong with a key before it is used: parts that say nothing, the same word twice, examples that do not read. */
export function keyProblems(key: CodeKey): string[] {
  const out: string[] = [];
  if (!key.parts.some((p) => p.kind !== "separator"))
    out.push("The key has no part yet that says anything. Add the family or the depth first.");
  for (const means of ["family", "depth", "greyness", "serial"] as const)
    if (key.parts.filter((p) => p.kind !== "separator" && p.means === means).length > 1)
      out.push(`Two parts say the ${means}; one is enough.`);
  key.parts.forEach((p, i) => {
    if (p.kind === "separator" && !p.text) out.push(`Part ${i + 1}, a separator, is empty.`);
    if (p.kind === "digits" && !(p.least >= 1 && p.least <= p.most && p.most <= 6))
      out.push(`Part ${i + 1} wants ${p.least} to ${p.most} digits; it can be 1 to 6, fewest first.`);
    if (p.kind !== "words") return;
    if (!p.words.length) out.push(`Part ${i + 1}, the ${p.means}, has no words yet.`);
    const seen = new Set<string>();
    for (const { written } of p.words) {
      if (!written) out.push(`Part ${i + 1}, the ${p.means}, has an empty word.`);
      if (seen.has(written.toLowerCase())) out.push(`Part ${i + 1}, the ${p.means}, has "${written}" twice.`);
      seen.add(written.toLowerCase());
    }
  });
  for (const example of key.examples) {
    const result = parseCode(key, example);
    if (!isRead(result))
      out.push(
        `The example "${example}" does not read: ${result.expected}${result.readUpTo ? ` after "${example.slice(0, result.readUpTo)}"` : ""}.`,
      );
  }
  return out;
}
