/** What one line says was laid, and what came of it. */
export interface Entry {
  readonly subject: string;
  readonly tones: readonly { readonly code: string; readonly coats: number }[];
  readonly note: string;
  /** What looks like a code and is not on the rack. */
  readonly unknown: readonly string[];
}

export const LONGEST_LINE = 500;
/** Tones of one entry. */
export const MOST_ENTERED = 24;
const MOST_COATS = 12;

/** "×2", "x 2", "*2" behind a code, or "2×" before it. */
const TIMES = /^[×x*]\s*(\d{1,2})$/i;
const BEFORE = /^(\d{1,2})\s*[×x*]$/i;
const STUCK = /^(.+?)\s*[×*]\s*(\d{1,2})$/;
/** As codes are written that nobody knows: letters and a digit among them. */
const LIKE_CODE = /^(?=.*\d)(?=.*\p{L})[\p{L}\d.-]{2,20}$/u;

const coatsOf = (text: string): number => Math.min(MOST_COATS, Math.max(1, Number(text)));

/** The tones that a part names; undefined where it says something else. */
function tonesIn(
  part: string,
  codeOf: (word: string) => string | undefined,
): { readonly tones: { code: string; coats: number }[]; readonly unknown: string[] } | undefined {
  const words = part.split(/[\s,+]+/).filter(Boolean);
  const tones: { code: string; coats: number }[] = [];
  const unknown: string[] = [];
  let coats: number | undefined;
  let others = 0;
  for (const word of words) {
    const after = TIMES.exec(word);
    const last = tones.at(-1);
    if (after && last) {
      last.coats = coatsOf(after[1]!);
      continue;
    }
    const before = BEFORE.exec(word);
    if (before) {
      coats = coatsOf(before[1]!);
      continue;
    }
    const stuck = codeOf(word) === undefined ? STUCK.exec(word) : null;
    const code = codeOf(stuck?.[1] ?? word);
    if (code !== undefined) tones.push({ code, coats: stuck ? coatsOf(stuck[2]!) : (coats ?? 1) });
    else if (LIKE_CODE.test(stuck?.[1] ?? word)) unknown.push(stuck?.[1] ?? word);
    else others++;
    coats = undefined;
  }
  // A sentence in which a code is named ("next time plum3 under it") is a note.
  return tones.length + unknown.length > 0 && others === 0 ? { tones, unknown } : undefined;
}

/**
 * Reads what somebody writes down of work away from the screen: "skin: rust2c, rust3m ×2, rust4m; too red; next time plum under it". What stands
 * before the first colon is the subject, parts between semicolons that name nothing but codes are tones, the rest is the note. Linear in the line.
 * @param codes codes on the rack; letters count alike in upper and lower case
 */
export function readEntry(line: string, codes: readonly string[]): Entry {
  const known = new Map(codes.map((c) => [c.toLowerCase(), c]));
  const codeOf = (word: string) => known.get(word.toLowerCase());
  const colon = /^([^:;]{1,80}):/.exec(line);
  const rest = colon ? line.slice(colon[0].length) : line;
  const tones: { code: string; coats: number }[] = [];
  const unknown: string[] = [];
  const notes: string[] = [];
  for (const part of rest.split(/[;\n]/)) {
    const said = tonesIn(part, codeOf);
    if (said) {
      tones.push(...said.tones);
      unknown.push(...said.unknown);
    } else if (part.trim()) notes.push(part.trim());
  }
  return {
    subject: colon?.[1]!.trim() ?? "",
    tones: tones.slice(0, MOST_ENTERED),
    note: notes.join("; "),
    unknown: [...new Set(unknown)],
  };
}
