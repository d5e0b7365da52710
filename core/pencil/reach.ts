import type { Illuminant } from "@/core/colour/observer";
import type { Work } from "@/core/progress";
import { planStep, REACHED, type PencilPlan, type PencilStep, type Surface } from "./plan";
import type { ToothFit } from "./tooth";

/** What else could lie beneath a value, and how near the pencils of the plan come to it there. */
export interface Reach {
  readonly under: Surface;
  readonly deltaE00: number;
}

/** ΔE00 by which another ground must bring a value nearer to be worth saying, where it does not reach it. */
const NEARER = 2;

/**
 * The ground over which the pencils of a plan come nearest to a value that they miss; undefined where none reaches it, or brings it much nearer.
 * Yields progress 0–1.
 * @param grounds what could lie beneath instead
 */
export function* reachOf(
  missed: PencilStep,
  grounds: readonly Surface[],
  { trio, darks, white }: Pick<PencilPlan, "trio" | "darks" | "white">,
  fit: ToothFit,
  illuminant?: Illuminant,
): Work<Reach | undefined> {
  let best: Reach | undefined;
  for (const [n, under] of grounds.entries()) {
    const { deltaE00 } = planStep(missed.wanted, under, trio, { darks, white }, fit, illuminant);
    if (deltaE00 < (best?.deltaE00 ?? Infinity)) best = { under, deltaE00 };
    yield (n + 1) / grounds.length;
  }
  return best && (best.deltaE00 <= REACHED || best.deltaE00 <= missed.deltaE00 - NEARER) ? best : undefined;
}
