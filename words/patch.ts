import { closeness } from "@/core/colour/delta-e00";

/** What to think of a patch's spread (ΔE00). */
export function spreadInWords(spread: number): string {
  const word = closeness(spread);
  if (word === "same" || word === "very close") return "even";
  return word === "close" ? "a little mixed" : "mixed: pick a smaller patch";
}
