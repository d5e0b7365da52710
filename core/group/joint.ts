import { deltaE00 } from "@/core/colour/delta-e00";
import type { Lab } from "@/core/colour/lab";
import type { Desk } from "@/core/ink/desk";
import type { GroupGoal } from "./goal";
import { TONE_COATS } from "./plan";
import { localColour, SCORE_WEIGHTS, type ScoreWeights } from "./score";
import {
  candidatesOf,
  placeCosts,
  searchGroups,
  type Candidates,
  type FixedTone,
  type FoundGroup,
} from "./search";
import { blendPath, STEP_LIMITS, type StepLimits } from "./step";
import type { Tone } from "./tone";

/** An area of the piece to be planned with the others. */
export interface JointArea {
  readonly goal: GroupGoal;
  readonly fixed: readonly FixedTone[];
  readonly excluded: (ink: number) => boolean;
  /** It should pop: more apart from its neighbours than others are. */
  readonly emphasis: boolean;
}

export interface JointWish {
  readonly areas: readonly JointArea[];
  /** Pairs of areas that touch. */
  readonly neighbours: readonly (readonly [number, number])[];
  /** Least ΔE00 between the local colours of neighbours. */
  readonly apart: number;
  /** What a marker costs, in the units of a group's score (ΔE00 of the local colour). */
  readonly markerCost: number;
  readonly inkCost: (ink: number) => number;
  /** Most markers of the whole piece; null leaves it open. */
  readonly limit: number | null;
  readonly limits?: StepLimits;
  readonly weights?: ScoreWeights;
}

export interface JointGroup {
  readonly tones: readonly Tone[];
  readonly score: number;
  readonly local: Lab;
}

export interface JointPlan {
  readonly groups: readonly JointGroup[];
  readonly markers: number;
  /** Sum of the groups' own scores: how well they fit. */
  readonly fit: number;
  /** ΔE00 by which neighbours stand too near, summed. */
  readonly crowding: number;
  /** What is minimised: fit + marker cost × markers + crowding. */
  readonly objective: number;
}

/** Weight of a ΔE00 that neighbours miss, and how much further an emphasised area should stand off. */
const CROWDING = 0.6;
const EMPHASIS = 2;
/** Candidates looked at in each place: beyond the best of a place, nothing is ever chosen for its company alone. */
const WIDTH = 28;
/** Groups of an area that are weighed against each other by everything else. */
const POOL = 48;
const MOST_ROUNDS = 6;

/** What several areas' plans share: candidates and blends once for the desk, each area's own costs once. */
interface Board {
  readonly wish: JointWish;
  readonly candidates: Candidates;
  readonly own: readonly number[][][];
}

function board(desk: Desk, wish: JointWish): Board {
  const held = (ink: number) => wish.areas.some((a) => a.fixed.some((f) => f.ink === ink));
  const coats = Math.max(TONE_COATS, ...wish.areas.flatMap((a) => a.fixed.map((f) => f.coats)));
  const candidates = candidatesOf(desk, coats, (ink) => held(ink) || Number.isFinite(wish.inkCost(ink)));
  return {
    wish,
    candidates,
    own: wish.areas.map((a) => placeCosts(candidates, a.goal, wish.weights ?? SCORE_WEIGHTS)),
  };
}

const inksOf = (groups: readonly (JointGroup | undefined)[]) =>
  new Set(groups.flatMap((g) => g?.tones.map((t) => t.ink) ?? []));

/** Groups of an area, cheapest first, when some inks cost more than others. */
function poolFor(
  { wish, candidates, own }: Board,
  area: number,
  extra: (ink: number) => number,
  most: number,
): JointGroup[] {
  const { goal, fixed, excluded } = wish.areas[area]!;
  const isFixed = (ink: number) => fixed.some((f) => f.ink === ink);
  const search = {
    goal,
    fixed,
    limits: wish.limits ?? STEP_LIMITS,
    weights: wish.weights ?? SCORE_WEIGHTS,
    inkCost: (ink: number) => (isFixed(ink) ? 0 : excluded(ink) ? Infinity : wish.inkCost(ink) + extra(ink)),
  };
  const found = searchGroups(candidates, own[area]!, search, WIDTH, Infinity, most);
  return found.map((g) => asJoint(candidates, g, (ink) => (isFixed(ink) ? 0 : extra(ink))));
}

/** A found group without the extra costs that were charged for its inks. */
function asJoint(
  { desk }: Candidates,
  { tones, cost }: FoundGroup,
  charged: (ink: number) => number,
): JointGroup {
  const middle =
    tones.length % 2
      ? undefined
      : blendPath(desk, tones[tones.length / 2 - 1]!, tones[tones.length / 2]!).mixtures[1];
  return {
    tones,
    score: cost - tones.reduce((sum, t) => sum + charged(t.ink), 0),
    local: localColour(tones, middle),
  };
}

/** ΔE00 that an area's local colour misses to its neighbours. */
function crowdingOf(
  wish: JointWish,
  area: number,
  local: Lab,
  groups: readonly (JointGroup | undefined)[],
): number {
  let sum = 0;
  for (const [a, b] of wish.neighbours) {
    if (a !== area && b !== area) continue;
    const other = groups[a === area ? b : a];
    if (!other) continue;
    const wanted = wish.apart * (wish.areas[a]!.emphasis || wish.areas[b]!.emphasis ? EMPHASIS : 1);
    sum += Math.max(0, wanted - deltaE00(local, other.local));
  }
  return CROWDING * sum;
}

/** A whole set of groups, weighed. */
export function weighJoint(wish: JointWish, groups: readonly JointGroup[]): JointPlan {
  const markers = inksOf(groups).size;
  const fit = groups.reduce((sum, g) => sum + g.score, 0);
  const crowding = groups.reduce((sum, g, i) => sum + crowdingOf(wish, i, g.local, groups), 0) / 2;
  return { groups, markers, fit, crowding, objective: fit + wish.markerCost * markers + crowding };
}

/** The best answer of one area to the others: cheapest in fit, new markers and crowding. */
function answer(
  b: Board,
  area: number,
  groups: readonly (JointGroup | undefined)[],
  barred: (ink: number) => boolean = () => false,
): JointGroup | undefined {
  const { wish } = b;
  const there = inksOf(groups.map((g, i) => (i === area ? undefined : g)));
  const extra = (ink: number) => (barred(ink) ? Infinity : there.has(ink) ? 0 : wish.markerCost);
  let best: JointGroup | undefined;
  let least = Infinity;
  for (const group of poolFor(b, area, extra, POOL)) {
    const cost =
      group.score +
      wish.markerCost * group.tones.filter((t) => !there.has(t.ink)).length +
      crowdingOf(wish, area, group.local, groups);
    if (cost < least) [least, best] = [cost, group];
  }
  return best;
}

/** Each area by itself, best fit first: what the joint plan is measured against. Undefined when an area cannot be planned. */
export function planGreedily(desk: Desk, wish: JointWish): JointPlan | undefined {
  const b = board(desk, wish);
  const groups = wish.areas.map((_, area) => poolFor(b, area, () => 0, 1)[0]);
  return groups.every((g): g is JointGroup => g !== undefined) ? weighJoint(wish, groups) : undefined;
}

/**
 * All areas together. Starts from each area by itself; then each area answers the others (the best group given which markers lie ready
 * anyway and where neighbours stand), and each marker used by few areas is tried without; a change is kept only when it lowers the whole, so
 * the result is never worse than the start. With a limit, the price of a marker rises until the limit is met. Yields progress 0–1.
 * @returns undefined when an area has no group at all
 */
export function* planTogether(desk: Desk, wish: JointWish): Generator<number, JointPlan | undefined> {
  const start = board(desk, wish);
  const alone = wish.areas.map((_, area) => poolFor(start, area, () => 0, 1)[0]);
  if (!alone.every((g): g is JointGroup => g !== undefined)) return undefined;
  let plan = yield* improve(start, weighJoint(wish, alone));
  for (
    let price = Math.max(0.5, wish.markerCost), tries = 0;
    wish.limit !== null && plan.markers > wish.limit && tries < 7;
    tries++
  ) {
    price *= 2;
    const dear = { ...wish, markerCost: price };
    const cheaper = yield* improve({ ...start, wish: dear }, weighJoint(dear, plan.groups));
    plan = weighJoint(wish, cheaper.groups);
  }
  return plan;
}

function* improve(b: Board, from: JointPlan): Generator<number, JointPlan> {
  let plan = from;
  const { wish } = b;
  const consider = (groups: readonly JointGroup[]): boolean => {
    const next = weighJoint(wish, groups);
    if (next.objective >= plan.objective - 1e-9) return false;
    plan = next;
    return true;
  };
  for (let round = 0; round < MOST_ROUNDS; round++) {
    let better = false;
    for (let area = 0; area < wish.areas.length; area++) {
      const group = answer(b, area, plan.groups);
      if (group) better = consider(plan.groups.map((g, i) => (i === area ? group : g))) || better;
      yield (round + area / wish.areas.length / 2) / MOST_ROUNDS;
    }
    better = withoutRareMarkers(b, () => plan, consider) || better;
    yield (round + 1) / MOST_ROUNDS;
    if (!better) break;
  }
  return plan;
}

/** Tries to do without each marker, rarest first: every area that uses it answers again with that marker barred. */
function withoutRareMarkers(
  b: Board,
  plan: () => JointPlan,
  consider: (groups: readonly JointGroup[]) => boolean,
): boolean {
  const uses = new Map<number, number[]>();
  plan().groups.forEach((g, area) =>
    g.tones.forEach((t) => uses.set(t.ink, [...(uses.get(t.ink) ?? []), area])),
  );
  let better = false;
  for (const [ink] of [...uses].sort((x, y) => x[1].length - y[1].length)) {
    const areas = plan().groups.flatMap((g, area) => (g.tones.some((t) => t.ink === ink) ? [area] : []));
    if (!areas.length || areas.some((a) => b.wish.areas[a]!.fixed.some((f) => f.ink === ink))) continue;
    const groups: JointGroup[] = [...plan().groups];
    for (const area of areas) {
      const other = answer(b, area, groups, (i) => i === ink);
      if (!other) break;
      groups[area] = other;
    }
    if (!groups.some((g) => g.tones.some((t) => t.ink === ink))) better = consider(groups) || better;
  }
  return better;
}
