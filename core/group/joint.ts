import { deltaE00 } from "@/core/colour/delta-e00";
import type { Lab } from "@/core/colour/lab";
import type { Desk } from "@/core/ink/desk";
import { part, type Work } from "@/core/progress";
import { inksOf, planner, SLACK, TONE_COATS, type BestGroup, type Planner, type PlannedGroup } from "./plan";
import { LOCAL_UNIT } from "./score";
import type { FixedTone } from "./search";
import { mostShapes, type Shape, type ShapeWish } from "./shapes";

/** An area of the piece to be planned with the others. */
export interface JointArea {
  readonly wish: ShapeWish;
  readonly fixed: readonly FixedTone[];
  readonly excluded: (ink: number) => boolean;
  /** It stands out: more apart from its neighbours than others are. */
  readonly emphasis: boolean;
}

export interface JointWish {
  /** Areas of the same wish are one and the same, and planned once. */
  readonly areas: readonly JointArea[];
  /** Pairs of areas that touch. */
  readonly neighbours: readonly (readonly [number, number])[];
  /** Least ΔE00 between the local colours of neighbours. */
  readonly apart: number;
  /** What a marker costs, in ΔE00 of a local colour. */
  readonly markerCost: number;
  readonly inkCost: (ink: number) => number;
  /** Most markers of the whole piece; null leaves it open. */
  readonly limit: number | null;
}

export interface JointGroup extends PlannedGroup {
  /** Local colour as laid. */
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
const CROWDING = 0.6 * LOCAL_UNIT;
const EMPHASIS = 2;
/** How closely an area looks when it answers the others. */
interface Look {
  /** Partial groups that are kept. */
  readonly width: number;
  /** Groups that are weighed against each other by everything else. */
  readonly pool: number;
  /** Those of them that are laid and weighed in full. */
  readonly weighed: number;
  /** Tones that are tried in one place; undefined takes as many as a search takes. */
  readonly tried?: number;
}
const CLOSE: Look = { width: 12, pool: 24, weighed: 5 };
/** Of a large piece: 1 % dearer plans in two thirds of the time. */
const BRIEF: Look = { width: 8, pool: 16, weighed: 3, tried: 90 };
const MOST_ROUNDS = 4;
/** What a marker costs, in the units of a score. */
const priceOf = ({ markerCost }: JointWish): number => markerCost * LOCAL_UNIT;
/** Areas of different wishes times ways to lay them times inks from which on each area gets a short look only: about ten seconds' work. */
const LARGE = 24_000;
/** The same from which on a plan ends with the likeliest ways of each area, unless more is asked for: half the time, 3–4 % dearer. */
const VERY_LARGE = 120_000;
/** Shares of the progress of the first sketch and look, and of planning each area by itself. */
const SKETCH = 0.02;
const FIRST_LOOK = 0.1;
const ALONE = 0.3;

/** What several areas' plans share: the inks of the desk laid out once, and for each area the way it is laid. */
interface Board {
  readonly wish: JointWish;
  readonly look: Look;
  readonly planners: readonly Planner[];
  /** Each area by itself. */
  readonly alone: readonly JointGroup[];
  readonly shapes: readonly Shape[];
}

const asJoint = (group: PlannedGroup): JointGroup => ({
  ...group,
  local: group.weighed.zones[group.goal.localAt]!.lab,
});

/** How the areas of a piece are planned on a desk: areas of one wish share a planner. */
function plannersOf(desk: Desk, wish: JointWish, { tried }: Look): Planner[] {
  const held = (ink: number) => wish.areas.some((a) => a.fixed.some((f) => f.ink === ink));
  const coats = Math.max(TONE_COATS, ...wish.areas.flatMap((a) => a.fixed.map((f) => f.coats)));
  const shared = planner(desk, coats, (ink) => held(ink) || Number.isFinite(wish.inkCost(ink)));
  const known = new Map<JointArea, Planner>();
  return wish.areas.map((area) => {
    const { fixed, excluded } = area;
    const isFixed = fixedIn({ fixed });
    const own =
      known.get(area) ??
      shared({
        fixed,
        ...(tried !== undefined && { tried }),
        inkCost: (ink) => (isFixed(ink) ? 0 : excluded(ink) ? Infinity : wish.inkCost(ink)),
      });
    known.set(area, own);
    return own;
  });
}

/**
 * A look at a whole piece, area by area: what an area finds goes for all of the same wish.
 * @returns undefined when an area cannot be planned
 */
function* eachArea(
  wish: JointWish,
  find: (area: number, soFar: readonly BestGroup[]) => Work<BestGroup | undefined>,
): Work<BestGroup[] | undefined> {
  const known = new Map<JointArea, BestGroup>();
  const own: BestGroup[] = [];
  for (const [i, area] of wish.areas.entries()) {
    let found = known.get(area);
    if (!found) {
      const from = i / wish.areas.length;
      found = yield* part(find(i, own), from, 1 / wish.areas.length);
      if (!found) return undefined;
      known.set(area, found);
      yield from;
    }
    own.push(found);
  }
  return own;
}

const boardOf = (
  wish: JointWish,
  look: Look,
  planners: readonly Planner[],
  own: readonly BestGroup[],
): Board => ({
  wish,
  look,
  planners,
  alone: own.map((o) => asJoint(o.group)),
  shapes: own.map((o) => o.from),
});

/** One area after the other, each with the markers that those before it have where they do. */
const sketched = (wish: JointWish, planners: readonly Planner[]) =>
  eachArea(wish, function* (area, soFar) {
    const there = new Set(soFar.flatMap((o) => inksOf(o.group)));
    const isFixed = fixedIn(wish.areas[area]!);
    yield 0;
    return planners[area]!.sketch(wish.areas[area]!.wish, (ink) =>
      there.has(ink) || isFixed(ink) ? 0 : priceOf(wish),
    );
  });

const fixedIn =
  ({ fixed }: Pick<JointArea, "fixed">) =>
  (ink: number): boolean =>
    fixed.some((f) => f.ink === ink);

const inksAt = (groups: readonly (JointGroup | undefined)[]) =>
  new Set(groups.flatMap((g) => (g ? inksOf(g) : [])));

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
  const markers = inksAt(groups).size;
  const fit = groups.reduce((sum, g) => sum + g.score, 0);
  const crowding = groups.reduce((sum, g, i) => sum + crowdingOf(wish, i, g.local, groups), 0) / 2;
  return { groups, markers, fit, crowding, objective: fit + priceOf(wish) * markers + crowding };
}

/** What an area costs beside the others: how well it fits, the markers that only it has, and how near it stands to its neighbours. */
function costBeside({ wish }: Board, area: number, groups: readonly JointGroup[]): number {
  const own = groups[area]!;
  const there = inksAt(groups.filter((_, i) => i !== area));
  const isFixed = fixedIn(wish.areas[area]!);
  const markers = inksOf(own).filter((ink) => !there.has(ink) && !isFixed(ink)).length;
  return own.score + priceOf(wish) * markers + crowdingOf(wish, area, own.local, groups);
}

/**
 * The best answer of one area to the others: cheapest in fit, new markers and crowding.
 * @param cap cost beyond which no answer is of interest
 * @param barred an ink that must not be in it
 */
function answer(
  { wish, look, planners, shapes }: Board,
  area: number,
  groups: readonly JointGroup[],
  cap: number,
  barred?: number,
): JointGroup | undefined {
  const there = inksAt(groups.filter((_, i) => i !== area));
  const isFixed = fixedIn(wish.areas[area]!);
  const extra = (ink: number) =>
    isFixed(ink) ? 0 : ink === barred ? Infinity : there.has(ink) ? 0 : priceOf(wish);
  const { search, weigh } = planners[area]!;
  const crowding = (g: { local: Lab }) => crowdingOf(wish, area, g.local, groups);
  const found = search(shapes[area]!, look.width, extra, look.pool, cap + SLACK).sort(
    (x, y) => x.cost + crowding(x) - y.cost - crowding(y),
  );
  const costOf = (g: JointGroup) =>
    g.score + crowding(g) + inksOf(g).reduce((sum, ink) => sum + extra(ink), 0);
  return found
    .slice(0, look.weighed)
    .map((f) => asJoint(weigh(f, shapes[area]!.goal)))
    .reduce<JointGroup | undefined>((best, g) => (best && costOf(best) <= costOf(g) ? best : g), undefined);
}

/** How a piece is planned: each area by itself, which is what the joint plan is measured against, and all together. */
export interface JointPlans {
  readonly alone: JointPlan;
  readonly together: JointPlan;
}

/** The better of two plans under a wish. */
const betterOf = (wish: JointWish, a: JointPlan, b: JointPlan | undefined): JointPlan => {
  const [one, other] = [weighJoint(wish, a.groups), b && weighJoint(wish, b.groups)];
  return other && other.objective < one.objective ? other : one;
};

interface PricedPlans extends JointPlans {
  /** The piece as it is planned at each of the prices that were asked for. */
  readonly priced: readonly JointPlan[];
  /** Whether only the likeliest ways of each area were looked at. */
  readonly isBrief: boolean;
}

/**
 * All areas together. Starts from each area by itself; then each area answers the others (the best group given which markers lie ready
 * anyway and where neighbours stand), and each marker used by few areas is tried without; a change is kept only when it lowers the whole, so
 * the result is never worse than the start. With a limit, the price of a marker rises until the limit is met. A sketch and a short look at
 * every area come first, so that there is something to show; a large piece is planned from those, and a very large one ends with the likeliest
 * ways to lay each area, unless all of them are asked for. Yields progress 0–1.
 * @param prices costs of a marker for which the piece is planned too, cheapest first, to show markers against fit
 * @param thorough look at every way of each area, however many there are
 * @param show told the best plan so far each time there is a better one; what it is told of each area alone is not its best yet
 * @returns undefined when an area has no group at all
 */
export function* planTogether(
  desk: Desk,
  wish: JointWish,
  prices: readonly number[] = [],
  show?: (soFar: JointPlans) => void,
  thorough = false,
): Work<PricedPlans | undefined> {
  const ways = [...new Set(wish.areas)].reduce((sum, a) => sum + mostShapes(a.wish), 0);
  const isLarge = ways * desk.inks.length > LARGE;
  const endsSoon = !thorough && ways * desk.inks.length > VERY_LARGE;
  const look = isLarge ? BRIEF : CLOSE;
  const planners = plannersOf(desk, wish, look);
  const glanced = (known: readonly (BestGroup | undefined)[], which: "likeliest" | "others") =>
    eachArea(wish, function* (area) {
      yield 0;
      return planners[area]!.glance(wish.areas[area]!.wish, known[area], which);
    });
  let looked: JointPlan | undefined;
  let own: BestGroup[] | undefined;
  if (show || isLarge) {
    const first = yield* part(sketched(wish, planners), 0, SKETCH);
    if (first) {
      const sketch = weighJoint(wish, boardOf(wish, look, planners, first).alone);
      show?.({ alone: sketch, together: sketch });
      own = yield* part(glanced(first, "likeliest"), SKETCH, FIRST_LOOK / 2);
      const short = boardOf(wish, look, planners, own!);
      const alone = weighJoint(wish, short.alone);
      const from = SKETCH + FIRST_LOOK / 2;
      looked = yield* part(improve(short, betterOf(wish, alone, sketch)), from, FIRST_LOOK / 2);
      show?.({ alone, together: looked });
    }
  }
  const isBrief = endsSoon && own !== undefined;
  if (!isBrief)
    own = yield* part(
      isLarge && own
        ? glanced(own, "others")
        : eachArea(wish, (area) => planners[area]!.best(wish.areas[area]!.wish)),
      SKETCH + FIRST_LOOK,
      ALONE,
    );
  if (!own) return undefined;
  const start = boardOf(wish, look, planners, own);
  const alone = weighJoint(wish, start.alone);
  const done = SKETCH + FIRST_LOOK + ALONE;
  const share = (1 - done) / (1 + prices.length);
  let plan =
    isBrief && looked ? looked : yield* part(improve(start, betterOf(wish, alone, looked)), done, share);
  for (
    let price = Math.max(0.5, wish.markerCost), tries = 0;
    wish.limit !== null && plan.markers > wish.limit && tries < 7;
    tries++
  ) {
    price *= 2;
    const dear = { ...wish, markerCost: price };
    const cheaper = yield* part(
      improve({ ...start, wish: dear }, weighJoint(dear, plan.groups)),
      done + share / 2,
      share / 2,
    );
    plan = weighJoint(wish, cheaper.groups);
  }
  show?.({ alone, together: plan });
  const priced: JointPlan[] = [];
  for (const [n, markerCost] of prices.entries()) {
    const at = { ...wish, markerCost, limit: null };
    if (!markerCost) priced.push(weighJoint(at, start.alone));
    else if (wish.limit === null && markerCost === wish.markerCost) priced.push(plan);
    else {
      // What was found at another price is a start as good as any.
      const from = betterOf(at, betterOf(at, alone, plan), priced.at(-1));
      priced.push(yield* part(improve({ ...start, wish: at }, from), done + (n + 1) * share, share));
    }
  }
  return { alone, together: plan, priced, isBrief };
}

function* improve(b: Board, from: JointPlan): Generator<number, JointPlan> {
  let plan = from;
  const { wish } = b;
  /** The plans with which an area, or a marker, was tried last: with the same one nothing else would come of it. */
  const triedWith = { area: new Map<number, JointPlan>(), ink: new Map<number, JointPlan>() };
  const isNew = (what: "area" | "ink", at: number): boolean => {
    if (triedWith[what].get(at) === plan) return false;
    triedWith[what].set(at, plan);
    return true;
  };
  const consider = (groups: readonly JointGroup[]): boolean => {
    const next = weighJoint(wish, groups);
    if (next.objective >= plan.objective - 1e-9) return false;
    plan = next;
    return true;
  };
  for (let round = 0; round < MOST_ROUNDS; round++) {
    let better = false;
    for (let area = 0; area < wish.areas.length; area++) {
      const group = isNew("area", area)
        ? answer(b, area, plan.groups, costBeside(b, area, plan.groups))
        : undefined;
      if (group) better = consider(plan.groups.map((g, i) => (i === area ? group : g))) || better;
      yield (round + area / wish.areas.length / 2) / MOST_ROUNDS;
    }
    better =
      withoutRareMarkers(
        b,
        () => plan,
        (ink) => isNew("ink", ink),
        consider,
      ) || better;
    yield (round + 1) / MOST_ROUNDS;
    if (!better) break;
  }
  return plan;
}

/** Tries to do without each marker, rarest first: every area that uses it answers again with that marker barred. */
function withoutRareMarkers(
  b: Board,
  plan: () => JointPlan,
  isNew: (ink: number) => boolean,
  consider: (groups: readonly JointGroup[]) => boolean,
): boolean {
  const uses = new Map<number, number[]>();
  plan().groups.forEach((g, area) =>
    inksOf(g).forEach((ink) => uses.set(ink, [...(uses.get(ink) ?? []), area])),
  );
  let better = false;
  for (const [ink] of [...uses].sort((x, y) => x[1].length - y[1].length)) {
    if (!isNew(ink)) continue;
    const areas = plan().groups.flatMap((g, area) => (inksOf(g).includes(ink) ? [area] : []));
    if (!areas.length || areas.some((a) => fixedIn(b.wish.areas[a]!)(ink))) continue;
    const groups: JointGroup[] = [...plan().groups];
    // The last area to give the marker up saves what it costs; before that the others may only rise by so much.
    let left = priceOf(b.wish);
    for (const area of areas) {
      if (area === areas.at(-1)) left -= priceOf(b.wish);
      const before = costBeside(b, area, groups);
      const other = answer(b, area, groups, before + left, ink);
      if (!other) break;
      groups[area] = other;
      left -= costBeside(b, area, groups) - before;
    }
    if (!groups.some((g) => inksOf(g).includes(ink))) better = consider(groups) || better;
  }
  return better;
}
