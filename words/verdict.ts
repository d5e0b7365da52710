import type { Verdict } from "@/core/stock/verdicts";

/** What the one who tried something says of it. */
export const verdictInWords = (verdict: Verdict): string => (verdict === "open" ? "not judged yet" : verdict);
