import { Key } from "@/border/code-key";
import { Rule } from "@/border/fields";
import { parseCode as parse, type CodeKey, type ParsedCode, type UnreadCode } from "@/core/codes/key";
import type { Work } from "@/core/progress";
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

/** Codes as their key reads them. */
export const parseCode = operation(ParseCodeQuestion, function* ({ key, codes }): Work<{
  codes: (ParsedCode | UnreadCode)[];
}> {
  const out: (ParsedCode | UnreadCode)[] = [];
  for (const code of codes) {
    out.push(parse(key, code));
    if (out.length % 50 === 0) yield out.length / codes.length;
  }
  return { codes: out };
});
