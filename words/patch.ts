import { closeness } from "@/core/colour/delta-e00";
import { counted } from "./numbers";

/** What to think of a patch's spread (ΔE00). */
export function spreadInWords(spread: number): string {
  const word = closeness(spread);
  if (word === "same" || word === "very close") return "even";
  return isMixed(spread) ? "mixed: pick a smaller patch" : "a little mixed";
}

/** Names told one by one; of more only how many there are. */
const MOST_NAMED = 5;
const namesOf = (names: readonly string[]): string =>
  names.length > MOST_NAMED ? counted(names.length, "area") : names.join(", ");

/**
 * What reading colours out of the reference came to.
 * @param read names of areas of which a colour was read
 * @param uneven those of them without an even patch
 * @param unseen names of areas of which the reference shows nothing
 */
export function readInWords(
  read: readonly string[],
  uneven: readonly string[],
  unseen: readonly string[],
): string {
  const without = uneven.length
    ? `, ${namesOf(uneven)} without an even patch: look at ${uneven.length === 1 ? "it" : "them"} in Colour`
    : "";
  const nothing = unseen.length ? ` The reference shows nothing of ${namesOf(unseen)}.` : "";
  return `${counted(read.length, "area")} read${without}.${nothing}`;
}

/** Whether a patch of this spread (ΔE00) is too mixed to be one colour. */
export const isMixed = (spread: number): boolean =>
  !["same", "very close", "close"].includes(closeness(spread));

/** How evenly a cell of a chart was laid, by its spread (ΔE00) and streaks (L*). */
export const evennessInWords = (spread: number, streakiness: number): string =>
  streakiness > 2 ? "streaky" : spread > 4 ? "patchy" : spread > 1.6 ? "a little uneven" : "even";

/** How far a reading is to be relied on, 0–1. */
export const trustInWords = (confidence: number): string =>
  confidence > 0.7 ? "reliable" : confidence > 0.3 ? "only partly reliable" : "hardly reliable";
