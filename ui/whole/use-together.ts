"use client";
import { deskOfRack } from "@/compute/from-rack";
import { driftIn, targetOf, type Piece } from "@/core/piece/piece";
import type { Rack } from "@/store/rack";
import { useCompute } from "@/ui/compute/use-compute";
import { asInput, plainTones, rackKey } from "@/ui/piece/use-groups";

/** Input of a joint plan: every area whose colour is known. */
export function togetherInput(piece: Piece, rack: Rack, trade: boolean) {
  const ownedOnly = piece.areas.every((a) => a.ownedOnly);
  const read = new Set(
    rack.markers.filter((m) => m.swatches.length && (m.owned || !ownedOnly)).map((m) => m.code),
  );
  const areas = piece.areas.flatMap((a) => {
    const target = targetOf(a);
    if (!target) return [];
    const fixed = plainTones(a.group?.tones.filter((t) => t.locked && read.has(t.code)) ?? []).slice(
      0,
      a.tones,
    );
    return [
      {
        id: a.id,
        target: asInput(target),
        tones: a.tones,
        ...(a.contrast !== null && { contrast: a.contrast }),
        material: a.material,
        drift: driftIn(piece.whole.scene, a.drift),
        fixed,
        exclude: a.excluded,
        emphasis: a.emphasis,
      },
    ];
  });
  const ids = new Set(areas.map((a) => a.id));
  const { apart, markerCost, markerLimit, neighbours } = piece.whole;
  const wish = {
    areas,
    neighbours: neighbours.filter((p) => p.every((id) => ids.has(id))),
    apart,
    markerCost,
    ...(markerLimit !== null && { limit: markerLimit }),
    trade,
  };
  return { ownedOnly, wish, planned: areas.length };
}

/** All areas planned together; nothing to do until it is asked for. `key` names what was asked. */
export function useTogether(
  piece: Piece,
  rack: Rack,
  asked: { readonly key: string; readonly trade: boolean } | undefined,
) {
  const { ownedOnly, wish } = togetherInput(piece, rack, asked?.trade ?? false);
  return useCompute(
    "planPiece",
    asked && asked.key === togetherKey(piece, rack) ? `${asked.key} ${asked.trade}` : null,
    () => ({ ...deskOfRack(rack, ownedOnly), ...wish }),
  );
}

/** Changes exactly when a joint plan would. */
export const togetherKey = (piece: Piece, rack: Rack): string => {
  const { ownedOnly, wish } = togetherInput(piece, rack, false);
  return `${rackKey(rack)} ${ownedOnly} ${JSON.stringify(wish)}`;
};
