import type { MarkerState } from "./kinds";

/** Ink of a full marker whose maker does not say, ml: a felt of about the size of a finger holds so much. */
export const USUAL_FULL = 2;

/** What a word for a marker's level says of its ink: share of a full one, and how far that may be off. Words are rough, and so is this. */
const LEVELS: Readonly<Record<MarkerState, { readonly share: number; readonly off: number }>> = {
  full: { share: 0.92, off: 0.08 },
  fine: { share: 0.55, off: 0.2 },
  low: { share: 0.15, off: 0.08 },
  dry: { share: 0.01, off: 0.01 },
};

/** Ink of a marker by the word for its level, ml. */
export const inkOfState = (state: MarkerState, full = USUAL_FULL): { left: number; spread: number } => ({
  left: LEVELS[state].share * full,
  spread: LEVELS[state].off * full,
});

/** The word that lies nearest to an amount of ink, ml. */
export const wordFor = (ml: number, full = USUAL_FULL): MarkerState =>
  (Object.keys(LEVELS) as MarkerState[]).reduce((best, word) =>
    Math.abs(LEVELS[word].share * full - ml) < Math.abs(LEVELS[best].share * full - ml) ? word : best,
  );
