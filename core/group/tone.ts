import type { Lab } from "@/core/colour/lab";

/** What a tone does in a group. */
export const ROLES = ["highlight", "light mid", "mid", "dark mid", "shadow"] as const;
export type Role = (typeof ROLES)[number];

/** A tone: some coats of one ink alone on the paper. */
export interface Tone {
  /** Position of the ink on the desk. */
  readonly ink: number;
  readonly coats: number;
  readonly lab: Lab;
}

/** Roles of 2–7 places of a group, light to dark. */
export function rolesOf(tones: number): Role[] {
  const mids: Role[][] = [
    [],
    ["mid"],
    ["light mid", "dark mid"],
    ["light mid", "mid", "dark mid"],
    ["light mid", "mid", "mid", "dark mid"],
    ["light mid", "mid", "mid", "mid", "dark mid"],
  ];
  return ["highlight", ...mids[Math.min(5, Math.max(0, tones - 2))]!, "shadow"];
}

/** Fewest and most tones of a blend group. */
export const FEWEST_TONES = 2;
export const MOST_TONES = 6;
