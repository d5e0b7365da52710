import { closeness, type Closeness } from "@/core/colour/delta-e00";

const WORDS: Readonly<Record<Closeness, string>> = {
  same: "the same to the eye",
  "very close": "very close",
  close: "close",
  visible: "a visible difference",
  different: "a different colour",
};

/** A ΔE00 as people say it; the figure comes second. */
export const differenceWords = (deltaE00: number): string => WORDS[closeness(deltaE00)];
