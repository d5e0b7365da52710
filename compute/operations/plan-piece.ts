import { Flag, List, Optional, Rule, Text, Whole, Within } from "@/border/fields";
import { wrong } from "@/border/problem";
import { deltaE00 } from "@/core/colour/delta-e00";
import { hashOf } from "../hash";
import { judgeLaid } from "@/core/group/assess";
import {
  planTogether,
  weighJoint,
  type JointArea,
  type JointGroup,
  type JointPlan,
  type JointPlans,
  type JointWish,
} from "@/core/group/joint";
import { inksOf } from "@/core/group/plan";
import type { Work } from "@/core/progress";
import { costOf } from "../cost";
import type { OpenDesk } from "../desk";
import { groupOutput, type GroupOutput } from "../group-output";
import { mostTogether, MOST_TOGETHER } from "../plan-limits";
import { askedOf, fixedOf, PlanWish, shapeWishOf } from "../group-wish";
import { AmongOwned, deskOperation } from "../operation";

class AreaWish extends PlanWish {
  @Text(60, 1) id!: string;
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

export class PlanPieceQuestion extends AmongOwned {
  @List(() => AreaWish, 1, MOST_TOGETHER, '{"id","target"}') areas!: AreaWish[];
  @Optional() @Pairs() neighbours: [string, string][] = [];
  @Optional() @Within(0, 60, "ΔE00") apart = 8;
  @Optional() @Within(0, 20, "ΔE00") markerCost = 1.5;
  @Optional() @Whole(2, 400) limit?: number;
  /** Also plans at other prices of a marker, to show markers against fit. */
  @Optional() @Flag() trade = false;
  /** Looks at every way to lay each area, however long that takes; else a very large piece ends with the likeliest ones. */
  @Optional() @Flag() thorough = false;
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

/** The piece as it is planned at another price of a marker. */
export interface TradePoint extends WholeFigures {
  readonly markerCost: number;
  readonly areas: PlanPieceOutput["areas"];
  readonly uses: PlanPieceOutput["markers"];
}

export interface PlanPieceOutput {
  readonly areas: readonly { readonly id: string; readonly group: GroupOutput }[];
  readonly markers: readonly { readonly code: string; readonly areas: readonly string[] }[];
  readonly together: WholeFigures;
  /** Each area planned by itself. */
  readonly apart: WholeFigures;
  readonly limitMet: boolean;
  /** Whether a thorough look would look at more ways to lay each area than this plan did. */
  readonly isBrief?: boolean;
  readonly trade?: readonly TradePoint[];
}

/** Prices of a marker at which the trade is shown. */
const PRICES = [0, 0.6, 1.5, 3, 6];
function wishOf(open: OpenDesk, question: PlanPieceQuestion): JointWish {
  const { desk } = open;
  const ids = question.areas.map((a) => a.id);
  const twice = ids.findIndex((id, i) => ids.indexOf(id) !== i);
  if (twice >= 0) throw wrong(`areas[${twice}].id`, "expected an id of its own");
  const areaOf = (id: string, path: string) => {
    const at = ids.indexOf(id);
    if (at < 0) throw wrong(path, `expected the id of one of the areas; "${id}" is none`);
    return at;
  };
  const alike = new Map<string, JointArea>();
  return {
    areas: question.areas.map((a, i) => {
      const { id: _, ...asked } = a;
      const name = hashOf(asked);
      const known = alike.get(name);
      if (known) return known;
      const excluded = new Set(a.exclude);
      const area: JointArea = {
        wish: shapeWishOf(open, a, a.emphasis),
        fixed: fixedOf(open, a, `areas[${i}].`),
        excluded: (ink) => excluded.has(desk.inks[ink]!.code),
        emphasis: a.emphasis,
      };
      alike.set(name, area);
      return area;
    }),
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

const localOff = (g: JointGroup) => deltaE00(g.local, g.goal.local);

function figuresOf(wish: JointWish, { groups }: JointPlan): WholeFigures {
  const plan = weighJoint(wish, groups);
  return {
    markers: plan.markers,
    fit: plan.fit / groups.length,
    localDeltaE00: groups.reduce((sum, g) => sum + localOff(g), 0) / groups.length,
    crowding: plan.crowding,
    objective: plan.objective,
  };
}

/** Groups as they are told, and which areas use which marker. */
function told(
  question: PlanPieceQuestion,
  open: OpenDesk,
  { groups }: JointPlan,
): Pick<PlanPieceOutput, "areas" | "markers"> {
  const ids = question.areas.map((a) => a.id);
  const uses = new Map<string, string[]>();
  for (const [i, g] of groups.entries())
    for (const ink of inksOf(g)) {
      const { code } = open.desk.inks[ink]!;
      uses.set(code, [...(uses.get(code) ?? []), ids[i]!]);
    }
  return {
    areas: groups.map((g, i) => {
      const own = question.areas[i]!;
      const asked = { ...askedOf(open, own, g.inks.tones.length), school: g.laying.school };
      return { id: ids[i]!, group: groupOutput(open, judgeLaid(open.desk, g, asked), { sheet: own.sheet }) };
    }),
    markers: [...uses]
      .map(([code, areas]) => ({ code, areas }))
      .sort((a, b) => b.areas.length - a.areas.length),
  };
}

const outputOf = (
  question: PlanPieceQuestion,
  open: OpenDesk,
  wish: JointWish,
  { alone, together }: JointPlans,
): PlanPieceOutput => ({
  ...told(question, open, together),
  together: figuresOf(wish, together),
  apart: figuresOf(wish, alone),
  limitMet: question.limit === undefined || together.markers <= question.limit,
});

/** Plans all areas of a piece together; tells the first plan after a short look, and better ones as they are found. */
export const planPiece = deskOperation(
  PlanPieceQuestion,
  function* (question, open, show): Work<PlanPieceOutput> {
    const { inks } = open.desk;
    const most = mostTogether(inks.length);
    if (question.areas.length > most)
      throw wrong(
        "areas",
        `expected at most ${most} areas for a desk of ${inks.length} inks; there are ${question.areas.length}`,
      );
    const wish = wishOf(open, question);
    const tell = show && ((soFar: JointPlans) => show(outputOf(question, open, wish, soFar)));
    const plans = yield* planTogether(open.desk, wish, question.trade ? PRICES : [], tell, question.thorough);
    if (!plans)
      throw wrong(
        "areas",
        "expected that every area can be planned; the inks at hand give too few different tones for one of them, or its paper holds too few coats",
      );
    return {
      ...outputOf(question, open, wish, plans),
      isBrief: plans.isBrief,
      ...(question.trade && {
        trade: plans.priced.map((p, n): TradePoint => {
          const { areas, markers: uses } = told(question, open, p);
          const markerCost = PRICES[n]!;
          return { markerCost, ...figuresOf({ ...wish, markerCost }, p), areas, uses };
        }),
      }),
    };
  },
);
