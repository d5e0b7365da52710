import { deltaE00 } from "@/core/colour/delta-e00";
import { chroma, type Lab } from "@/core/colour/lab";
import { hueDistance, type GroupGoal } from "./goal";
import type { BlendPath, StepLimits } from "./step";
import type { Tone } from "./tone";

/**
 * Weights of a group's score, in units of ΔE00 of the local colour: a score of 4 is as bad as a local colour off by 4 and nothing else wrong.
 */
export interface ScoreWeights {
  readonly local: number;
  /** Ends that were read in the picture. */
  readonly ends: number;
  /** Lightness of each tone against its even place. */
  readonly place: number;
  readonly hue: number;
  readonly chroma: number;
  readonly evenness: number;
  /** For each L* beyond the limits of a step. */
  readonly limits: number;
  readonly mud: number;
  readonly bow: number;
  /** For each coat beyond a tone's first. */
  readonly coats: number;
}

export const SCORE_WEIGHTS: ScoreWeights = {
  local: 1,
  ends: 0.3,
  place: 0.12,
  hue: 0.3,
  chroma: 0.15,
  evenness: 3,
  limits: 1.2,
  mud: 0.35,
  bow: 0.1,
  coats: 0.6,
};

/** Hue distance that nobody minds. */
const HUE_SLACK = 3;
/** Chroma more or less than wanted that nobody minds. */
const CHROMA_SLACK = 6;
/** Bow of a blend that nobody sees. */
const BOW_SLACK = 5;

/** What a tone costs in its place, whatever stands beside it. */
export function toneCost(tone: Tone, place: number, goal: GroupGoal, w: ScoreWeights): number {
  const wanted = goal.tones[place]!;
  const last = goal.tones.length - 1;
  const read = (place === 0 && goal.lightRead) || (place === last && goal.shadowRead);
  const hue = Math.max(0, Math.abs(hueDistance(tone.lab, wanted)) - HUE_SLACK);
  const strength = Math.max(0, Math.abs(chroma(tone.lab) - chroma(wanted)) - CHROMA_SLACK);
  const cost =
    w.place * Math.abs(tone.lab[0] - wanted[0]) +
    w.hue * hue +
    w.chroma * strength +
    w.coats * (tone.coats - 1);
  const own = read ? w.ends * deltaE00(tone.lab, wanted) : 0;
  // With an odd number of tones the middle one is the local colour.
  return cost + own + (last % 2 === 0 && place === last / 2 ? w.local * deltaE00(tone.lab, goal.local) : 0);
}

/** What a step costs before its blend is looked at. */
export function stepCost(
  first: Tone,
  second: Tone,
  goal: GroupGoal,
  limits: StepLimits,
  w: ScoreWeights,
): number {
  const deltaL = first.lab[0] - second.lab[0];
  const outside = Math.max(0, deltaL - limits.widest, limits.narrowest - deltaL);
  return w.evenness * ((deltaL - goal.step) / goal.step) ** 2 + w.limits * outside;
}

/** What the blend of a step costs. With an even number of tones the blend of the two middle ones is the local colour. */
export function blendCost(
  path: Pick<BlendPath, "mud" | "bow" | "mixtures">,
  place: number,
  goal: GroupGoal,
  w: ScoreWeights,
): number {
  const even = goal.tones.length % 2 === 0;
  const local =
    even && place === goal.tones.length / 2 - 1 ? w.local * deltaE00(path.mixtures[1], goal.local) : 0;
  return w.mud * path.mud + w.bow * Math.max(0, path.bow - BOW_SLACK) + local;
}

/** The colour that a group's mids give: the middle tone, or the even blend of the two middle ones. */
export function localColour(tones: readonly Tone[], middleBlend: Lab | undefined): Lab {
  return tones.length % 2 ? tones[(tones.length - 1) / 2]!.lab : middleBlend!;
}
