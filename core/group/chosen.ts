import type { Desk } from "@/core/ink/desk";
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
  /** Light to dark. */
  readonly tones: readonly Coated[];
  /** The tone that carries the local colour; the one that suits best when it is left out. */
  readonly local?: number;
  /** As in a laying: the order in which they are laid, where it is another than their school's. */
  readonly hand?: readonly number[];
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

/** A chosen group as it is laid; where nobody says which tone carries the local colour, the one does that suits best. */
export function layChosen(
  desk: Desk,
  { tones, under = [], over = [], local: said, hand }: ChosenGroup,
  { school, capacity, goalOf, inkCost, weights = SCORE_WEIGHTS }: Asked,
): WeighedChoice {
  const inks = {
    tones: tones.map((t) => t.ink),
    under: under.map((t) => t.ink),
    over: over.map((t) => t.ink),
  };
  const locals = said === undefined ? tones.map((_, local) => local) : [said];
  const ways = locals.map((local) => {
    const laying: Laying = {
      school,
      coats: tones.map((t) => t.coats),
      local,
      under: under.map((t) => t.coats),
      over: over.map((t) => t.coats),
      capacity,
      ...(hand && { hand }),
    };
    const goal = goalOf(tones.length + (hasShadowEnd(laying) ? 1 : 0), local);
    const weighed = weighGroup(desk, { laying, inks }, goal, inkCost, weights);
    return { laying, inks, goal, weighed };
  });
  return ways.reduce((best, way) => (way.weighed.score < best.weighed.score - 1e-9 ? way : best));
}
