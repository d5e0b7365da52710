/** A thing beside the markers as somebody typed it: its name or code, and its colour where one was given. */
export interface TypedThing {
  readonly code: string;
  /** #rrggbb. */
  readonly colour?: string;
}

export interface TypedThings {
  /** Each code once, as it was typed first. */
  readonly things: readonly TypedThing[];
  readonly problems: readonly { readonly line: number; readonly text: string }[];
  /** Whether there were more than are taken. */
  readonly isCut: boolean;
}

const HEX = /[\s,;:]+#([0-9a-f]{6}|[0-9a-f]{3})$/i;

/**
 * Reads pencils, pens and paints as people write them down: one a line, each by its name or code, with a colour behind it where one is known
 * ("chalk #f4f0e0"). Linear in the text.
 * @param most things that are taken
 * @param longest characters of a code
 */
export function readTypedThings(text: string, most: number, longest: number): TypedThings {
  const things = new Map<string, TypedThing>();
  const problems: { line: number; text: string }[] = [];
  let isCut = false;
  for (const [i, raw] of text.split("\n").entries()) {
    const line = raw.trim().replace(/\s+/g, " ");
    if (!line) continue;
    const [, hex] = HEX.exec(line) ?? [];
    const code = (hex === undefined ? line : line.replace(HEX, "")).replace(/[,;:]+$/, "").trim();
    if (!code || code.length > longest) {
      problems.push({ line: i + 1, text: line.slice(0, longest) });
      continue;
    }
    if (things.has(code)) continue;
    if (things.size >= most) {
      isCut = true;
      break;
    }
    const full = hex?.length === 3 ? [...hex].map((c) => c + c).join("") : hex;
    things.set(code, full === undefined ? { code } : { code, colour: `#${full.toLowerCase()}` });
  }
  return { things: [...things.values()], problems, isCut };
}
