"use client";
import { neighboursOf, targetOf, tonesOf, type Area, type Piece } from "@/core/piece/piece";
import { MOST_TONES } from "@/core/group/tone";
import type { Rack } from "@/store/rack";
import { rackKey } from "@/compute/from-rack";
import { useAsk } from "@/ui/jobs/use-job";
import { asInput, plainTones } from "@/compute/kept-groups";
import { planWishOf } from "@/ui/piece/group/use-groups";

/** Everything that a joint plan is asked, but for the price of a marker: every area whose colour is known; `held` areas keep their tones. */
export function togetherQuestion(piece: Piece, rack: Rack, held: (area: Area) => boolean = () => false) {
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
}

/** All areas planned together, at other prices of a marker too; nothing to do until it is asked for. */
export function useTogether(piece: Piece, rack: Rack, asked: AskedTogether | undefined) {
  const isAsked = asked?.key === togetherKey(piece, rack);
  return useAsk(
    "planPiece",
    rack,
    isAsked ? { ...togetherQuestion(piece, rack), markerCost: asked.markerCost, trade: true } : null,
  );
}

/**
 * Changes when somebody wishes something else, whatever a marker costs. How areas are divided is no wish: it is noted when a picture is drawn, and
 * what was asked for is then asked again.
 */
export const togetherKey = (piece: Piece, rack: Rack): string =>
  `${rackKey(rack)} ${JSON.stringify(togetherQuestion(piece, rack), (field, value: unknown) => (field === "shares" ? undefined : value))}`;
