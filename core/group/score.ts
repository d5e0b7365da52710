import { lightnessWeight } from "@/core/colour/ciede2000";
import { deltaE00 } from "@/core/colour/delta-e00";
import { chroma, type Lab } from "@/core/colour/lab";
import { hueDistance, type GroupGoal } from "./goal";
import type { Blend, StepLimits } from "./step";

/**
 * Weights of a group's score, in ΔE00. Everything is judged as it lies on the paper, but for `temper`. `places` and `area` were tuned on the
 * simulated sheet (bench/along.ts): of 0–2 each the pair that misses least over areas that are divided in six ways; the others by eye, on groups
 * that colourists called even, muddy or wasteful.
 */
export interface ScoreWeights {
  readonly local: number;
  /** What is seen against what is wanted, in the mean over the area: place by place, as the search has it… */
  readonly places: number;
  /** …and as its passes run into each other on paper, once a group is weighed. */
  readonly area: number;
  /** Ends that were read in the picture. */
  readonly ends: number;
  /** Lightness of each place against its even one. */
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
  /** Hue of a tone's own stroke against what is wanted where it lies: nobody paints a red petal with green. */
  readonly temper: number;
  /** For each marker. */
  readonly marker: number;
  /** For ink under or over the shadow end, which costs a dry wait. */
  readonly wait: number;
}

export const SCORE_WEIGHTS: ScoreWeights = {
  local: 1,
  places: 1.5,
  area: 1.5,
  ends: 0.28,
  place: 0.11,
  hue: 0.17,
  chroma: 0.15,
  evenness: 0.55,
  limits: 0.7,
  mud: 0.2,
  bow: 0.06,
  coats: 0.17,
  temper: 0.05,
  marker: 0.28,
  wait: 0.7,
};

/** What a ΔE00 of the local colour costs about in all, by itself and as part of its area: what else is told in such ΔE00 is multiplied by it. */
export const LOCAL_UNIT = 2;

/** Hue distance that nobody minds; of a tone's own stroke more. */
const HUE_SLACK = 3;
const TEMPER_SLACK = 10;
/** Chroma more or less than wanted that nobody minds: less where little is wanted, for a grey in pale skin is seen. */
const chromaSlack = (wanted: number): number => Math.min(6, 1 + 0.35 * wanted);
/** Bow of a blend that nobody sees. */
const BOW_SLACK = 5;

/** What a place of an area costs by what is seen there; the last one is the shadow end. */
export function placeCost(lab: Lab, place: number, goal: GroupGoal, w: ScoreWeights): number {
  const wanted = goal.places[place]!;
  const minded = goal.presence[place]!;
  const isLight = place === 0 && goal.lightRead;
  const isShadow = place === goal.places.length - 1 && goal.shadowRead;
  let cost = w.places * goal.shares[place]! * deltaE00(lab, wanted);
  if (place === goal.localAt) cost += w.local * deltaE00(lab, goal.local);
  if (isLight) cost += minded * w.ends * deltaE00(lab, goal.light);
  if (isShadow) cost += minded * w.ends * deltaE00(lab, goal.shadow);
  if (place === goal.localAt || isLight || isShadow) return cost;
  const hue = Math.max(0, Math.abs(hueDistance(lab, wanted)) - HUE_SLACK);
  const strength = Math.max(0, Math.abs(chroma(lab) - chroma(wanted)) - chromaSlack(chroma(wanted)));
  return cost + minded * (w.place * Math.abs(lab[0] - wanted[0]) + w.hue * hue + w.chroma * strength);
}

/** No colour of a lightness is nearer to another one than this, ΔE00: CIEDE2000 without chroma and hue, which can only add to it. */
const lightnessApart = (L: number, other: number): number =>
  Math.abs(L - other) / lightnessWeight((L + other) / 2);

/** A place that is seen at a lightness costs at least this much, whatever its colour is: without the roots and angles of the rest. */
export function leastPlaceCost(L: number, place: number, goal: GroupGoal, w: ScoreWeights): number {
  const wanted = goal.places[place]![0];
  const minded = goal.presence[place]!;
  const isLight = place === 0 && goal.lightRead;
  const isShadow = place === goal.places.length - 1 && goal.shadowRead;
  let cost = w.places * goal.shares[place]! * lightnessApart(L, wanted);
  if (place === goal.localAt) cost += w.local * lightnessApart(L, goal.local[0]);
  if (isLight) cost += minded * w.ends * lightnessApart(L, goal.light[0]);
  if (isShadow) cost += minded * w.ends * lightnessApart(L, goal.shadow[0]);
  return place === goal.localAt || isLight || isShadow
    ? cost
    : cost + minded * w.place * Math.abs(L - wanted);
}

/** What an ink costs for what it is: its own stroke's hue, its coats, and that it is another marker. */
export const strokeCost = (
  alone: Lab,
  coats: number,
  place: number,
  goal: GroupGoal,
  w: ScoreWeights,
): number =>
  w.temper * Math.max(0, Math.abs(hueDistance(alone, goal.places[place]!)) - TEMPER_SLACK) +
  w.coats * (coats - 1) +
  w.marker;

/** Smallest step that evenness is measured against, L*. */
const LEAST_STEP = 4;

/** What the step from a place to the next costs by their lightnesses, before its blend is looked at. */
export function stepCost(
  first: number,
  second: number,
  place: number,
  goal: GroupGoal,
  limits: StepLimits,
  w: ScoreWeights,
): number {
  const deltaL = first - second;
  const outside = Math.max(0, deltaL - limits.widest, limits.narrowest - deltaL);
  const wanted = Math.max(LEAST_STEP, goal.places[place]![0] - goal.places[place + 1]![0]);
  return stepPresence(place, goal) * (w.evenness * ((deltaL - wanted) / wanted) ** 2 + w.limits * outside);
}

/** How much the step from a place to the next is minded: as much as the place of the two that less of the area shows. */
const stepPresence = (place: number, { presence }: GroupGoal): number =>
  Math.min(presence[place]!, presence[place + 1]!);

/** What the blend of the step from a place to the next costs. */
export const blendCost = ({ mud, bow }: Blend, place: number, goal: GroupGoal, w: ScoreWeights): number =>
  stepPresence(place, goal) * (w.mud * mud + w.bow * Math.max(0, bow - BOW_SLACK));
