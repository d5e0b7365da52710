import { KINDS, type Kind } from "./kinds";

/** Columns that a rack file may have. */
export const RACK_COLUMNS = [
  "code",
  "name",
  "family",
  "kind",
  "owned",
  "state",
  "refills",
  "nib",
  "price",
  "place",
  "notes",
  "colour",
] as const;
export type RackColumn = (typeof RACK_COLUMNS)[number];

/** Which column of the file gives what: place of the column, from 0. */
export type Mapping = { readonly [C in RackColumn]?: number };

const SPELLINGS: Record<RackColumn, readonly string[]> = {
  code: ["code", "marker", "number", "no", "nr", "id", "ref"],
  name: ["name", "colour name", "color name", "title", "description"],
  family: ["family", "group", "hue", "colour family", "color family"],
  kind: ["kind", "type", "medium"],
  owned: ["owned", "own", "have", "status", "wished"],
  state: ["state", "level", "ink left", "fill"],
  refills: ["refills", "refill", "bottles"],
  nib: ["nib", "nibs", "tip"],
  price: ["price", "cost"],
  place: ["place", "where", "location", "kept", "box", "drawer"],
  notes: ["notes", "note", "remarks", "comment", "comments"],
  colour: ["colour", "color", "hex", "rgb", "srgb", "swatch"],
};

const plain = (text: string) =>
  text
    .toLowerCase()
    .replace(/[^a-z]+/g, " ")
    .trim();

const HEX = /^#?[0-9a-f]{6}$/i;
const YES_OR_NO = /^(yes|no|y|n|true|false|x|0|1|own|owned|wished|wish|✓|ja|nein|oui|non)$/i;
const CODE = /^[\p{L}\d][\p{L}\d._/ -]{0,23}$/u;
/** Share of what is written in a column by which it is recognised. */
const MOSTLY = 0.9;

/** What a column without a known name holds, by what is in it. */
function holds(values: readonly string[], is: (v: string) => boolean): boolean {
  const written = values.map((v) => v.trim()).filter(Boolean);
  return written.length > 0 && written.filter(is).length >= MOSTLY * written.length;
}

/** Guesses what columns mean from their headings, and where those say nothing from what is in them; each meaning at most once. */
export function guessMapping(
  headings: readonly string[],
  rows: readonly (readonly string[])[] = [],
): Mapping {
  const out: { [C in RackColumn]?: number } = {};
  const taken = new Set<number>();
  for (const exact of [true, false])
    for (const column of RACK_COLUMNS) {
      if (out[column] !== undefined) continue;
      const at = headings.findIndex(
        (h, i) =>
          !taken.has(i) &&
          SPELLINGS[column].some((s) =>
            exact ? plain(h) === s : s.length > 2 && plain(h).split(" ").includes(s),
          ),
      );
      if (at < 0) continue;
      out[column] = at;
      taken.add(at);
    }
  const byContent = (column: RackColumn, fits: (values: readonly string[]) => boolean) => {
    if (out[column] !== undefined || !rows.length) return;
    const at = headings.findIndex((_, i) => !taken.has(i) && fits(rows.map((r) => r[i] ?? "")));
    if (at < 0) return;
    out[column] = at;
    taken.add(at);
  };
  byContent("colour", (values) => holds(values, (v) => HEX.test(v)));
  // Letters and digits first; running numbers are codes only where nothing else is.
  for (const letters of [true, false])
    byContent(
      "code",
      (values) =>
        new Set(values).size === values.length &&
        values.every((v) => v.trim()) &&
        holds(values, (v) => CODE.test(v) && /\d/.test(v) && (!letters || /\p{L}/u.test(v))),
    );
  byContent("owned", (values) => holds(values, (v) => YES_OR_NO.test(v)));
  return out;
}

/** A row as it goes to the rack. What the file does not say is not there, and stays as it is. */
export interface RackFileRow {
  readonly code: string;
  readonly family?: string;
  readonly kind?: Kind;
  readonly name?: string;
  readonly owned?: boolean;
  readonly wished?: boolean;
  readonly state?: "full" | "fine" | "low" | "dry";
  readonly refills?: number;
  readonly nib?: string;
  readonly price?: string;
  readonly place?: string;
  readonly notes?: string;
  /** Colour of one coat, "#rrggbb". */
  readonly colour?: string;
}

/** A row that cannot be taken: its line in the file (from 1) and why. */
export interface BadRow {
  readonly line: number;
  readonly values: readonly string[];
  readonly reason: string;
}

const YES = new Set(["yes", "y", "true", "1", "x", "owned", "own", "have"]);
const NO = new Set(["no", "n", "false", "0", "not owned", "missing"]);
const WISHED = new Set(["wished", "wish", "wanted", "wishlist", "want"]);
const STATES = new Map<string, RackFileRow["state"]>([
  ["full", "full"],
  ["new", "full"],
  ["fine", "fine"],
  ["ok", "fine"],
  ["good", "fine"],
  ["half", "fine"],
  ["low", "low"],
  ["dry", "dry"],
  ["empty", "dry"],
]);
const LONGEST = { code: 40, name: 120, family: 60, nib: 60, price: 30, place: 120, notes: 2000 } as const;
const MOST_REFILLS = 999;

class Refused extends Error {}

function check<T>(value: T | undefined, otherwise: string): T {
  if (value === undefined) throw new Refused(otherwise);
  return value;
}

/** Rows between two reports of progress. */
const REPORTED = 5000;

/**
 * Reads rows by a mapping. Good rows are kept whatever the others are; of a code that comes twice the later row is bad.
 * @param first line of the file in which the first row stands
 * @param onProgress told the share that is read, 0–1
 */
export function readRows(
  rows: readonly (readonly string[])[],
  mapping: Mapping,
  first = 2,
  onProgress: (share: number) => void = () => undefined,
): { readonly good: RackFileRow[]; readonly bad: BadRow[] } {
  const good: RackFileRow[] = [];
  const bad: BadRow[] = [];
  const seen = new Map<string, number>();
  rows.forEach((values, i) => {
    const line = first + i;
    if (i % REPORTED === REPORTED - 1) onProgress(i / rows.length);
    if (values.every((v) => !v.trim())) return;
    try {
      const row = readRow(values, mapping);
      const before = seen.get(row.code);
      if (before !== undefined) throw new Refused(`the code "${row.code}" stands in line ${before} already`);
      seen.set(row.code, line);
      good.push(row);
    } catch (e) {
      if (!(e instanceof Refused)) throw e;
      bad.push({ line, values, reason: e.message });
    }
  });
  return { good, bad };
}

function readRow(values: readonly string[], mapping: Mapping): RackFileRow {
  const text = (column: RackColumn) =>
    mapping[column] === undefined ? "" : (values[mapping[column]!] ?? "").trim();
  const limited = (column: keyof typeof LONGEST): string => {
    const v = text(column);
    if (v.length > LONGEST[column])
      throw new Refused(`${column} has ${v.length} characters; at most ${LONGEST[column]} can be taken`);
    return v;
  };
  const code = limited("code");
  if (!code) throw new Refused("the code is missing");
  if (/\s\+\s|\n/.test(code))
    throw new Refused(`the code "${code}" has " + " in it, which parts the layers of a stack`);
  const [owned, state, refills, kind, colour] = [
    text("owned").toLowerCase(),
    text("state").toLowerCase(),
    text("refills"),
    text("kind").toLowerCase(),
    text("colour").toLowerCase(),
  ];
  return {
    code,
    ...(limited("family") && { family: text("family").toLowerCase() }),
    ...(kind && {
      kind: check(
        KINDS.find((k) => k === kind.replace(/s$/, "") || k === kind),
        `kind "${kind}" is none of ${KINDS.join(", ")}`,
      ),
    }),
    ...(limited("name") && { name: text("name") }),
    ...(owned &&
      check(
        YES.has(owned)
          ? { owned: true, wished: false }
          : WISHED.has(owned)
            ? { owned: false, wished: true }
            : NO.has(owned)
              ? { owned: false, wished: false }
              : undefined,
        `owned "${owned}" is none of yes, no, wished`,
      )),
    ...(state && { state: check(STATES.get(state), `state "${state}" is none of full, fine, low, dry`) }),
    ...(refills && {
      refills: check(
        /^\d+$/.test(refills) && Number(refills) <= MOST_REFILLS ? Number(refills) : undefined,
        `refills "${refills}" is not a whole number from 0 to ${MOST_REFILLS}`,
      ),
    }),
    ...(limited("nib") && { nib: text("nib") }),
    ...(limited("price") && { price: text("price") }),
    ...(limited("place") && { place: text("place") }),
    ...(limited("notes") && { notes: text("notes") }),
    ...(colour && {
      colour: check(
        /^#?[0-9a-f]{6}$/.test(colour) ? `#${colour.replace("#", "")}` : undefined,
        `colour "${colour}" is not like #c8a27a`,
      ),
    }),
  };
}
