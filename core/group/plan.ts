import { deltaE00 } from "@/core/colour/delta-e00";
import { seenLab, type Desk } from "@/core/ink/desk";
import { TWIN } from "@/core/ink/twins";
import type { GroupGoal } from "./goal";
import { SCORE_WEIGHTS, type ScoreWeights } from "./score";
import { candidatesOf, placeCosts, searchGroups, type FixedTone } from "./search";
import { STEP_LIMITS, type StepLimits } from "./step";
import type { Tone } from "./tone";

export interface PlanOptions {
  readonly limits?: StepLimits;
  readonly weights?: ScoreWeights;
  /** Most coats of one tone. */
  readonly maxCoats?: number;
  /** Extra cost of an ink by its place on the desk: running low, not owned. Infinity forbids it. */
  readonly inkCost?: (ink: number) => number;
  /** Tones that stay as they are; the rest is planned around them. */
  readonly fixed?: readonly FixedTone[];
  /** Inks that are not owned, and how many of them a group may have. */
  readonly unowned?: (ink: number) => boolean;
  readonly purchases?: number;
}

export interface PlannedGroup {
  readonly tones: readonly Tone[];
  /** Lower is better; see {@link ScoreWeights}. */
  readonly score: number;
}

/** Most coats that a tone is planned with: beyond two the group cannot be blended over without soaking the sheet. */
export const TONE_COATS = 2;
/** Two groups are real alternatives when their tones differ by this much ΔE00 on average… */
const REAL_DIFFERENCE = 3;
/** …or when at least this share of their inks are others, and not twins. */
const OTHER_INKS = 0.5;
/** Cost laid on the inks of groups already given, and on their twins, so that the next group is another one. */
const USED = 1.6;
/** Candidates a place of the first, narrow search, whose best bounds the whole one. */
const NARROW = 24;

/**
 * The best blend group for a goal, then real alternatives to it, best first. Each further group is the best one once the inks already used,
 * and their twins, cost more. Yields progress 0–1.
 * @param top groups wanted; fewer come back when the inks do not give that many that differ
 */
export function* planGroups(
  desk: Desk,
  goal: GroupGoal,
  top: number,
  options: PlanOptions = {},
): Generator<number, PlannedGroup[]> {
  const {
    limits = STEP_LIMITS,
    weights = SCORE_WEIGHTS,
    maxCoats = TONE_COATS,
    inkCost = () => 0,
    fixed = [],
    unowned,
    purchases,
  } = options;
  const isFixed = (ink: number) => fixed.some((f) => f.ink === ink);
  const coats = Math.max(maxCoats, ...fixed.map((f) => f.coats));
  const candidates = candidatesOf(desk, coats, (ink) => isFixed(ink) || Number.isFinite(inkCost(ink)));
  const own = placeCosts(candidates, goal, weights);
  const found: PlannedGroup[] = [];
  const used = new Float64Array(desk.inks.length);
  const tries = top * 3;
  const base = desk.inks.map((_, ink) => (isFixed(ink) ? 0 : inkCost(ink)));

  for (let attempt = 0; attempt < tries && found.length < top; attempt++) {
    const wish = {
      goal,
      limits,
      weights,
      fixed,
      inkCost: (ink: number) => base[ink]! + used[ink]!,
      ...(unowned && { unowned }),
      ...(purchases !== undefined && { purchases }),
    };
    const [ceiling] = searchGroups(candidates, own, wish, NARROW);
    const whole = searchGroups(candidates, own, wish, Infinity, ceiling?.cost ?? Infinity)[0] ?? ceiling;
    yield (attempt + 1) / tries;
    if (!whole) break;
    const group = {
      tones: whole.tones,
      score: whole.cost - whole.tones.reduce((sum, t) => sum + used[t.ink]!, 0),
    };
    if (found.every((g) => isAlternative(desk, g, group))) found.push(group);
    for (const { ink } of group.tones)
      desk.inks.forEach((_, other) => {
        if (!isFixed(other) && (other === ink || areTwins(desk, ink, other))) used[other]! += USED;
      });
  }
  return found.sort((a, b) => a.score - b.score);
}

/** Whether two inks look alike in one coat on this desk's paper. */
export const areTwins = (desk: Desk, a: number, b: number): boolean =>
  deltaE00(seenLab(desk, [a]), seenLab(desk, [b])) < TWIN;

/** Whether a group is more than another with a near-twin exchanged. */
export function isAlternative(desk: Desk, known: PlannedGroup, other: PlannedGroup): boolean {
  const n = known.tones.length;
  const apart = known.tones.reduce((sum, t, i) => sum + deltaE00(t.lab, other.tones[i]!.lab), 0) / n;
  const others = other.tones.filter(
    (t) => !known.tones.some((k) => k.ink === t.ink || areTwins(desk, k.ink, t.ink)),
  ).length;
  return apart >= REAL_DIFFERENCE || others / n >= OTHER_INKS;
}
