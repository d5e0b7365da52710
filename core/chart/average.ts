import { median } from "@/core/algebra/median";
import { deltaE00 } from "@/core/colour/delta-e00";
import { meanLab } from "@/core/colour/mean-lab";
import type { Lab } from "@/core/colour/lab";

/** Several readings of one thing as one. */
export interface Averaged {
  readonly lab: Lab;
  /** Mean ΔE00 of the readings that count from their mean. */
  readonly spread: number;
  readonly used: number;
  /** Places in the list of those that were left out. */
  readonly rejected: readonly number[];
}

/** ΔE00 from the middle within which a reading always counts, and beyond which multiple of the others' middle distance it does not. */
const ALWAYS = 0.6;
const OUTLYING = 3.5;

/**
 * Mean of repeated readings without the misreads: those far from the middle of all, judged by the middle distance (P. J. Huber, Robust
 * Statistics, 1981). Two that disagree are both kept, and their spread tells it.
 * @throws RangeError without a reading
 */
export function averageReadings(labs: readonly Lab[]): Averaged {
  if (!labs.length) throw new RangeError("there is no reading to average");
  const middle = [0, 1, 2].map((c) => median(labs.map((l) => l[c]!))) as unknown as Lab;
  const off = labs.map((l) => deltaE00(l, middle));
  const limit = Math.max(ALWAYS, OUTLYING * median(off));
  const kept = labs.filter((_, i) => labs.length < 3 || off[i]! <= limit);
  const lab = meanLab(kept);
  return {
    lab,
    spread: kept.reduce((sum, l) => sum + deltaE00(l, lab), 0) / kept.length,
    used: kept.length,
    rejected: labs.length < 3 ? [] : off.flatMap((d, i) => (d > limit ? [i] : [])),
  };
}
