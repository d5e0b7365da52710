import { closeness, deltaE00, type Closeness } from "@/core/colour/delta-e00";
import type { Lab } from "@/core/colour/lab";
import { seenLab, type Desk } from "@/core/ink/desk";

/** The nearest that other inks can do for one tone: some coats of one of them. */
export interface Substitute {
  readonly ink: number;
  readonly coats: number;
  readonly lab: Lab;
  readonly deltaE00: number;
  readonly closeness: Closeness;
}

/** Coats that a tone may have. */
const MOST_COATS = 3;

/**
 * The best substitutes for a colour among some inks of a desk, one entry an ink, nearest first. Of coats that come equally near (within 0.3
 * ΔE00) the fewer are taken.
 */
export function substitutesFor(desk: Desk, wanted: Lab, among: readonly number[], top = 3): Substitute[] {
  return among
    .map((ink): Substitute => {
      let best: { coats: number; lab: Lab; off: number } | undefined;
      for (let coats = 1; coats <= MOST_COATS; coats++) {
        const lab = seenLab(desk, Array<number>(coats).fill(ink));
        const off = deltaE00(lab, wanted);
        if (!best || off < best.off - 0.3) best = { coats, lab, off };
      }
      return {
        ink,
        coats: best!.coats,
        lab: best!.lab,
        deltaE00: best!.off,
        closeness: closeness(best!.off),
      };
    })
    .sort((a, b) => a.deltaE00 - b.deltaE00)
    .slice(0, top);
}
