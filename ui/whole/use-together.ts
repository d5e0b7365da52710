"use client";
import { neighboursOf, targetOf, tonesOf, type Piece } from "@/core/piece/piece";
import { MOST_TONES } from "@/core/group/tone";
import type { Rack } from "@/store/rack";
import { rackKey } from "@/compute/from-rack";
import { useAsk } from "@/ui/jobs/use-job";
import { asInput, plainTones } from "@/compute/kept-groups";
import { planWishOf } from "@/ui/piece/group/use-groups";

/** What a joint plan is asked: every area whose colour is known. */
export function togetherQuestion(piece: Piece, rack: Rack) {
  const ownedOnly = piece.areas.every((a) => a.ownedOnly);
  const isRead = (code: string) =>
    rack.markers.some((m) => m.code === code && m.swatches.length && (m.owned || !ownedOnly));
  const areas = piece.areas.flatMap((a) => {
    const target = targetOf(a);
    if (!target) return [];
    return [
      {
        id: a.id,
        target: asInput(target),
        ...planWishOf(rack, a, piece.whole.scene),
        fixed: plainTones(tonesOf(a).filter((t) => t.locked && isRead(t.code))).slice(
          0,
          a.tones ?? MOST_TONES,
        ),
        emphasis: a.emphasis,
      },
    ];
  });
  const ids = new Set(areas.map((a) => a.id));
  const { apart, markerCost, markerLimit } = piece.whole;
  return {
    areas,
    neighbours: neighboursOf(piece).filter((p) => p.every((id) => ids.has(id))),
    apart,
    markerCost,
    ownedOnly,
    ...(markerLimit !== null && { limit: markerLimit }),
  };
}

/** All areas planned together; nothing to do until it is asked for. `key` names what was asked. */
export function useTogether(
  piece: Piece,
  rack: Rack,
  asked: { readonly key: string; readonly trade: boolean } | undefined,
) {
  const isAsked = asked?.key === togetherKey(piece, rack);
  return useAsk("planPiece", rack, isAsked ? { ...togetherQuestion(piece, rack), trade: asked.trade } : null);
}

/** Changes exactly when a joint plan would. */
export const togetherKey = (piece: Piece, rack: Rack): string =>
  `${rackKey(rack)} ${JSON.stringify(togetherQuestion(piece, rack))}`;
