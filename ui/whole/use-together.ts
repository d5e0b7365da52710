"use client";
import type { PlanPieceOutput } from "@/compute/operations/plan-piece";
import { mostTogether } from "@/compute/plan-limits";
import { useMemo } from "react";
import { neighboursOf, targetOf, tonesOf, type Area, type Piece } from "@/core/piece/piece";
import { MOST_TONES } from "@/core/group/tone";
import type { Rack } from "@/store/rack";
import { rackKey } from "@/compute/from-rack";
import { useAsk } from "@/ui/jobs/use-job";
import { asInput, plainTones } from "@/compute/kept-groups";
import { planWishOf } from "@/ui/piece/group/use-groups";
import { standingFor, standingPairs } from "./of-one-colour";

/** Everything that a joint plan is asked, but for the price of a marker: every area whose colour is known; `held` areas keep their tones. */
export function togetherQuestion(piece: Piece, rack: Rack, held: (area: Area) => boolean = () => false) {
  const { areas, neighbours, ...wish } = wholeQuestion(piece, rack, held);
  const standing = standingFor(areas, mostAtOnce(rack));
  return {
    asked: { ...wish, areas: standing.areas, neighbours: standingPairs(standing, neighbours) },
    standing,
  };
}

/** Areas that the markers of a rack can be planned for at once. */
export const mostAtOnce = (rack: Rack): number =>
  mostTogether(rack.markers.filter((m) => m.swatches.length).length);

/** The same before areas of one colour stand for each other. */
export function wholeQuestion(piece: Piece, rack: Rack, held: (area: Area) => boolean) {
  const ownedOnly = piece.areas.every((a) => a.ownedOnly);
  const isRead = (code: string) =>
    rack.markers.some((m) => m.code === code && m.swatches.length && (m.owned || !ownedOnly));
  const areas = piece.areas.flatMap((a) => {
    const target = targetOf(a);
    if (!target) return [];
    const kept = tonesOf(a);
    const all = held(a) && kept.every((t) => isRead(t.code)) && kept.length > 1;
    return [
      {
        id: a.id,
        target: asInput(target),
        ...planWishOf(rack, a, piece.whole.scene),
        ...(all && { tones: kept.length }),
        fixed: plainTones(kept.filter((t) => (all || t.locked) && isRead(t.code))).slice(
          0,
          all ? kept.length : (a.tones ?? MOST_TONES),
        ),
        emphasis: a.emphasis,
      },
    ];
  });
  const ids = new Set(areas.map((a) => a.id));
  const { apart, markerLimit } = piece.whole;
  return {
    areas,
    neighbours: neighboursOf(piece).filter((p) => p.every((id) => ids.has(id))),
    apart,
    ownedOnly,
    ...(markerLimit !== null && { limit: markerLimit }),
  };
}

/** A joint plan that was asked for: of what, and at what price of a marker. */
export interface AskedTogether {
  readonly key: string;
  readonly markerCost: number;
  /** Every way to lay each area is looked at, of however large a piece. */
  readonly thorough?: boolean;
}

/** All areas planned together, at other prices of a marker too; nothing to do until it is asked for. */
export function useTogether(
  piece: Piece,
  rack: Rack,
  wanted: AskedTogether | undefined,
  held?: (area: Area) => boolean,
) {
  const isAsked = wanted?.key === togetherKey(piece, rack);
  const { asked, standing } = useMemo(() => togetherQuestion(piece, rack, held), [piece, rack, held]);
  const work = useAsk(
    "planPiece",
    rack,
    isAsked
      ? {
          ...asked,
          markerCost: wanted.markerCost,
          trade: true,
          ...(wanted.thorough && { thorough: true }),
        }
      : null,
    { about: wanted?.key },
  );
  const { output } = work;
  const all = useMemo(() => output && spread(output, standing.like), [output, standing]);
  return {
    ...work,
    ...(all && { output: all }),
    /** Areas that share the group of another one of their colour, and such as found no room. */
    shared: [...standing.like.values()].reduce((sum, ids) => sum + ids.length, 0),
    left: standing.left.length,
  };
}

/** A plan in which what stands for others gives them its group. */
function spread(plan: PlanPieceOutput, like: ReadonlyMap<string, readonly string[]>): PlanPieceOutput {
  if (!like.size) return plan;
  const groups = (areas: PlanPieceOutput["areas"]): PlanPieceOutput["areas"] =>
    areas.flatMap((a) => [a, ...(like.get(a.id) ?? []).map((id) => ({ id, group: a.group }))]);
  const uses = (markers: PlanPieceOutput["markers"]): PlanPieceOutput["markers"] =>
    markers.map((m) => ({ ...m, areas: m.areas.flatMap((id) => [id, ...(like.get(id) ?? [])]) }));
  return {
    ...plan,
    areas: groups(plan.areas),
    markers: uses(plan.markers),
    ...(plan.trade && {
      trade: plan.trade.map((t) => ({ ...t, areas: groups(t.areas), uses: uses(t.uses) })),
    }),
  };
}

/**
 * Changes when somebody wishes something else, whatever a marker costs. How areas are divided is no wish: it is noted when a picture is drawn, and
 * what was asked for is then asked again.
 */
export const togetherKey = (piece: Piece, rack: Rack): string =>
  `${rackKey(rack)} ${JSON.stringify(
    wholeQuestion(piece, rack, () => false),
    (field, value: unknown) => (field === "shares" ? undefined : value),
  )}`;
