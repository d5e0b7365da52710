import type { OpenDesk } from "./desk";

/** ΔE00 that a marker running low costs a plan. */
const LOW_COST = 1;
/** Cost of an ink that may not be planned with, in a group that has it all the same. */
const MOST_COST = 6;

/** Extra cost of each ink in ΔE00; Infinity for what is dry, and for what is not owned where only owned ones are wanted. */
export const costOf =
  ({ inks }: OpenDesk, ownedOnly = false) =>
  (ink: number): number => {
    const { state, cost = 0 } = inks[ink]!;
    if (state === "dry" || (ownedOnly && cost > 0)) return Infinity;
    return cost + (state === "low" ? LOW_COST : 0);
  };

/** {@link costOf} for a group that somebody chose: what may not be planned with is dear, not impossible. */
export const judgedCost = (open: OpenDesk) => (ink: number) => Math.min(costOf(open)(ink), MOST_COST);

export const isUnowned = ({ inks }: OpenDesk, ink: number): boolean => !!inks[ink]!.cost;

/** Whether an ink is owned and not dry: what advice may propose. */
export const isReady =
  ({ inks }: OpenDesk) =>
  (ink: number): boolean =>
    inks[ink]!.state !== "dry" && !inks[ink]!.cost;
