/** What the one who tried a stack or a group says of it. */
export const VERDICTS = ["open", "works", "nearly", "does not work"] as const;
export type Verdict = (typeof VERDICTS)[number];

export const verdictInWords = (verdict: Verdict): string => (verdict === "open" ? "no verdict" : verdict);
