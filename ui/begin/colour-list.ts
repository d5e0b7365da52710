import type { ColourInput } from "@/border/colour";

export interface ListedColours {
  readonly code: string;
  /** After one coat, two, three: as many as the line gives. */
  readonly coats: readonly ColourInput[];
}

/** Lines that are read; a rack holds no more. */
const MOST_LINES = 6000;
/** Most coats that a line gives, and numbers a colour as L* a* b*. */
const [MOST_COATS, NUMBERS] = [3, 3] as const;
const LONGEST = 300;

/** A cell of a spreadsheet without its quotes; numbers with a comma for their point, as many countries write them. */
const cellOf = (text: string): string => {
  const bare = text.trim().replace(/^"(.*)"$/, "$1");
  return /^[-−+]?\d+,\d+$/.test(bare) ? bare.replace(",", ".") : bare;
};

/** The parts of what stands after a code: cells where it was pasted from a spreadsheet, else whatever spaces, commas and semicolons part. */
const partsOf = (rest: string): string[] =>
  (rest.includes("\t") ? rest.split("\t").map(cellOf) : rest.split(/[\s,;]+/)).filter((p) => p !== "");

/** Colours of one to three coats; undefined where any part is none. */
function coatsOf(
  rest: string,
  colourOf: (text: string) => ColourInput | undefined,
): readonly ColourInput[] | undefined {
  const whole = colourOf(rest);
  if (whole) return [whole];
  const parts = partsOf(rest);
  const isNumber = (p: string) => p !== "" && Number.isFinite(Number(p.replace("−", "-")));
  const texts = parts.every(isNumber)
    ? parts.length % NUMBERS
      ? []
      : Array.from({ length: parts.length / NUMBERS }, (_, i) =>
          parts.slice(NUMBERS * i, NUMBERS * i + NUMBERS).join(" "),
        )
    : parts;
  const coats = texts.map(colourOf);
  return coats.length && coats.length <= MOST_COATS && coats.every((c) => c !== undefined)
    ? coats
    : undefined;
}

/**
 * Colours of a list: a line each with a code and its colour after one coat, after two and three where they are known, typed or pasted from a
 * spreadsheet. A first line without a colour is a heading.
 * @param known codes of the rack
 * @param colourOf reads one colour; undefined when it is none
 */
export function readColourList(
  text: string,
  known: ReadonlySet<string>,
  colourOf: (text: string) => ColourInput | undefined,
): {
  readonly found: ListedColours[];
  readonly unknown: { readonly line: number; readonly why: string }[];
} {
  const byCode = new Map<string, readonly ColourInput[]>();
  const unknown: { line: number; why: string }[] = [];
  const small = new Map([...known].map((c) => [c.toLowerCase(), c]));
  text
    .split(/\r\n|\r|\n/)
    .slice(0, MOST_LINES)
    .forEach((raw, i) => {
      const line = raw.trim().slice(0, LONGEST);
      if (!line) return;
      const [, first = "", rest = ""] = /^(\S+?)[\s,;:=]+(.+)$/.exec(line) ?? [];
      const said = cellOf(first);
      const code = small.get(said.toLowerCase());
      const coats = coatsOf(rest, colourOf);
      if (i === 0 && !code && !coats) return;
      if (!code) unknown.push({ line: i + 1, why: said ? `“${said}” is not on the rack` : "no colour" });
      else if (!coats)
        unknown.push({ line: i + 1, why: `“${rest.slice(0, 20)}” is no colour, or more than three` });
      else byCode.set(code, coats);
    });
  return { found: [...byCode].map(([code, coats]) => ({ code, coats })), unknown };
}
