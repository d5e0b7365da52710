import { DEFAULT_FORM } from "@/core/light/form";
import { toneWishOf } from "@/core/piece/lit";
import { targetOf, type Area, type Piece } from "@/core/piece/piece";
import type { Rack } from "@/store/rack";
import { sheetOf } from "@/ui/piece/group/sheet-of";
import { asInput, wishesOf } from "@/ui/piece/group/use-groups";

/** Which points make up which area. */
export const claimsOf = (piece: Piece) =>
  piece.areas.flatMap((a) => (a.place ? [{ id: a.id, at: a.place.at }] : []));

/** What the light of a piece is asked, apart from the drawing. */
export function lightQuestion(piece: Piece) {
  return {
    claims: claimsOf(piece),
    ...(piece.setUp.order && { order: piece.setUp.order }),
    forms: piece.areas.flatMap(({ id, form, place }) =>
      place && JSON.stringify(form) !== JSON.stringify(DEFAULT_FORM) ? [{ id, ...form }] : [],
    ),
    light: piece.light,
  };
}

/** How far an area is laid: so many of its passes, or all. */
export type UpTo = (area: Area) => number | null;
const ALL: UpTo = () => null;

/** What is shown of the layers of a piece. Areas whose group was planned for colours that were picked are judged by those. */
export function shownQuestion(piece: Piece, rack: Rack, upTo: UpTo = ALL) {
  return {
    sheet: sheetOf(rack),
    underlay: piece.whole.underlay,
    areas: piece.areas.flatMap((area) => {
      if (!area.place) return [];
      const target = targetOf(area);
      return [
        {
          id: area.id,
          layers: area.white ? [] : area.layers,
          upTo: upTo(area),
          tones: toneWishOf(area, [0, 1]),
          ...(target && { wish: { ...wishesOf(rack, area, piece.whole.scene), target: asInput(target) } }),
        },
      ];
    }),
  };
}
