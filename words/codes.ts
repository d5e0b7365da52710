import type { Finding } from "@/core/codes/audit";
import type { CodeKey, KeyPart, KeyProblem, TakenPart, UnreadCode } from "@/core/codes/key";

const listed = (words: readonly string[]) =>
  words.length > 8 ? `${words.slice(0, 7).join(", ")} or one of ${words.length - 7} more` : words.join(", ");

/** What a part of a code expects. */
export function expectedBy(part: KeyPart): string {
  if (part.kind === "separator") return `"${part.text}"`;
  if (part.kind === "digits")
    return `${part.means} in ${part.least === part.most ? part.least : `${part.least} to ${part.most}`} digit${part.most === 1 ? "" : "s"}`;
  return `${part.means}: ${listed(part.words.map((w) => w.written))}`;
}

/** What a part says in a code that reads; nothing of a separator. */
export const partInWords = ({ means, value }: TakenPart): string => (means ? `${means} ${value}` : "");

/** Why a code does not read by a key. */
export function expectedInWords({ parts }: CodeKey, { code, readUpTo, part }: UnreadCode): string {
  const failed = parts[part];
  return failed
    ? `expected ${expectedBy(failed)}`
    : `expected the code to end after "${code.slice(0, readUpTo)}"`;
}

/** The same with the part of the code that did read. */
const unreadInWords = (key: CodeKey, unread: UnreadCode): string =>
  `${expectedInWords(key, unread)}${unread.readUpTo ? ` after "${unread.code.slice(0, unread.readUpTo)}"` : ""}`;

/** What keeps a key from being used. */
export function keyProblemInWords(key: CodeKey, problem: KeyProblem): string {
  if (problem.kind === "says nothing")
    return "The key has no part yet that says anything. Add the family or the depth first.";
  if (problem.kind === "said twice") return `Two parts say the ${problem.means}; one is enough.`;
  if (problem.kind === "example")
    return `The example "${problem.unread.code}" does not read: ${unreadInWords(key, problem.unread)}.`;
  const part = key.parts[problem.part]!;
  const place = `Part ${problem.part + 1}`;
  const means = part.kind === "separator" ? "separator" : part.means;
  switch (problem.kind) {
    case "empty separator":
      return `${place}, a separator, is empty.`;
    case "digits":
      return part.kind === "digits"
        ? `${place} wants ${part.least} to ${part.most} digits; it can be 1 to 6, fewest first.`
        : "";
    case "no words":
      return `${place}, the ${means}, has no words yet.`;
    case "empty word":
      return `${place}, the ${means}, has an empty word.`;
    case "word twice":
      return `${place}, the ${means}, has "${problem.word}" twice.`;
  }
}

/** What a code promises and its swatch does not show. */
export function findingInWords(key: CodeKey, { kind, codes, figure, unread, home }: Finding): string {
  const [one, other] = codes;
  const by = figure.toFixed(1);
  switch (kind) {
    case "does not read":
      return unread ? unreadInWords(key, unread) : "";
    case "deeper code, lighter swatch":
      return `${other} should be deeper than ${one} and is ${by} lighter`;
    case "neighbours are twins":
      return `${one} and ${other} are ${by} ΔE00 apart: one is enough on this paper`;
    case "greyer code, purer swatch":
      return `${other} should be greyer than ${one} and is ${by} stronger in colour`;
    case "hue far from its family":
      return home
        ? `hue ${home.hue.toFixed(0)}°, ${figure.toFixed(0)}° from the ${home.family} home at ${home.at.toFixed(0)}°`
        : "";
  }
}
