import type { ColourInput } from "@/border/colour";

export interface ListedColour {
  readonly code: string;
  readonly colour: ColourInput;
}

/** Lines that are read; a rack holds no more. */
const MOST_LINES = 6000;

/**
 * Colours of a list, a code and its colour a line, with whatever stands between.
 * @param known codes of the rack
 * @param colourOf reads one colour; undefined when it is none
 */
export function readColourList(
  text: string,
  known: ReadonlySet<string>,
  colourOf: (text: string) => ColourInput | undefined,
): { readonly found: ListedColour[]; readonly unknown: { readonly line: number; readonly why: string }[] } {
  const byCode = new Map<string, ColourInput>();
  const unknown: { line: number; why: string }[] = [];
  const small = new Map([...known].map((c) => [c.toLowerCase(), c]));
  text
    .split(/\r\n|\r|\n/)
    .slice(0, MOST_LINES)
    .forEach((raw, i) => {
      const line = raw.trim().slice(0, 200);
      if (!line) return;
      const [, said = "", rest = ""] = /^(\S+?)[\s,;:=\t]+(.+)$/.exec(line) ?? [];
      const code = small.get(said.toLowerCase());
      const colour = colourOf(rest);
      if (!code) unknown.push({ line: i + 1, why: said ? `“${said}” is not on the rack` : "no colour" });
      else if (!colour) unknown.push({ line: i + 1, why: `“${rest.slice(0, 20)}” is no colour` });
      else byCode.set(code, colour);
    });
  return { found: [...byCode].map(([code, colour]) => ({ code, colour })), unknown };
}
