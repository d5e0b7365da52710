import { mostCoats } from "@/core/ink/span";
import type { Lab } from "@/core/colour/lab";
import { groupGoal, type GoalWish, type GroupGoal, type GroupTarget } from "./goal";
import { layingPasses } from "./lay";
import type { School } from "./school";
import { layingOf, type SearchShape } from "./shape";
import { FEWEST_TONES } from "./tone";

/** How a group may make its shadow end: the darkest tone does, or an ink beneath or over it; or whichever is best. */
export const SHADOW_WAYS = ["deeper", "underlay", "overlay", "best"] as const;
export type ShadowWay = (typeof SHADOW_WAYS)[number];

/** What a group is wanted to be, before any ink is looked at. */
export interface ShapeWish {
  readonly target: GroupTarget;
  readonly wish: GoalWish;
  readonly paper: Lab;
  readonly tones: number | "auto";
  /** Most tones that are found where the number is left open. */
  readonly mostTones: number;
  readonly school: School;
  readonly shadow: ShadowWay;
  readonly capacity: number;
}

/** A way to lay a group, and what is wanted of each of its places. */
export interface Shape {
  readonly shape: SearchShape;
  readonly goal: GroupGoal;
  /** How far what is wanted is from what lies comfortably, L*. */
  readonly off: number;
}

const WAYS: Readonly<Record<ShadowWay, readonly SearchShape["shadow"][]>> = {
  deeper: ["tone"],
  underlay: ["under"],
  overlay: ["over"],
  best: ["tone", "under", "over"],
};

/** Steps that a goal asks for should lie within these, L*; beyond, another tone had better carry the local colour. */
const COMFORT = { least: 5, most: 17 } as const;
/** Tones of a group of which nobody says how many. */
export const USUAL_TONES = 4;
/** Places that are tried for the local colour. */
const LOCALS = 2;

/** How far the steps that a goal asks for are from comfortable ones, and its ends from what is wanted there (L*). */
function strain({ places, localAt, light, local, shadow }: GroupGoal): number {
  const missed =
    (localAt === 0 ? light[0] - local[0] : 0) + (localAt === places.length - 1 ? local[0] - shadow[0] : 0);
  return places.slice(1).reduce((sum, lab, i) => {
    const step = places[i]![0] - lab[0];
    return sum + Math.max(0, COMFORT.least - step, step - COMFORT.most);
  }, missed);
}

/** Whether the paper holds the shape with one coat of everything. */
const fits = (shape: SearchShape): boolean =>
  mostCoats(layingPasses(layingOf(shape, Array<number>(shape.tones).fill(1), 1))) <= shape.capacity + 1e-9;

/** All ways to lay a group of a number of tones that the paper can hold, for each the places of the local colour that suit best. */
export function shapesOf(w: ShapeWish, tones: number, school = w.school): Shape[] {
  // A group of fewer tones is to span what more would.
  const naturalFor = w.tones === "auto" ? Math.min(USUAL_TONES, w.mostTones) : w.tones;
  return WAYS[w.shadow].flatMap((shadow) => {
    const places = tones + (shadow === "tone" ? 0 : 1);
    return Array.from({ length: tones }, (_, local) => ({
      shape: { school, tones, local, shadow, capacity: w.capacity },
      goal: groupGoal(w.target, places, w.paper, { naturalFor, ...w.wish }, local),
    }))
      .filter(({ shape }) => fits(shape))
      .map((s): Shape => ({ ...s, off: strain(s.goal) + Math.abs(s.shape.local - (places - 1) / 2) / 4 }))
      .sort((a, b) => a.off - b.off)
      .slice(0, LOCALS);
  });
}

/** Numbers of tones that a wish leaves open. */
export function toneCounts({ tones, mostTones }: ShapeWish, least = FEWEST_TONES): number[] {
  if (tones !== "auto") return [tones];
  const from = Math.max(FEWEST_TONES, least);
  return Array.from({ length: Math.max(1, mostTones - from + 1) }, (_, i) => from + i);
}

/** So many ways to lay a wish's group are looked at, at most. */
export const mostShapes = (wish: ShapeWish): number =>
  toneCounts(wish).length * WAYS[wish.shadow].length * LOCALS;
