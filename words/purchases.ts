import type { Purchases } from "@/core/stock/purchases";
import type { WantedColour } from "@/core/stock/wanted-colours";
import { counted } from "./numbers";

export const moneyInWords = (amount: number): string =>
  amount.toLocaleString("en", { minimumFractionDigits: 2, maximumFractionDigits: 2 });

const percent = (share: number): string => `${Math.round(100 * share)} %`;

/** What a plan of purchases comes to, and how far it is known to be the best. */
export function purchasesInWords(
  { buy, before, after, atMost, exact, spent, proven }: Purchases,
  budget: number,
): string {
  const now = `${percent(before)} of the colours you picked lie within 3 ΔE00 of one ink that you own, in one to three coats.`;
  if (!buy.length)
    return `${now} ${
      after >= 1
        ? "Nothing is missing."
        : "Nothing on offer for this budget brings another one within reach; what is left takes a blend or a range that is not on the rack."
    }`;
  const then = `${counted(buy.length, "marker")} for ${moneyInWords(spent)} of ${moneyInWords(budget)} make it ${percent(after)}.`;
  const known = exact
    ? "No other choice for this budget meets more: all were looked at or ruled out."
    : `No choice for this budget can come to more than ${percent(atMost)}: this one gains at least ${percent(proven)} of what the best could.`;
  return `${now} ${then} ${known}`;
}

/** Places that are named at most. */
const MOST_NAMED = 3;

/** Where colours are wanted. */
export function placesInWords(wanted: readonly WantedColour[]): string {
  const places = [...new Set(wanted.flatMap((w) => w.places))];
  const named = places.slice(0, MOST_NAMED).join(", ");
  const more = places.length - MOST_NAMED;
  return more > 0 ? `${named} and ${counted(more, "other place")}` : named;
}
