/** Areas that are planned together at once. */
export const MOST_TOGETHER = 60;
/** Areas times inks that are planned at once: about a minute's work. */
export const MOST_WORK = 15_000;

/** How many areas a desk of so many inks can plan together. */
export const mostTogether = (inks: number): number =>
  Math.min(MOST_TOGETHER, Math.max(1, Math.floor(MOST_WORK / Math.max(1, inks))));
