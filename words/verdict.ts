import type { GroupLaid } from "@/core/log/group-laid";
import type { Verdict } from "@/core/stock/verdicts";

/** What the one who tried something says of it. */
export const verdictInWords = (verdict: Verdict): string => (verdict === "open" ? "not judged yet" : verdict);

const timesInWords = (n: number): string => (n === 1 ? "once" : n === 2 ? "twice" : `${n} times`);

/** How often a group was laid on a paper, and how often nothing of it was mended. */
export function laidInWords({ times, asPlanned }: GroupLaid, paper: string | undefined): string {
  const planned =
    asPlanned === times ? "as planned" : asPlanned ? `${asPlanned} as planned` : "mended each time";
  return `Laid ${timesInWords(times)} on ${paper ?? "a paper that is not told"}, ${planned}.`;
}
