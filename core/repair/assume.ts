import type { Symptom } from "./symptom";

/** What is planned for a place, and what is said to lie there: codes, one entry a coat, bottom to top. */
export interface PlannedPlace {
  readonly laid: readonly string[];
  readonly planned: readonly string[];
  /** What is planned for the lightest place of the area. */
  readonly light: readonly string[];
}

export interface Assumed {
  /** What most likely lies there, seen what one sees. */
  readonly stack: readonly string[];
  /** What should be seen there: codes, none for bare paper. */
  readonly wanted: readonly string[];
}

/**
 * What a symptom says of a place whose ink went on as it was noted: a coat more than noted where it is too strong, one fewer where it is weak, the
 * tone beside it where a highlight is lost, and bare paper wanted where ink ran over the line.
 */
export function assumed(symptom: Symptom, { laid, planned, light }: PlannedPlace): Assumed {
  const last = laid.slice(-1);
  switch (symptom) {
    case "too strong":
    case "too brown":
    case "muddy":
    case "blotchy":
    case "edge":
      return { stack: [...laid, ...last], wanted: planned };
    case "highlight lost":
      return { stack: laid, wanted: light };
    case "highlight too large":
      return { stack: light.slice(0, 1), wanted: planned };
    case "bled":
      return { stack: laid, wanted: [] };
    case "too flat":
    case "weak":
    case "streaks":
    case "dry marker":
      return { stack: laid.slice(0, -1), wanted: planned };
  }
}
