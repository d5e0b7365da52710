import { Codes, Flag, List, Optional, Rule, Text, Whole, Within } from "@/border/fields";
import { wrong } from "@/border/problem";
import { TONE, ToneInput } from "@/border/tone";
import { assessGroup } from "@/core/group/assess";
import { planGreedily, planTogether, weighJoint, type JointPlan, type JointWish } from "@/core/group/joint";
import { FEWEST_TONES, MOST_TONES } from "@/core/group/tone";
import { part, type Work } from "@/core/progress";
import { costOf, isReady } from "../cost";
import type { OpenDesk } from "../desk";
import { goalOf, groupOutput, GroupWish, type GroupOutput } from "../group-output";
import { AmongOwned, deskOperation } from "../operation";

class AreaWish extends GroupWish {
  @Text(60, 1) id!: string;
  @Optional() @Whole(FEWEST_TONES, MOST_TONES) tones = 4;
  @Optional() @List(() => ToneInput, 0, MOST_TONES, TONE) fixed: ToneInput[] = [];
  @Optional() @Codes(0, 400) exclude: string[] = [];
  @Optional() @Flag() emphasis = false;
}

const Pairs = () =>
  Rule(
    "expected a list of at most 4000 pairs of area ids",
    (v) =>
      Array.isArray(v) &&
      v.length <= 4000 &&
      v.every((p) => Array.isArray(p) && p.length === 2 && p.every((id) => typeof id === "string")),
  );

const MOST_AREAS = 60;

export class PlanPieceQuestion extends AmongOwned {
  @List(() => AreaWish, 1, MOST_AREAS, '{"id","target"}') areas!: AreaWish[];
  @Optional() @Pairs() neighbours: [string, string][] = [];
  @Optional() @Within(0, 60, "ΔE00") apart = 8;
  @Optional() @Within(0, 20, "ΔE00") markerCost = 1.5;
  @Optional() @Whole(2, 400) limit?: number;
  /** Also plans at other prices of a marker, to show markers against fit. */
  @Optional() @Flag() trade = false;
}

/** How a whole plan stands: markers used against fit. */
export interface WholeFigures {
  readonly markers: number;
  /** Mean score of the areas, in ΔE00 of the local colour. */
  readonly fit: number;
  /** Mean ΔE00 of the local colours. */
  readonly localDeltaE00: number;
  /** ΔE00 that neighbours stand too near, summed. */
  readonly crowding: number;
  readonly objective: number;
}

export interface TradePoint extends WholeFigures {
  readonly markerCost: number;
}

export interface PlanPieceOutput {
  readonly areas: readonly { readonly id: string; readonly group: GroupOutput }[];
  readonly markers: readonly { readonly code: string; readonly areas: readonly string[] }[];
  readonly together: WholeFigures;
  /** Each area planned by itself. */
  readonly apart: WholeFigures;
  readonly limitMet: boolean;
  readonly trade?: readonly TradePoint[];
}

/** Prices of a marker at which the trade is shown. */
const PRICES = [0, 0.6, 1.5, 3, 6];
/** Share of the progress that the plan itself takes when the trade follows. */
const PLAN_SHARE = 0.3;

function wishOf(open: OpenDesk, question: PlanPieceQuestion): JointWish {
  const { desk, placeOf } = open;
  const ids = question.areas.map((a) => a.id);
  const twice = ids.findIndex((id, i) => ids.indexOf(id) !== i);
  if (twice >= 0) throw wrong(`areas[${twice}].id`, "expected an id of its own");
  const areaOf = (id: string, path: string) => {
    const at = ids.indexOf(id);
    if (at < 0) throw wrong(path, `expected the id of one of the areas; "${id}" is none`);
    return at;
  };
  return {
    areas: question.areas.map((a, i) => ({
      goal: goalOf(open, a, a.tones, a.emphasis),
      fixed: a.fixed.slice(0, a.tones).map((t, j) => ({
        ink: placeOf(t.code, `areas[${i}].fixed[${j}].code`),
        coats: t.coats,
      })),
      excluded: (ink) => a.exclude.includes(desk.inks[ink]!.code),
      emphasis: a.emphasis,
    })),
    neighbours: question.neighbours.map(([a, b], i) => [
      areaOf(a, `neighbours[${i}][0]`),
      areaOf(b, `neighbours[${i}][1]`),
    ]),
    apart: question.apart,
    markerCost: question.markerCost,
    inkCost: costOf(open, question.ownedOnly),
    limit: question.limit ?? null,
  };
}

function figuresOf({ desk }: OpenDesk, wish: JointWish, { groups }: JointPlan): WholeFigures {
  const plan = weighJoint(wish, groups);
  const local = groups.map((g, i) => assessGroup(desk, g.tones, wish.areas[i]!.goal).localColourDeltaE00);
  return {
    markers: plan.markers,
    fit: plan.fit / groups.length,
    localDeltaE00: local.reduce((a, b) => a + b, 0) / groups.length,
    crowding: plan.crowding,
    objective: plan.objective,
  };
}

/** Plans all areas of a piece together. */
export const planPiece = deskOperation(PlanPieceQuestion, function* (question, open): Work<PlanPieceOutput> {
  const { desk } = open;
  const wish = wishOf(open, question);
  const plan = yield* part(planTogether(desk, wish), 0, question.trade ? PLAN_SHARE : 1);
  const alone = planGreedily(desk, wish);
  if (!plan || !alone)
    throw wrong(
      "areas",
      "expected that every area can be planned; the inks at hand give too few different tones for one of them",
    );
  const trade: TradePoint[] = [];
  if (question.trade)
    for (const [n, markerCost] of PRICES.entries()) {
      const at = { ...wish, markerCost, limit: null };
      const share = (1 - PLAN_SHARE) / PRICES.length;
      const priced = markerCost ? yield* part(planTogether(desk, at), PLAN_SHARE + n * share, share) : alone;
      if (priced) trade.push({ markerCost, ...figuresOf(open, at, priced) });
    }
  const ids = question.areas.map((a) => a.id);
  const judged = plan.groups.map((g, i) =>
    assessGroup(desk, g.tones, wish.areas[i]!.goal, wish.inkCost, isReady(open)),
  );
  const uses = new Map<string, string[]>();
  for (const [i, g] of plan.groups.entries())
    for (const t of g.tones) {
      const { code } = desk.inks[t.ink]!;
      uses.set(code, [...(uses.get(code) ?? []), ids[i]!]);
    }
  return {
    areas: judged.map((g, i) => ({ id: ids[i]!, group: groupOutput(open, g) })),
    markers: [...uses]
      .map(([code, areas]) => ({ code, areas }))
      .sort((a, b) => b.areas.length - a.areas.length),
    together: figuresOf(open, wish, plan),
    apart: figuresOf(open, wish, alone),
    limitMet: question.limit === undefined || plan.markers <= question.limit,
    ...(question.trade && { trade }),
  };
});
