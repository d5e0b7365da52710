import type { RunOut, ScaleEvent } from "@/core/stock/ink-ledger";
import type { Amount, MarkerInk } from "@/core/stock/ink-use";
import { counted } from "./numbers";

/** Less ink than anyone minds, ml. */
const LEAST = 0.01;

const ml = (v: number): string => (v < 0.095 ? `${Math.max(0, v).toFixed(2)} ml` : `${v.toFixed(1)} ml`);
const range = ({ low, high }: Amount): string =>
  ml(low) === ml(high) ? ml(low) : `${ml(low).replace(" ml", "")} to ${ml(high)}`;

/** What a piece takes of a marker; and, where it may not last, what is in it and what to do. */
export function inkInWords({ takes, left, driesAt }: MarkerInk, warns: boolean, refills: number): string {
  const taken = takes.ml < LEAST ? `takes less than ${LEAST} ml` : `takes about ${ml(takes.ml)}`;
  if (!warns) return taken;
  const runs = driesAt === null ? "may not last" : "will hardly last";
  const out = refills ? "refill it before you begin" : "have a refill or its nearest twin ready";
  return `${runs}: ${taken}, and ${range(left)} may be in it; ${out}`;
}

/** Ink that is in a marker, and how far that may be off. */
export const levelInWords = (left: Amount): string =>
  range(left) === ml(left.ml) ? ml(left.ml) : `about ${ml(left.ml)}, ${range(left)}`;

/** More pieces than anyone plans for. */
const MANY = 20;

/** How long it lasts. @param dayOf says a moment as a day */
export function runOutInWords({ likely, early, pieces }: RunOut, dayOf: (at: number) => string): string {
  if (likely === null && pieces === null) return "not used of late";
  const enough =
    pieces === null
      ? ""
      : pieces === 0
        ? "may not last for one more piece like the last"
        : pieces > MANY
          ? `enough for more than ${MANY} pieces like the last`
          : `enough for ${counted(pieces, "more piece", "more pieces")} like the last`;
  const when =
    likely === null
      ? ""
      : early !== null && dayOf(early) !== dayOf(likely)
        ? `empty about ${dayOf(likely)}, at the earliest ${dayOf(early)}`
        : `empty about ${dayOf(likely)}`;
  return [enough, when].filter(Boolean).join("; ");
}

/** What was found out of a marker's ink. */
export const scaleInWords = ({
  kind,
  amount,
  refill,
}: Pick<ScaleEvent, "kind" | "amount" | "refill">): string =>
  kind === "weighed"
    ? `weighed ${amount} g`
    : `${kind === "filled" ? `${ml(amount)} added` : `filled: holds ${ml(amount)}`}${refill ? ", from a refill in stock" : ""}`;
