import type { Piece } from "@/core/piece/piece";
import { rackKey, sheetOf, type ReadRack } from "./from-rack";
import { hashOf } from "./hash";

/**
 * Names all that the picture of a piece is made of, but for the picture of its line: set-up, light, forms, layers, and what is known of the rack
 * on its paper. Ids of pictures and papers are no part of it, so that a copy of a studio knows its pictures again.
 */
export function colouringName(
  { setUp: { line, sheet, gap, speck, cuts, order }, light, areas, whole, references, pictureId }: Piece,
  rack: ReadRack & Parameters<typeof sheetOf>[0],
): string {
  const { pictureId: _, ...how } = line ?? { pictureId: null };
  const mixed = light.fromReference > 0 ? references.find((r) => r.pictureId === pictureId) : undefined;
  return hashOf([
    { how, sheet, gap, speck, cuts, order },
    light,
    mixed && [mixed.pairs, mixed.gains],
    areas.map(({ id, place, form, zones, white, layers, school, material }) => [
      id,
      place?.at,
      form,
      zones,
      white,
      layers,
      school,
      material,
    ]),
    whole.underlay,
    rackKey(rack),
    sheetOf(rack),
  ]);
}
