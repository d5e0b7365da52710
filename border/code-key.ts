import { keyProblems, type CodeKey, type KeyPart } from "@/core/codes/key";
import { Rule } from "./fields";

const MEANINGS = ["family", "depth", "greyness", "serial"];
const [MOST_PARTS, MOST_WORDS, MOST_EXAMPLES, LONGEST] = [12, 400, 50, 60];
const isFields = (v: unknown): v is Record<string, unknown> =>
  typeof v === "object" && v !== null && !Array.isArray(v);
const isText = (v: unknown): v is string => typeof v === "string" && v.length <= LONGEST;
const isWord = (v: unknown) => isFields(v) && isText(v.written) && isText(v.name);

function isPart(v: unknown): v is KeyPart {
  if (!isFields(v)) return false;
  if (v.optional !== undefined && typeof v.optional !== "boolean") return false;
  if (v.kind === "separator") return isText(v.text);
  if (!MEANINGS.includes(v.means as string)) return false;
  if (v.kind === "digits")
    return v.means !== "family" && [v.least, v.most].every(Number.isInteger) && typeof v.rising === "boolean";
  return (
    v.kind === "words" && Array.isArray(v.words) && v.words.length <= MOST_WORDS && v.words.every(isWord)
  );
}

/** Whether something that came in is the shape of a code key; whether it makes sense is {@link keyProblems}' to say. */
export function isCodeKey(v: unknown): v is CodeKey {
  if (!isFields(v)) return false;
  const { parts, examples, ...rest } = v;
  return (
    !Object.keys(rest).length &&
    Array.isArray(parts) &&
    parts.length <= MOST_PARTS &&
    parts.every(isPart) &&
    Array.isArray(examples) &&
    examples.length <= MOST_EXAMPLES &&
    examples.every(isText)
  );
}

/** A code key without problems of its own. */
export const Key = (): PropertyDecorator =>
  Rule(
    'expected {"parts":[…],"examples":[…]} whose examples read by its parts',
    (v) => isCodeKey(v) && !keyProblems(v).length,
  );

/** A hue for families, in degrees. */
export const HueHomes = (): PropertyDecorator =>
  Rule(
    'expected {"family": degrees from 0 to 360}, for at most 400 families',
    (v) =>
      isFields(v) &&
      Object.keys(v).length <= MOST_WORDS &&
      Object.values(v).every((d) => typeof d === "number" && d >= 0 && d < 360),
  );
