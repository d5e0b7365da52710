/** What one sees of a place that came out otherwise. */
export const SYMPTOMS = [
  "edge",
  "blotchy",
  "too strong",
  "too brown",
  "muddy",
  "highlight too large",
  "highlight lost",
  "bled",
  "too flat",
  "weak",
  "streaks",
  "dry marker",
] as const;
export type Symptom = (typeof SYMPTOMS)[number];
