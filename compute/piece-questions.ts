import { aspectOf } from "@/core/picture/rectify";
import { cornerAspect, drawingWidth } from "@/core/piece/set-up";
import { tonesIn } from "@/core/piece/area-course";
import { toneWishOf, zonesOf } from "@/core/piece/lit";
import { schoolOf, type Area, type Piece } from "@/core/piece/piece";
import type { AddedInk } from "@/core/media/medium";
import { sheetOf } from "./from-rack";
import { finishersOf, keptWish, type GroupRack } from "./kept-groups";

/** A drawing: its size in pixels, and what its file calls its shapes. */
interface Drawn {
  readonly width: number;
  readonly height: number;
  readonly names: readonly { readonly name: string; readonly at: readonly (readonly [number, number])[] }[];
}

/** What the drawing of a piece is asked, apart from which points make up which area. */
export function drawingQuestion({ setUp }: Piece, picture: Drawn) {
  const { line, sheet, gap, speck, cuts } = setUp;
  const corners = line?.corners ?? null;
  const seen = corners ? aspectOf(corners, picture.width, picture.height) : picture.width / picture.height;
  return {
    kind: line?.kind ?? "drawn",
    corners,
    aspect: corners && cornerAspect(seen, sheet),
    width: drawingWidth(setUp, seen),
    gap,
    speck,
    cuts,
    hints: picture.names,
  };
}

/** Which points make up which area. */
export const claimsOf = (piece: Piece) =>
  piece.areas.flatMap((a) => (a.place ? [{ id: a.id, at: a.place.at }] : []));

/** What the light of a piece is asked, apart from the drawing. */
export function lightQuestion(piece: Piece) {
  return {
    claims: claimsOf(piece),
    ...(piece.setUp.order && { order: piece.setUp.order }),
    forms: piece.areas.flatMap(({ id, form, place }) => (place && form ? [{ id, ...form }] : [])),
    light: piece.light,
  };
}

/** How far an area is laid: so many of its passes, or all. */
export type UpTo = (area: Area) => number | null;
const ALL: UpTo = () => null;

/** Ink that was laid on an area beside its plan. */
export type AddedTo = (area: Area) => readonly AddedInk[];
const NONE: readonly AddedInk[] = [];
const NOTHING: AddedTo = () => NONE;

/** What the tone map of a piece is asked. */
export const toneMapQuestion = (piece: Piece) => ({
  areas: piece.areas.flatMap((area) =>
    area.place ? [{ id: area.id, ...toneWishOf(area, tonesIn(area).borders) }] : [],
  ),
});

/** What is shown of the layers of a piece. Areas whose group was planned for colours that were picked are judged by those. */
export function shownQuestion(piece: Piece, rack: GroupRack, upTo: UpTo = ALL, addedTo: AddedTo = NOTHING) {
  return {
    sheet: sheetOf(rack),
    underlay: piece.whole.underlay,
    finishers: finishersOf(
      rack,
      piece.areas.flatMap((a) => a.layers),
    ),
    areas: piece.areas.flatMap((area) => {
      if (!area.place) return [];
      const wish = keptWish(rack, area, piece.whole);
      return [
        {
          id: area.id,
          layers: area.white ? [] : area.layers,
          school: schoolOf(area),
          upTo: upTo(area),
          // Where its tones end as planned is found there.
          tones: { ...zonesOf(area), white: area.white },
          ...(wish && { wish }),
          ...(addedTo(area).length && { added: addedTo(area) }),
        },
      ];
    }),
  };
}
