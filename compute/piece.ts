import { assessGroup } from "@/core/group/assess";
import { planGreedily, planTogether, weighJoint, type JointPlan, type JointWish } from "@/core/group/joint";
import { goalLike, likeness, LIKENESS_WEIGHTS } from "@/core/group/like";
import { planGroups } from "@/core/group/plan";
import type { Desk } from "@/core/ink/desk";
import { closeness } from "@/core/colour/delta-e00";
import { deskOf, placeOf } from "./desk-memory";
import { costOf, goalOf, groupOutput, usable, type GroupOutput } from "./group";
import { colourOf } from "./inputs/colour";
import type { PlanPieceInput, SubstituteGroupInput } from "./inputs/planning";
import { part } from "@/core/progress";
import { BadInput } from "./problem";

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

/** Plans all areas of a piece together. */
export function* planPiece(input: PlanPieceInput): Generator<number, PlanPieceOutput> {
  const desk = deskOf(input);
  const price = costOf(input.inks);
  const ids = input.areas.map((a) => a.id);
  const twice = ids.findIndex((id, i) => ids.indexOf(id) !== i);
  if (twice >= 0) throw new BadInput([{ path: `areas[${twice}].id`, expected: "expected an id of its own" }]);
  const neighbours = input.neighbours.map(
    (pair, i) =>
      pair.map((id, j) => {
        const at = ids.indexOf(id);
        if (at < 0)
          throw new BadInput([
            {
              path: `neighbours[${i}][${j}]`,
              expected: `expected the id of one of the areas; "${id}" is none`,
            },
          ]);
        return at;
      }) as [number, number],
  );
  const wish: JointWish = {
    areas: input.areas.map((a, i) => ({
      goal: goalOf(desk, a, a.tones, a.emphasis),
      fixed: a.fixed
        .slice(0, a.tones)
        .map((t, j) => ({ ink: placeOf(desk, t.code, `areas[${i}].fixed[${j}].code`), coats: t.coats })),
      excluded: (ink: number) => a.exclude.includes(desk.inks[ink]!.code),
      emphasis: a.emphasis,
    })),
    neighbours,
    apart: input.apart,
    markerCost: input.markerCost,
    inkCost: price,
    limit: input.limit ?? null,
  };
  const plan = yield* part(planTogether(desk, wish), 0, input.trade ? PLAN_SHARE : 1);
  const alone = planGreedily(desk, wish);
  if (!plan || !alone)
    throw new BadInput([
      {
        path: "areas",
        expected:
          "expected that every area can be planned; the inks at hand give too few different tones for one of them",
      },
    ]);
  const figures = (p: JointPlan): WholeFigures => figuresOf(wish, weighJoint(wish, p.groups));
  const trade: TradePoint[] = [];
  if (input.trade)
    for (const [n, markerCost] of PRICES.entries()) {
      const at = { ...wish, markerCost, limit: null };
      const priced =
        markerCost === 0
          ? alone
          : yield* part(
              planTogether(desk, at),
              PLAN_SHARE + ((1 - PLAN_SHARE) * n) / PRICES.length,
              (1 - PLAN_SHARE) / PRICES.length,
            );
      if (priced) trade.push({ markerCost, ...figuresOf(at, weighJoint(at, priced.groups)) });
    }
  const judged = plan.groups.map((g, i) =>
    assessGroup(desk, g.tones, wish.areas[i]!.goal, price, usable(input.inks)),
  );
  const uses = new Map<string, string[]>();
  plan.groups.forEach((g, i) =>
    g.tones.forEach((t) =>
      uses.set(desk.inks[t.ink]!.code, [...(uses.get(desk.inks[t.ink]!.code) ?? []), ids[i]!]),
    ),
  );
  return {
    areas: judged.map((g, i) => ({ id: ids[i]!, group: groupOutput(desk, g) })),
    markers: [...uses]
      .map(([code, areas]) => ({ code, areas }))
      .sort((a, b) => b.areas.length - a.areas.length),
    together: figures(plan),
    apart: figures(alone),
    limitMet: input.limit === undefined || plan.markers <= input.limit,
    ...(input.trade && { trade }),
  };

  function figuresOf(w: JointWish, p: JointPlan): WholeFigures {
    const local =
      p.groups.reduce(
        (sum, g, i) => sum + assessGroup(desk, g.tones, w.areas[i]!.goal).localColourDeltaE00,
        0,
      ) / p.groups.length;
    return {
      markers: p.markers,
      fit: p.fit / p.groups.length,
      localDeltaE00: local,
      crowding: p.crowding,
      objective: p.objective,
    };
  }
}

export interface SubstituteGroupOutput {
  readonly groups: readonly {
    readonly group: GroupOutput;
    readonly each: readonly number[];
    readonly mean: number;
    readonly closeness: string;
  }[];
}

/** A known group made again from other inks on this paper: each tone as near as may be to what it stands for, and still a group. */
export function* substituteGroup(input: SubstituteGroupInput): Generator<number, SubstituteGroupOutput> {
  const desk: Desk = deskOf(input);
  const among = new Set(input.among.map((code, i) => placeOf(desk, code, `among[${i}]`)));
  const price = costOf(input.inks);
  const may = (ink: number) => (among.has(ink) ? price(ink) : Infinity);
  const wanted = input.tones.map((c) => colourOf(c).lab).sort((a, b) => b[0] - a[0]);
  const ready = desk.inks.filter((_, i) => Number.isFinite(may(i))).length;
  if (ready < wanted.length)
    throw new BadInput([
      {
        path: "among",
        expected: `expected at least ${wanted.length} inks that are not dry; there are ${ready}`,
      },
    ]);
  const goal = goalLike(wanted);
  const found = yield* planGroups(desk, goal, input.top, {
    inkCost: may,
    weights: LIKENESS_WEIGHTS,
    maxCoats: 3,
  });
  return {
    groups: found
      .map((g) => {
        const { each, mean } = likeness(g.tones, wanted);
        return {
          group: groupOutput(
            desk,
            assessGroup(desk, g.tones, goal, () => 0, usable(input.inks)),
          ),
          each,
          mean,
          closeness: closeness(mean),
        };
      })
      .sort((a, b) => a.mean - b.mean),
  };
}
