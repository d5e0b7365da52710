import type { Piece } from "@/core/piece/piece";
import { suppliesOf } from "@/core/stock/supplies";
import type { Rack } from "@/store/rack";

/** The rack as far as a piece goes into it: no other marker, no price, no note. */
export function usedOf(rack: Rack, piece: Piece): Rack {
  const used = new Set([
    ...suppliesOf(piece, [...rack.markers, ...rack.others]).map((s) => s.code),
    ...piece.whole.underlay,
  ]);
  const isUsed = (codes: readonly string[]) => codes.every((c) => used.has(c));
  const bare = <T extends Rack["markers"][number]>(m: T) => ({ ...m, price: "", place: "", notes: "" });
  return {
    ...rack,
    paper: { ...rack.paper, notes: "" },
    ranges: [],
    families: [],
    markers: rack.markers.filter((m) => used.has(m.code)).map(bare),
    others: rack.others.filter((m) => used.has(m.code)).map(bare),
    overlays: rack.overlays.filter((o) => isUsed(o.stack)),
    strips: rack.strips.filter((s) => isUsed(s.stack)),
    blends: rack.blends.filter((b) => isUsed([...b.stack, ...b.over])),
  };
}
