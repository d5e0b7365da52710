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

/** The text that a part of a code took, and what that stands for: a name, or the digits themselves. */
export interface TakenPart {
  readonly part: number;
  readonly text: string;
  readonly means?: Meaning;
  readonly value?: string;
}

/** A code as read by its key. Depth and greyness grow with deeper and greyer; what a code does not say is undefined. */
export interface ParsedCode {
  readonly code: string;
  readonly family?: string;
  readonly depth?: number;
  readonly greyness?: number;
  readonly serial?: string;
  /** Which text each part took, for showing. */
  readonly read: readonly TakenPart[];
}

/** Why a code does not read: how much of it did, and the part that failed. */
export interface UnreadCode {
  readonly code: string;
  readonly readUpTo: number;
  /** Number of the part that failed, from 0; one past the last when text is left over. */
  readonly part: number;
}

export const isRead = (result: ParsedCode | UnreadCode): result is ParsedCode => "read" in result;

/** What keeps a key from being used. Parts are numbered from 0. */
export type KeyProblem =
  | { readonly kind: "says nothing" }
  | { readonly kind: "said twice"; readonly means: Meaning }
  | { readonly kind: "empty separator" | "digits"; readonly part: number }
  | { readonly kind: "no words" | "empty word"; readonly part: number }
  | { readonly kind: "word twice"; readonly part: number; readonly word: string }
  | { readonly kind: "example"; readonly unread: UnreadCode };

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

/** What the text of a part stands for, and what the code says by it. */
function valueOf(
  part: KeyPart,
  text: string,
): Pick<TakenPart, "means" | "value"> & { field?: Partial<Record<Meaning, string | number>> } {
  if (part.kind === "separator") return {};
  const { means } = part;
  if (part.kind === "digits") {
    const n = Number(text);
    return { means, value: text, field: { [means]: means === "serial" ? text : part.rising ? n : -n } };
  }
  const place = part.words.findIndex((w) => w.written === text);
  const { name } = part.words[place]!;
  return { means, value: name, field: { [means]: means === "family" || means === "serial" ? name : place } };
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
  if (!taken) return { code, ...furthest, readUpTo: Math.max(0, furthest.readUpTo) };
  const fields: Partial<Record<Meaning, string | number>> = {};
  // A greyness that is left out is the clearest.
  for (const p of key.parts)
    if (p.kind === "words" && p.means === "greyness" && p.optional) fields.greyness = -1;
  const read = taken.map(({ part, text }) => {
    const { field, ...said } = valueOf(key.parts[part]!, text);
    Object.assign(fields, field);
    return { part, text, ...said };
  });
  return { code: taken.map((t) => t.text).join(""), ...(fields as Omit<ParsedCode, "code" | "read">), read };
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
export function keyProblems(key: CodeKey): KeyProblem[] {
  const out: KeyProblem[] = [];
  if (!key.parts.some((p) => p.kind !== "separator")) out.push({ kind: "says nothing" });
  for (const means of ["family", "depth", "greyness", "serial"] as const)
    if (key.parts.filter((p) => p.kind !== "separator" && p.means === means).length > 1)
      out.push({ kind: "said twice", means });
  key.parts.forEach((p, part) => {
    if (p.kind === "separator" && !p.text) out.push({ kind: "empty separator", part });
    if (p.kind === "digits" && !(p.least >= 1 && p.least <= p.most && p.most <= 6))
      out.push({ kind: "digits", part });
    if (p.kind !== "words") return;
    if (!p.words.length) out.push({ kind: "no words", part });
    const seen = new Set<string>();
    for (const { written } of p.words) {
      if (!written) out.push({ kind: "empty word", part });
      if (seen.has(written.toLowerCase())) out.push({ kind: "word twice", part, word: written });
      seen.add(written.toLowerCase());
    }
  });
  for (const example of key.examples) {
    const unread = parseCode(key, example);
    if (!isRead(unread)) out.push({ kind: "example", unread });
  }
  return out;
}
