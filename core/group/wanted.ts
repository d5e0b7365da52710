import { deltaE00 } from "@/core/colour/delta-e00";
import type { Lab } from "@/core/colour/lab";
import { mixLab } from "@/core/colour/mean-lab";
import type { GroupGoal } from "./goal";

/** Steepness of a fade, t per mm, at which an area's colours are told apart where nobody knows its own: some 33 mm from light to dark. */
export const USUAL_STEEPNESS = 0.03;

/** A colour that is wanted at a place of an area, light end first. */
export interface Wanted {
  readonly t: number;
  readonly lab: Lab;
}

/** What is wanted at a place t of an area: straight between the places that are told, and beyond them as there. */
export function wantedAt(wanted: readonly Wanted[], t: number): Lab {
  const next = wanted.findIndex((w) => w.t >= t);
  if (next <= 0) return (next < 0 ? wanted.at(-1)! : wanted[0]!).lab;
  const [a, b] = [wanted[next - 1]!, wanted[next]!];
  return mixLab(a.lab, b.lab, b.t > a.t ? (t - a.t) / (b.t - a.t) : 1);
}

/** Goals of a group at the places by which it is judged: its light end, the middle of each tone, its shadow end. */
export const wantedOf = (goal: GroupGoal, places: readonly { readonly t: number }[]): Wanted[] =>
  places.map(({ t }, n) => ({
    t,
    lab: n === 0 ? goal.light : n === places.length - 1 ? goal.shadow : goal.places[n - 1]!,
  }));

/**
 * Mean ΔE00 over an area of what lies there against what is wanted.
 * @param at what lies at a place t of it
 * @param weights of places of the area, by their place; they need not sum to 1
 */
export function missed(
  at: (t: number) => Lab,
  wanted: readonly Wanted[],
  weights: Iterable<readonly [t: number, weight: number]>,
): number {
  let [sum, n] = [0, 0];
  for (const [t, weight] of weights) {
    if (!weight) continue;
    sum += weight * deltaE00(at(t), wantedAt(wanted, t));
    n += weight;
  }
  return n ? sum / n : 0;
}
