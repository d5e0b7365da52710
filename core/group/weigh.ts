import type { Lab } from "@/core/colour/lab";
import type { Spectrum } from "@/core/colour/observer";
import { seenLab, type Desk } from "@/core/ink/desk";
import { fadeOf } from "@/core/ink/fade";
import { laidDose, laidLab } from "@/core/ink/laid";
import { reachOn, USUAL_SHEET } from "@/core/ink/reach";
import type { GroupGoal } from "./goal";
import {
  hasShadowEnd,
  inkOfPass,
  laidAt,
  layingPasses,
  placesOf,
  type GroupInks,
  type GroupPass,
  type GroupPlace,
  type Laying,
} from "./lay";
import { blendCost, placeCost, SCORE_WEIGHTS, stepCost, strokeCost, type ScoreWeights } from "./score";
import { missed, USUAL_STEEPNESS, wantedOf } from "./wanted";
import { judgeStep, STEP_LIMITS, type Step, type StepLimits } from "./step";

/** A group laid on paper: which ink is which tone, and how they are laid. */
export interface LaidGroup {
  readonly laying: Laying;
  readonly inks: GroupInks;
}

/** What lies and what is seen at a place. */
export interface LaidPlace extends GroupPlace {
  readonly lab: Lab;
  readonly dose: Spectrum;
}

export interface WeighedGroup {
  readonly passes: readonly GroupPass[];
  /** Light end, the middle of each tone, shadow end. */
  readonly places: readonly LaidPlace[];
  /** Between the tones as laid, and from the last tone to the shadow end where that is another place. */
  readonly steps: readonly Step[];
  /** The places that are steps of the goal: those of the tones, and the shadow end where it is another. */
  readonly zones: readonly LaidPlace[];
  /** Mean ΔE00 over the area of what lies there, its passes running into each other, against what is wanted. */
  readonly missed: number;
  readonly score: number;
}

/**
 * A group as it lies on the paper, and its score: what is seen at the light end, in the middle of each tone and at the shadow end, the steps
 * and blends between them, and what the inks are by themselves. Capacity is not part of it.
 * @param inkCost extra cost of an ink by its place on the desk
 */
export function weighGroup(
  desk: Desk,
  { laying, inks }: LaidGroup,
  goal: GroupGoal,
  inkCost: (ink: number) => number = () => 0,
  w: ScoreWeights = SCORE_WEIGHTS,
  limits: StepLimits = STEP_LIMITS,
): WeighedGroup {
  const passes = layingPasses(laying);
  const places = placesOf(laying, passes).map((place): LaidPlace => {
    const laid = laidAt(passes, inks, place.t);
    return { ...place, lab: laidLab(desk, laid), dose: laidDose(desk, laid) };
  });
  const tones = laying.coats.length;
  const zones = places.slice(1, hasShadowEnd(laying) ? tones + 2 : tones + 1);
  const steps = zones.slice(1).map((zone, i) => judgeStep(desk, zones[i]!, zone, limits));
  const alone = (ink: number, coats: number) => seenLab(desk, Array<number>(coats).fill(ink));
  let score = 0;
  zones.forEach(({ lab }, z) => (score += placeCost(lab, z, goal, w)));
  steps.forEach((step, z) => {
    score +=
      stepCost(zones[z]!.lab[0], zones[z + 1]!.lab[0], z, goal, limits, w) + blendCost(step, z, goal, w);
  });
  inks.tones.forEach((ink, z) => {
    const coats = laying.coats[z]!;
    score += strokeCost(alone(ink, coats), coats, z, goal, w) + inkCost(ink);
  });
  for (const [list, coats] of [
    [inks.under, laying.under],
    [inks.over, laying.over],
  ] as const)
    list.forEach((ink, n) => (score += w.marker + w.wait + w.coats * (coats[n]! - 1) + inkCost(ink)));
  const missedThere = w.area ? missedBy(desk, passes, inks, places, goal) : 0;
  return { passes, places, steps, zones, missed: missedThere, score: score + w.area * missedThere };
}

/** How far an area is off what is wanted of it once its passes have run into each other. */
function missedBy(
  desk: Desk,
  passes: readonly GroupPass[],
  inks: GroupInks,
  places: readonly LaidPlace[],
  goal: GroupGoal,
): number {
  const laid = passes.map((p) => ({
    ink: inkOfPass(p, inks),
    coats: p.coats,
    wet: p.wet,
    from: p.from,
    to: p.to,
  }));
  const fade = fadeOf(desk, laid, reachOn(desk, USUAL_SHEET));
  return missed((t) => fade.at(t, USUAL_STEEPNESS), wantedOf(goal, places), goal.division);
}
