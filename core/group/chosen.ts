import { seenLab, type Desk } from "@/core/ink/desk";
import type { GroupGoal } from "./goal";
import { hasShadowEnd, type Laying } from "./lay";
import type { School } from "./school";
import { SCORE_WEIGHTS, type ScoreWeights } from "./score";
import { weighGroup, type LaidGroup, type WeighedGroup } from "./weigh";

/** Some coats of one ink of the desk. */
export interface Coated {
  readonly ink: number;
  readonly coats: number;
}

/** A group that somebody chose. */
export interface ChosenGroup {
  readonly tones: readonly Coated[];
  /** What lies under and over its shadow end. */
  readonly under?: readonly Coated[];
  readonly over?: readonly Coated[];
}

/** How a chosen group is laid, and what is wanted of it. */
export interface Asked {
  readonly school: School;
  readonly capacity: number;
  /** What is wanted of so many places when one of them carries the local colour. */
  readonly goalOf: (places: number, local: number) => GroupGoal;
  /** Extra cost of an ink, as when planning. */
  readonly inkCost?: (ink: number) => number;
  /** Inks that advice may propose. */
  readonly owned?: (ink: number) => boolean;
  readonly weights?: ScoreWeights;
}

/** A group with what is wanted of it and how it turns out. */
export interface WeighedChoice extends LaidGroup {
  readonly goal: GroupGoal;
  readonly weighed: WeighedGroup;
}

/** A chosen group with its tones light to dark, laid so that the tone which suits best carries the local colour. */
export function layChosen(
  desk: Desk,
  { tones, under = [], over = [] }: ChosenGroup,
  { school, capacity, goalOf, inkCost, weights = SCORE_WEIGHTS }: Asked,
): WeighedChoice {
  const sorted = [...tones]
    .map((t) => ({ ...t, L: seenLab(desk, Array<number>(t.coats).fill(t.ink))[0] }))
    .sort((a, b) => b.L - a.L);
  const inks = {
    tones: sorted.map((t) => t.ink),
    under: under.map((t) => t.ink),
    over: over.map((t) => t.ink),
  };
  const ways = sorted.map((_, local) => {
    const laying: Laying = {
      school,
      coats: sorted.map((t) => t.coats),
      local,
      under: under.map((t) => t.coats),
      over: over.map((t) => t.coats),
      capacity,
    };
    const goal = goalOf(sorted.length + (hasShadowEnd(laying) ? 1 : 0), local);
    const weighed = weighGroup(desk, { laying, inks }, goal, inkCost, weights);
    return { laying, inks, goal, weighed };
  });
  return ways.reduce((best, way) => (way.weighed.score < best.weighed.score - 1e-9 ? way : best));
}
