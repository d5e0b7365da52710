/** What the one who tried a stack or a group says of it. */
export const VERDICTS = ["open", "works", "nearly", "does not work"] as const;
export type Verdict = (typeof VERDICTS)[number];
