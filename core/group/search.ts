import { deltaE00 } from "@/core/colour/delta-e00";
import { seenLab, type Desk } from "@/core/ink/desk";
import { TWIN } from "@/core/ink/twins";
import type { GroupGoal } from "./goal";
import { blendCost, stepCost, toneCost, type ScoreWeights } from "./score";
import { blendPathOf, toneAbsorbance, type BlendPath, type StepLimits } from "./step";
import type { Tone } from "./tone";

/** The tones that a desk's inks give, and the blends between them: each blend is computed once, and only when it is needed. */
export interface Candidates {
  readonly desk: Desk;
  /** Light to dark. */
  readonly tones: readonly Tone[];
  readonly path: (first: number, second: number) => BlendPath;
  /** Whether two tones look alike. */
  readonly alike: (first: number, second: number) => boolean;
}

/** Tones of one to `maxCoats` coats of the usable inks. */
export function candidatesOf(desk: Desk, maxCoats: number, usable: (ink: number) => boolean): Candidates {
  const tones: Tone[] = [];
  desk.inks.forEach((_, ink) => {
    if (!usable(ink)) return;
    for (let coats = 1; coats <= maxCoats; coats++)
      tones.push({ ink, coats, lab: seenLab(desk, Array<number>(coats).fill(ink)) });
  });
  tones.sort((a, b) => b.lab[0] - a.lab[0]);
  const absorbance: (Float64Array | undefined)[] = [];
  const of = (n: number) => (absorbance[n] ??= toneAbsorbance(desk, tones[n]!));
  const paths = new Map<number, BlendPath>();
  const path = (first: number, second: number): BlendPath => {
    const key = first * tones.length + second;
    let known = paths.get(key);
    if (!known)
      paths.set(
        key,
        (known = blendPathOf(desk, tones[first]!.lab, tones[second]!.lab, of(first), of(second))),
      );
    return known;
  };
  // 0 not asked yet, 1 alike, 2 different.
  const asked = new Uint8Array(tones.length * tones.length);
  const alike = (first: number, second: number): boolean => {
    const key = first * tones.length + second;
    if (!asked[key]) asked[key] = deltaE00(tones[first]!.lab, tones[second]!.lab) < TWIN ? 1 : 2;
    return asked[key] === 1;
  };
  return { desk, tones, path, alike };
}

/** A tone that must stand in a place. */
export interface FixedTone {
  readonly ink: number;
  readonly coats: number;
}

export interface SearchWish {
  readonly goal: GroupGoal;
  readonly limits: StepLimits;
  readonly weights: ScoreWeights;
  /** Extra cost of a tone by its ink; Infinity forbids it. */
  readonly inkCost: (ink: number) => number;
  /** Tones that must be used, each in the place where the whole group is cheapest. */
  readonly fixed?: readonly FixedTone[];
  /** Inks that are not owned, and how many of them a group may have. */
  readonly unowned?: (ink: number) => boolean;
  readonly purchases?: number;
}

interface Partial {
  readonly cost: number;
  readonly node: number;
  /** Locked tones in use, which come in falling lightness. */
  readonly held: number;
  readonly bought: number;
  readonly before: Partial | undefined;
}

export interface FoundGroup {
  readonly tones: readonly Tone[];
  /** With the inks' extra costs. */
  readonly cost: number;
  /** Without them. */
  readonly score: number;
}

/** Partial groups kept in each state. */
const KEEP = 6;

/** What each tone costs in each place, extra costs left out: it depends on the goal alone, so that repeated searches share it. */
export const placeCosts = ({ tones }: Candidates, goal: GroupGoal, weights: ScoreWeights): number[][] =>
  goal.tones.map((_, place) => tones.map((t) => toneCost(t, place, goal, weights)));

/**
 * Groups of least cost through inks of falling lightness, best first: dynamic programming over (place, tone, locks in use). A few partial
 * groups are kept in each state, since no ink may come twice and purchases are counted along the way.
 * @param width candidates looked at in each place, those of least own cost
 * @param cap cost beyond which nothing is of interest
 * @param most groups wanted; they differ by at least one tone
 */
export function searchGroups(
  candidates: Candidates,
  own: readonly (readonly number[])[],
  wish: SearchWish,
  width: number,
  cap = Infinity,
  most = 1,
): FoundGroup[] {
  const { tones } = candidates;
  const { goal, limits, weights, inkCost, unowned, purchases = Infinity } = wish;
  const extra = tones.map((t) => inkCost(t.ink));
  const buys = tones.map((t) => (unowned?.(t.ink) ? 1 : 0));
  const places = goal.tones.length;
  const locks = lockedNodes(tones, wish.fixed ?? []);
  const lockOf = new Map(locks.map((node, k) => [node, k]));
  const lockedInks = new Set(locks.map((node) => tones[node]!.ink));
  /** Tones of a place: the cheapest of those that may stand there, and every locked one. */
  const nodesAt = (place: number): number[] => {
    const free = shortlist(own[place]!, extra, width, (n) => !lockedInks.has(tones[n]!.ink));
    return locks.length ? [...free, ...locks].sort((a, b) => a - b) : free;
  };
  /** Locks in use once a tone is added; undefined when it breaks their order or leaves too few places for the others. */
  const heldWith = (held: number, node: number, place: number): number | undefined => {
    const lock = lockOf.get(node);
    if (lock !== undefined && lock !== held) return undefined;
    const now = lock === undefined ? held : held + 1;
    return locks.length - now <= places - 1 - place ? now : undefined;
  };
  const start = (node: number): Partial[] => {
    const held = heldWith(0, node, 0);
    if (held === undefined) return [];
    return [{ cost: own[0]![node]! + extra[node]!, node, held, bought: buys[node]!, before: undefined }];
  };
  let layer: Partial[][] = nodesAt(0)
    .map(start)
    .filter((ends) => ends.length);
  for (let place = 1; place < places; place++) {
    const next: Partial[][] = [];
    for (const node of nodesAt(place)) {
      const cost = own[place]![node]! + extra[node]!;
      const b = tones[node]!;
      // One list for each number of locks in use: a dearer partial group may hold a lock that a cheaper one still has to place.
      const kept: Partial[][] = Array.from({ length: locks.length + 1 }, () => []);
      for (const ends of layer)
        for (const before of ends) {
          const a = tones[before.node]!;
          const bothLocked = lockOf.has(before.node) && lockOf.has(node);
          if (
            (bothLocked ? before.node >= node : a.lab[0] <= b.lab[0]) ||
            before.bought + buys[node]! > purchases
          )
            continue;
          const held = heldWith(before.held, node, place);
          if (held === undefined) continue;
          const best = kept[held]!;
          const plain = before.cost + cost + stepCost(a, b, goal, limits, weights);
          const worst = best.length < KEEP ? cap : Math.min(cap, best[best.length - 1]!.cost);
          if (plain > worst) continue;
          if (!bothLocked && (usesInk(tones, before, b.ink) || candidates.alike(before.node, node))) continue;
          const total = plain + blendCost(candidates.path(before.node, node), place - 1, goal, weights);
          if (total > worst) continue;
          const at = best.findIndex((p) => p.cost > total);
          const bought = before.bought + buys[node]!;
          best.splice(at < 0 ? best.length : at, 0, { cost: total, node, held, bought, before });
          best.length = Math.min(KEEP, best.length);
        }
      const ends = kept.flat();
      if (ends.length) next.push(ends);
    }
    layer = next;
  }
  return layer
    .flat()
    .sort((a, b) => a.cost - b.cost)
    .slice(0, most)
    .map((p) => {
      const path = nodesOf(p);
      return {
        tones: path.map((n) => tones[n]!),
        cost: p.cost,
        score: p.cost - path.reduce((sum, n) => sum + extra[n]!, 0),
      };
    });
}

/** Places among the candidates of the tones that must be used, in falling lightness. */
function lockedNodes(tones: readonly Tone[], fixed: readonly FixedTone[]): number[] {
  return fixed
    .map((f) => tones.findIndex((t) => t.ink === f.ink && t.coats === f.coats))
    .filter((n) => n >= 0)
    .sort((a, b) => a - b);
}

function usesInk(tones: readonly Tone[], partial: Partial | undefined, ink: number): boolean {
  for (let p = partial; p; p = p.before) if (tones[p.node]!.ink === ink) return true;
  return false;
}

/** Candidates of least cost in a place, still in order of lightness. */
function shortlist(
  own: readonly number[],
  extra: readonly number[],
  width: number,
  may: (n: number) => boolean,
): number[] {
  const all: number[] = [];
  for (let n = 0; n < own.length; n++) if (extra[n]! < Infinity && may(n)) all.push(n);
  if (width >= all.length) return all;
  return all
    .sort((a, b) => own[a]! + extra[a]! - own[b]! - extra[b]!)
    .slice(0, width)
    .sort((a, b) => a - b);
}

function nodesOf(partial: Partial): number[] {
  const out: number[] = [];
  for (let p: Partial | undefined = partial; p; p = p.before) out.unshift(p.node);
  return out;
}
