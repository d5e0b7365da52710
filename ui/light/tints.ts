import { hexToRgb } from "@/core/colour/display";
import type { GroupOutput } from "@/compute/group-output";
import type { Piece } from "@/core/piece/piece";
import type { ToneTint } from "./tone-layer";

/** Lightest and darkest grey of tones that have no colour yet. */
const [PALE, DEEP] = [245, 120] as const;

/** What a tone is shown as: as it will lie where a group is kept, else in greys from light to dark. */
export function tintOf(piece: Piece, groupOf: (id: string) => GroupOutput | undefined): ToneTint {
  const bare = new Set(piece.areas.filter((a) => !a.layers.length || a.white).map((a) => a.id));
  return (id, zone, zones) => {
    const group = groupOf(id);
    // Light end, each tone, shadow end; the last tone's place may be parted.
    const place = group && (group.places[Math.min(zone, group.places.length - 1)] ?? group.places.at(-1));
    if (place) return hexToRgb(place.hex);
    if (bare.has(id)) return [250, 250, 250];
    const grey = Math.round(PALE + ((DEEP - PALE) * (zone - 1)) / Math.max(1, zones - 1));
    return [grey, grey, grey];
  };
}
