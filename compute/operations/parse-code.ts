import { Key } from "@/border/code-key";
import { Rule } from "@/border/fields";
import {
  isRead,
  parseCode as parse,
  type CodeKey,
  type ParsedCode,
  type TakenPart,
  type UnreadCode,
} from "@/core/codes/key";
import type { Work } from "@/core/progress";
import { expectedInWords, partInWords } from "@/words/codes";
import { operation } from "../operation";

const [MOST_CODES, LONGEST] = [6000, 60];

export class ParseCodeQuestion {
  @Key() key!: CodeKey;
  @Rule(
    `expected a list of at most ${MOST_CODES} texts of at most ${LONGEST} characters`,
    (v) =>
      Array.isArray(v) &&
      v.length <= MOST_CODES &&
      v.every((c) => typeof c === "string" && c.length <= LONGEST),
  )
  codes!: string[];
}

/** A code as its key reads it, or what was expected where it does not. */
type CodeInWords =
  | (Omit<ParsedCode, "read"> & { readonly read: readonly (TakenPart & { readonly says: string })[] })
  | (UnreadCode & { readonly expected: string });

/** Codes as their key reads them. */
export const parseCode = operation(ParseCodeQuestion, function* ({ key, codes }): Work<{
  codes: CodeInWords[];
}> {
  const out: CodeInWords[] = [];
  for (const code of codes) {
    const parsed = parse(key, code);
    out.push(
      isRead(parsed)
        ? { ...parsed, read: parsed.read.map((t) => ({ ...t, says: partInWords(t) })) }
        : { ...parsed, expected: expectedInWords(key, parsed) },
    );
    if (out.length % 50 === 0) yield out.length / codes.length;
  }
  return { codes: out };
});
