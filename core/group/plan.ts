import { deltaE00 } from "@/core/colour/delta-e00";
import { seenLab, type Desk } from "@/core/ink/desk";
import { TWIN } from "@/core/ink/twins";
import { part, type Work } from "@/core/progress";
import { candidatesOf, type Candidates } from "./candidates";
import type { WeighedChoice } from "./chosen";
import type { GroupGoal } from "./goal";
import type { School } from "./school";
import { SCORE_WEIGHTS, type ScoreWeights } from "./score";
import { searchGroups, type FixedTone, type FoundGroup } from "./search";
import { shapesOf, toneCounts, USUAL_TONES, type Shape, type ShapeWish } from "./shapes";
import { STEP_LIMITS, type StepLimits } from "./step";
import { FEWEST_TONES } from "./tone";
import { weighGroup, type LaidGroup } from "./weigh";

export interface PlanOptions {
  readonly limits?: StepLimits;
  readonly weights?: ScoreWeights;
  /** Extra cost of an ink by its place on the desk: running low, not owned. Infinity forbids it. */
  readonly inkCost?: (ink: number) => number;
  /** Tones that are tried in one place of a group; else as many as a search takes. */
  readonly tried?: number;
  /** Tones that stay as they are; the rest is planned around them. */
  readonly fixed?: readonly FixedTone[];
  /** Inks that are not owned, and how many of them a group may have. */
  readonly unowned?: (ink: number) => boolean;
  readonly purchases?: number;
  /** What is wanted of every place, by shape; else it follows from the target. */
  readonly goalOf?: (shape: Shape["shape"]) => GroupGoal;
}

export interface PlannedGroup extends WeighedChoice {
  /** Lower is better; see {@link ScoreWeights}. */
  readonly score: number;
}

/** Most coats that a tone is planned with. */
export const TONE_COATS = 2;
/** Two groups are real alternatives when they look this much (ΔE00) different on average as laid… */
const REAL_DIFFERENCE = 3;
/** …or when at least this share of their inks are others, and not twins. */
const OTHER_INKS = 0.5;
/** Cost laid on the inks of groups already given, and on their twins, so that the next group is another one. */
const USED = 0.9;
/** Partial groups kept of each length for a sketch. */
const SKETCH = 5;
/** Partial groups kept of each length, and groups weighed of each shape, for a first look. */
const FIRST_LOOK = 12;
const FIRST_WEIGHED = 2;
/** Shapes of least strain that a first look takes in. */
const LIKELIEST = 5;
/** Share of what a known group is off over its area that any other one is off too: what a search has not weighed yet. */
const ANYHOW = 0.5;
/** Partial groups kept of each length: to find out which shapes are worth it, and of those that are. */
const GLANCE = 40;
const WIDTH = 160;
/** The same for further alternatives. */
const NEXT = 80;
/** Partial groups up to which all are kept, so that nothing better exists. */
const ALL = 60_000;
/** What the lookup and leaning on read stacks may make a group cheaper than the search saw. */
export const SLACK = 0.3;
/** Score by which a shape may look worse at a glance and still be searched. */
const WORTH = 0.9;
/** Shapes that are searched after the glance. */
const SEARCHED = 2;
/** Groups of a search that are weighed in full, and where all were kept. */
const WEIGHED = 12;
const ALL_WEIGHED = 400;

/** The best group of some shapes, and the shape that it has. */
export interface BestGroup {
  readonly group: PlannedGroup;
  readonly from: Shape;
}

/** Plans groups for one wish after another from the same inks. */
export interface Planner {
  /** Groups of one shape, cheapest first, while inks cost something extra. */
  readonly search: (
    shape: Shape,
    width: number,
    extra: (ink: number) => number,
    most?: number,
    cap?: number,
  ) => FoundGroup[];
  /** A found group, exactly. */
  readonly weigh: (found: FoundGroup, goal: GroupGoal) => PlannedGroup;
  /** The best group that a wish leaves open; undefined when the paper holds none, or the inks give none. */
  readonly best: (
    wish: ShapeWish,
    extra?: (ink: number) => number,
    school?: School,
  ) => Work<BestGroup | undefined>;
  /** A group after a look at the shape that is likeliest to be good, or at the first that gives one. */
  readonly sketch: (wish: ShapeWish, extra: (ink: number) => number) => BestGroup | undefined;
  /**
   * A good group after a short look at the shapes that are likeliest to be good, or at all others.
   * @param known a group that is there already: only better ones are of interest
   */
  readonly glance: (
    wish: ShapeWish,
    known: BestGroup | undefined,
    which: "likeliest" | "others",
  ) => BestGroup | undefined;
  /** The next best one of a shape while inks cost extra. */
  readonly next: (shape: Shape, extra: (ink: number) => number) => PlannedGroup | undefined;
}

export const inksOf = ({ inks }: LaidGroup): number[] => [...inks.tones, ...inks.under, ...inks.over];

/** Lays a desk's usable inks out for planning. */
export function planner(
  desk: Desk,
  maxCoats: number,
  usable: (ink: number) => boolean,
): (options: PlanOptions) => Planner {
  const candidates = candidatesOf(desk, maxCoats, usable);
  return (options) => plannerOf(candidates, options);
}

function plannerOf(candidates: Candidates, options: PlanOptions): Planner {
  const { desk } = candidates;
  const {
    limits = STEP_LIMITS,
    weights = SCORE_WEIGHTS,
    fixed = [],
    unowned,
    purchases,
    inkCost = () => 0,
    goalOf,
    tried,
  } = options;
  const search: Planner["search"] = (s, width, extra, most = WEIGHED, cap = Infinity) =>
    searchGroups(
      candidates,
      s.shape,
      {
        goal: s.goal,
        limits,
        weights,
        inkCost: (ink) => inkCost(ink) + extra(ink),
        fixed,
        ...(unowned && { unowned }),
        ...(purchases !== undefined && { purchases }),
        ...(tried !== undefined && { tried }),
      },
      width,
      cap,
      most,
    );
  const weigh: Planner["weigh"] = ({ laying, inks }, goal) => {
    const weighed = weighGroup(desk, { laying, inks }, goal, inkCost, weights, limits);
    return { laying, inks, goal, weighed, score: weighed.score };
  };
  /** Width that keeps all partial groups of so many tones, or the usual one. */
  const widthFor = (tones: number): number => {
    let all = 1;
    for (let i = 0; i < tones; i++) all *= (candidates.tones.length - i) / (i + 1);
    return all <= ALL ? Infinity : WIDTH;
  };
  const charge = (g: PlannedGroup, extra: (ink: number) => number) =>
    g.score + inksOf(g).reduce((sum, ink) => sum + extra(ink), 0);
  /** The best of a shape, weighed exactly: what the search says of a group is the least that it can cost. */
  function bestOf(s: Shape, width: number, extra: (ink: number) => number, cap = Infinity) {
    let best: PlannedGroup | undefined;
    let least = Infinity;
    for (const found of search(s, width, extra, width === Infinity ? ALL_WEIGHED : WEIGHED, cap + SLACK)) {
      if (found.cost > least + SLACK) break;
      const group = weigh(found, s.goal);
      const cost = charge(group, extra);
      if (cost < least) [best, least] = [group, cost];
    }
    return best;
  }
  const next: Planner["next"] = (s, extra) => bestOf(s, Math.min(widthFor(s.shape.tones), NEXT), extra);

  const shapesFor = (wish: ShapeWish, school?: School): Shape[] =>
    toneCounts(wish, fixed.length)
      .flatMap((n) => shapesOf(wish, n, school))
      .map((s) => (goalOf ? { ...s, goal: goalOf(s.shape) } : s));
  const sketch: Planner["sketch"] = (wish, extra) => {
    const unusual = (tones: number) => Math.abs(tones - USUAL_TONES);
    for (const tones of toneCounts(wish, fixed.length).sort((a, b) => unusual(a) - unusual(b)))
      for (const from of shapesFor({ ...wish, tones }).sort((a, b) => a.off - b.off)) {
        const [found] = search(from, SKETCH, extra, 1);
        if (found) return { from, group: weigh(found, from.goal) };
      }
    return undefined;
  };
  const glance: Planner["glance"] = (wish, known, which) => {
    let found = known;
    const shapes = shapesFor(wish).sort((a, b) => a.off - b.off);
    for (const from of which === "likeliest" ? shapes.slice(0, LIKELIEST) : shapes.slice(LIKELIEST)) {
      const least = found ? found.group.score - ANYHOW * weights.area * found.group.weighed.missed : Infinity;
      for (const other of search(from, FIRST_LOOK, () => 0, FIRST_WEIGHED, least)) {
        const group = weigh(other, from.goal);
        if (group.score < (found?.group.score ?? Infinity)) found = { from, group };
      }
    }
    return found;
  };

  function* best(
    wish: ShapeWish,
    extra: (ink: number) => number = () => 0,
    school?: School,
  ): Work<BestGroup | undefined> {
    const isWhole = ({ shape }: Shape) => widthFor(shape.tones) === Infinity;
    // Shapes of which all partial groups are kept come last, and are glanced at first: what is known to be had ends most of their search.
    const shapes = shapesFor(wish, school).sort((a, b) => Number(isWhole(a)) - Number(isWhole(b)));
    const seen: BestGroup[] = [];
    let least = Infinity;
    for (const from of shapes.filter(isWhole)) {
      const group = bestOf(from, FIRST_LOOK, extra, least);
      if (group) least = Math.min(least, charge(group, extra));
    }
    for (const [i, from] of shapes.entries()) {
      const isAll = isWhole(from);
      const group = bestOf(from, isAll ? Infinity : GLANCE, extra, least + (isAll ? 0 : WORTH));
      if (group) seen.push({ from, group });
      if (group) least = Math.min(least, charge(group, extra));
      yield (0.6 * (i + 1)) / shapes.length;
    }
    seen.sort((a, b) => charge(a.group, extra) - charge(b.group, extra));
    let found = seen[0];
    const worth = seen
      .filter(({ from }) => !isWhole(from))
      .filter(({ group }) => charge(group, extra) < least + WORTH)
      .slice(0, SEARCHED);
    for (const [i, { from }] of worth.entries()) {
      const group = bestOf(from, WIDTH, extra, charge(found!.group, extra));
      if (group && charge(group, extra) < charge(found!.group, extra)) found = { from, group };
      yield 0.6 + (0.4 * (i + 1)) / worth.length;
    }
    return found;
  }
  return { search, weigh, best, sketch, glance, next };
}

/**
 * The best blend group as it will lie on the paper, then real alternatives to it: other inks, fewer markers, another way to make the shadow,
 * another school. Yields progress 0–1. On a desk of few inks the first group is the best there is.
 * @param top groups wanted; fewer come back when the inks do not give that many that differ, none when nothing fits on the paper
 * @param maxCoats most coats of one tone
 */
export function* planGroups(
  desk: Desk,
  wish: ShapeWish,
  top: number,
  options: PlanOptions = {},
  maxCoats = TONE_COATS,
): Work<PlannedGroup[]> {
  const { inkCost = () => 0, fixed = [] } = options;
  const isFixed = (ink: number) => fixed.some((f) => f.ink === ink);
  const own = (ink: number) => (isFixed(ink) ? 0 : inkCost(ink));
  const coats = Math.max(maxCoats, ...fixed.map((f) => f.coats));
  const { best, next } = planner(desk, coats, (ink) => Number.isFinite(own(ink)))({
    ...options,
    inkCost: own,
  });
  const first = yield* part(best(wish), 0, top > 1 ? 0.4 : 1);
  if (!first) return [];
  const found = [first.group];
  const offer = (group: PlannedGroup | undefined) => {
    if (group && found.length < top && found.every((g) => isAlternative(desk, g, group))) found.push(group);
  };
  const others = top > 1 ? otherWays(wish, first.group) : [];
  for (const [i, other] of others.entries()) {
    const way = yield* part(
      best(other.wish, undefined, other.school),
      0.4 + (0.3 * i) / others.length,
      0.3 / others.length,
    );
    offer(way?.group);
  }
  const used = new Float64Array(desk.inks.length);
  const lay = (group: PlannedGroup) => {
    for (const ink of inksOf(group))
      desk.inks.forEach((_, other) => {
        if (!isFixed(other) && (other === ink || areTwins(desk, ink, other))) used[other]! += USED;
      });
  };
  lay(first.group);
  const tries = (top - found.length) * 2;
  for (let attempt = 0; attempt < tries && found.length < top; attempt++) {
    const group = next(first.from, (ink) => used[ink]!);
    yield 0.7 + (0.3 * (attempt + 1)) / tries;
    if (!group) break;
    offer(group);
    lay(group);
  }
  return [found[0]!, ...found.slice(1).sort((a, b) => a.score - b.score)];
}

/** Other ways to come to a group: fewer markers, the shadow made otherwise, another school. */
function otherWays(
  wish: ShapeWish,
  best: PlannedGroup,
): { readonly wish: ShapeWish; readonly school?: School }[] {
  const { laying } = best;
  const made = laying.under.length ? "underlay" : laying.over.length ? "overlay" : "deeper";
  const n = laying.coats.length;
  const same: ShapeWish = { ...wish, tones: n };
  const school = OFFERED.find((s) => s !== wish.school);
  return [
    ...(wish.tones === "auto" && n > FEWEST_TONES ? [{ wish: { ...same, tones: n - 1 } }] : []),
    ...(wish.shadow === "best"
      ? [{ wish: { ...same, shadow: made === "deeper" ? ("underlay" as const) : ("deeper" as const) } }]
      : []),
    ...(school ? [{ wish: same, school }] : []),
  ];
}

/** Schools that are offered instead of the area's own. */
const OFFERED: readonly School[] = ["dark second", "light first"];

/** Whether two inks look alike in one coat on this desk's paper. */
export const areTwins = (desk: Desk, a: number, b: number): boolean =>
  deltaE00(seenLab(desk, [a]), seenLab(desk, [b])) < TWIN;

/** Whether a group is more than another with a near-twin exchanged. */
export function isAlternative(desk: Desk, known: PlannedGroup, other: PlannedGroup): boolean {
  const [a, b] = [known.weighed.zones, other.weighed.zones];
  if (known.laying.school !== other.laying.school || a.length !== b.length) return true;
  const apart = a.reduce((sum, p, i) => sum + deltaE00(p.lab, b[i]!.lab), 0) / a.length;
  const mine = inksOf(other);
  const others = mine.filter((ink) => !inksOf(known).some((k) => k === ink || areTwins(desk, k, ink))).length;
  return apart >= REAL_DIFFERENCE || others / mine.length >= OTHER_INKS;
}
