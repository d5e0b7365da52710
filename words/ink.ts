import type { Amount, MarkerInk } from "@/core/stock/ink-use";

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
