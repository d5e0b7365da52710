import { keyProblems, type CodeKey, type KeyPart } from "@/core/codes/key";
import { check } from "./colour";

const MEANINGS = ["family", "depth", "greyness", "serial"];
const [MOST_PARTS, MOST_WORDS, MOST_EXAMPLES, LONGEST] = [12, 400, 50, 60];
const isText = (v: unknown): v is string => typeof v === "string" && v.length <= LONGEST;

function isPart(v: unknown): v is KeyPart {
  if (typeof v !== "object" || v === null) return false;
  const p = v as Record<string, unknown>;
  if (p.optional !== undefined && typeof p.optional !== "boolean") return false;
  if (p.kind === "separator") return isText(p.text);
  if (!MEANINGS.includes(p.means as string)) return false;
  if (p.kind === "digits")
    return (
      p.means !== "family" &&
      [p.least, p.most].every((n) => Number.isInteger(n)) &&
      typeof p.rising === "boolean"
    );
  return (
    p.kind === "words" &&
    Array.isArray(p.words) &&
    p.words.length <= MOST_WORDS &&
    p.words.every(
      (w: unknown) =>
        typeof w === "object" &&
        w !== null &&
        isText((w as { written: unknown }).written) &&
        isText((w as { name: unknown }).name),
    )
  );
}

/** Whether something that came in is the shape of a code key; whether it makes sense is {@link keyProblems}' to say. */
export function isCodeKey(v: unknown): v is CodeKey {
  if (typeof v !== "object" || v === null) return false;
  const { parts, examples, ...rest } = v as Record<string, unknown>;
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

/** The field is a code key without problems of its own. */
export const IsCodeKey = check(
  "isCodeKey",
  'expected {"parts":[…],"examples":[…]} whose examples read by its parts',
  (v) => isCodeKey(v) && !keyProblems(v).length,
);

/** The field gives families a hue each, in degrees. */
export const AreHueHomes = check(
  "areHueHomes",
  'expected {"family": degrees from 0 to 360}',
  (v) =>
    typeof v === "object" &&
    v !== null &&
    !Array.isArray(v) &&
    Object.values(v).every((d) => typeof d === "number" && d >= 0 && d < 360),
);
