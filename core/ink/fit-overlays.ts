import { leastOf } from "@/core/algebra/least";
import { deltaE00 } from "@/core/colour/delta-e00";
import type { Lab } from "@/core/colour/lab";
import type { Desk, Stack } from "./desk";
import { DEFAULT_LIFTING, refit, type PaperFit } from "./paper";
import { stackLab } from "./stack";

/** A stack of several inks as it was read. */
export interface OverlayReading {
  readonly stack: Stack;
  readonly lab: Lab;
}

/** What only overlays tell of a paper. */
export type ToldByOverlays = Pick<PaperFit, "crowding" | "lifting">;

/** Overlays that are enough; more only take time. */
const ENOUGH = 80;
/** ΔE00 by which a sound overlay is expected to lie off the model, and beyond which a misread one has no more say. */
const [SPREAD, MISREAD] = [0.8, 6];
/** How far the two values are expected to lie from where coats of single inks put them. */
const [CROWDING_SPREAD, LIFTING_SPREAD] = [0.05, 0.04];
const CROWDING_RANGE = [0.6, 1] as const;
const LIFTING_RANGE = [0, 0.15] as const;
const ROUNDS = 3;
const STEPS = 10;

/**
 * The desk with the two values of its paper that only overlays tell: how far ink crowds where another lies already, and what a pass on dry
 * ink loosens (λ). Coats of one ink cannot tell them, and come out the same whatever they are. Least squares in ΔE00, held near what is
 * expected as long as there are few overlays.
 * @param known the two values where these very overlays were fitted before
 */
export function fitToOverlays(desk: Desk, read: readonly OverlayReading[], known?: ToldByOverlays): Desk {
  const overlays = read.filter(({ stack }) => new Set(stack).size > 1).slice(0, ENOUGH);
  if (!overlays.length) return desk;
  const { fit } = desk.paper;
  const seen = overlays.map(({ stack, lab }) => ({ lab, inks: stack.map((i) => desk.inks[i]!.spectrum) }));
  const paperOf = (crowding: number, lifting: number) => refit(desk.paper, { ...fit, crowding, lifting });
  const cost = (crowding: number, lifting: number): number => {
    const paper = paperOf(crowding, lifting);
    const prior =
      ((crowding - fit.crowding) / CROWDING_SPREAD) ** 2 +
      ((lifting - DEFAULT_LIFTING.dry) / LIFTING_SPREAD) ** 2;
    return seen.reduce((sum, { inks, lab }) => {
      const off = Math.min(MISREAD, deltaE00(stackLab(paper, inks), lab));
      return sum + (off / SPREAD) ** 2;
    }, prior);
  };
  if (known) return { ...desk, paper: paperOf(known.crowding, known.lifting) };
  let { crowding, lifting } = fit;
  for (let round = 0; round < ROUNDS; round++) {
    crowding = leastOf((c) => cost(c, lifting), CROWDING_RANGE, STEPS);
    lifting = leastOf((l) => cost(crowding, l), LIFTING_RANGE, STEPS);
  }
  return { ...desk, paper: paperOf(crowding, lifting) };
}
