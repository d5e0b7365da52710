import { deltaE00 } from "@/core/colour/delta-e00";
import { seenLab, type Desk } from "@/core/ink/desk";
import { TWIN } from "@/core/match/evaluate";
import type { GroupGoal } from "./goal";
import { blendCost, SCORE_WEIGHTS, stepCost, toneCost, type ScoreWeights } from "./score";
import { blendPathOf, STEP_LIMITS, toneAbsorbance, type BlendPath, type StepLimits } from "./step";
import type { Tone } from "./tone";

export interface PlanOptions {
  readonly limits?: StepLimits;
  readonly weights?: ScoreWeights;
  /** Most coats of one tone. */
  readonly maxCoats?: number;
  /** Extra cost of an ink by its place on the desk: running low, not owned. Infinity forbids it. */
  readonly inkCost?: (ink: number) => number;
}

export interface PlannedGroup {
  readonly tones: readonly Tone[];
  /** Lower is better; see {@link ScoreWeights}. */
  readonly score: number;
}

/** Most coats that a tone is planned with: beyond two the group cannot be blended over without soaking the sheet. */
const TONE_COATS = 2;
/** Two groups are real alternatives when their tones differ by this much ΔE00 on average… */
const REAL_DIFFERENCE = 3;
/** …or when at least this share of their inks are others, and not twins. */
const OTHER_INKS = 0.5;
/** Cost laid on the inks of groups already given, and on their twins, so that the next group is another one. */
const USED = 1.6;
/** Partial groups kept at each tone and ink. */
const KEEP = 4;

interface Partial {
  readonly cost: number;
  readonly node: number;
  readonly before: Partial | undefined;
}

/** Candidate tones and the costs of putting them side by side, each blend computed once and only when it is needed. */
class Candidates {
  readonly tones: Tone[] = [];
  private readonly absorbance: Float64Array[] = [];
  private readonly paths = new Map<number, BlendPath>();

  constructor(private readonly desk: Desk, maxCoats: number, inkCost: (ink: number) => number) {
    desk.inks.forEach((_, ink) => {
      if (!Number.isFinite(inkCost(ink))) return;
      for (let coats = 1; coats <= maxCoats; coats++)
        this.tones.push({ ink, coats, lab: seenLab(desk, Array<number>(coats).fill(ink)) });
    });
    this.tones.sort((a, b) => b.lab[0] - a.lab[0]);
    this.absorbance = this.tones.map((t) => toneAbsorbance(desk, t));
  }

  path(first: number, second: number): BlendPath {
    const key = first * this.tones.length + second;
    const known = this.paths.get(key);
    if (known) return known;
    const [a, b] = [this.tones[first]!, this.tones[second]!];
    const path = blendPathOf(this.desk, a.lab, b.lab, this.absorbance[first]!, this.absorbance[second]!);
    this.paths.set(key, path);
    return path;
  }
}

/**
 * The best blend group for a goal, then real alternatives to it, best first: a path through inks of falling lightness by dynamic programming
 * over (tone, ink). Each further group is the best one once the inks already used, and their twins, cost more. Yields progress 0–1.
 * @param top groups wanted; fewer come back when the inks do not give that many that differ
 */
export function* planGroups(desk: Desk, goal: GroupGoal, top: number, options: PlanOptions = {}): Generator<number, PlannedGroup[]> {
  const { limits = STEP_LIMITS, weights = SCORE_WEIGHTS, maxCoats = TONE_COATS, inkCost = () => 0 } = options;
  const candidates = new Candidates(desk, maxCoats, inkCost);
  const { tones } = candidates;
  const places = goal.tones.length;
  const ownCost = goal.tones.map((_, place) => tones.map((t) => toneCost(t, place, goal, weights) + inkCost(t.ink)));
  const found: PlannedGroup[] = [];
  const used = new Float64Array(desk.inks.length);
  const tries = top * 3;

  for (let attempt = 0; attempt < tries && found.length < top; attempt++) {
    const extra = (n: number) => used[tones[n]!.ink]!;
    const ceiling = costOf(candidates, goal, limits, weights, ownCost, extra, 24, Infinity);
    const whole = costOf(candidates, goal, limits, weights, ownCost, extra, tones.length, ceiling?.cost ?? Infinity) ?? ceiling;
    yield (attempt + 1) / tries;
    if (!whole) break;
    const path = [...nodesOf(whole)];
    const group = { tones: path.map((n) => tones[n]!), score: whole.cost - path.reduce((sum, n) => sum + extra(n), 0) };
    if (found.every((g) => isAlternative(desk, g, group))) found.push(group);
    for (const { ink } of group.tones)
      desk.inks.forEach((_, other) => {
        if (other === ink || areTwins(desk, ink, other)) used[other]! += USED;
      });
  }
  return found.sort((a, b) => a.score - b.score);

  function costOf(c: Candidates, g: GroupGoal, l: StepLimits, w: ScoreWeights, own: number[][], extra: (n: number) => number, width: number, cap: number) {
    let layer = shortlist(own[0]!, extra, width).map((node): Partial[] => [{ cost: own[0]![node]! + extra(node), node, before: undefined }]);
    for (let place = 1; place < places; place++) {
      const next: Partial[][] = [];
      for (const node of shortlist(own[place]!, extra, width)) {
        const cost = own[place]![node]! + extra(node);
        const kept: Partial[] = [];
        for (const ends of layer)
          for (const before of ends) {
            const [a, b] = [c.tones[before.node]!, c.tones[node]!];
            if (a.lab[0] <= b.lab[0]) continue;
            const plain = before.cost + cost + stepCost(a, b, g, l, w);
            const worst = kept.length < KEEP ? cap : Math.min(cap, kept[kept.length - 1]!.cost);
            if (plain > worst || usesInk(before, b.ink) || deltaE00(a.lab, b.lab) < TWIN) continue;
            const total = plain + blendCost(c.path(before.node, node), place - 1, g, w);
            if (total > worst) continue;
            const at = kept.findIndex((p) => p.cost > total);
            kept.splice(at < 0 ? kept.length : at, 0, { cost: total, node, before });
            kept.length = Math.min(KEEP, kept.length);
          }
        if (kept.length) next.push(kept);
      }
      layer = next;
    }
    return layer.flat().reduce<Partial | undefined>((best, p) => (!best || p.cost < best.cost ? p : best), undefined);
  }

  function usesInk(partial: Partial | undefined, ink: number): boolean {
    for (let p = partial; p; p = p.before) if (tones[p.node]!.ink === ink) return true;
    return false;
  }
}

/** Candidates of least own cost in a place, still in order of lightness. */
function shortlist(own: readonly number[], extra: (n: number) => number, width: number): number[] {
  const all = own.map((_, n) => n);
  if (width >= all.length) return all;
  const cost = own.map((c, n) => c + extra(n));
  return all.sort((a, b) => cost[a]! - cost[b]!).slice(0, width).sort((a, b) => a - b);
}

function nodesOf(partial: Partial): number[] {
  const out: number[] = [];
  for (let p: Partial | undefined = partial; p; p = p.before) out.unshift(p.node);
  return out;
}

/** Whether two inks look alike in one coat on this desk's paper. */
export const areTwins = (desk: Desk, a: number, b: number): boolean => deltaE00(seenLab(desk, [a]), seenLab(desk, [b])) < TWIN;

/** Whether a group is more than another with a near-twin exchanged. */
export function isAlternative(desk: Desk, known: PlannedGroup, other: PlannedGroup): boolean {
  const n = known.tones.length;
  const apart = known.tones.reduce((sum, t, i) => sum + deltaE00(t.lab, other.tones[i]!.lab), 0) / n;
  const others = other.tones.filter((t) => !known.tones.some((k) => k.ink === t.ink || areTwins(desk, k.ink, t.ink))).length;
  return apart >= REAL_DIFFERENCE || others / n >= OTHER_INKS;
}
