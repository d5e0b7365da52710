import type { Piece } from "./piece";

/** What a link may show of a piece. */
export const SHOWN = ["picture", "combinations", "steps", "supplies", "notes", "photos"] as const;
export type Shown = (typeof SHOWN)[number];

/** A link that shows the piece as it will look and all that one colours it from; not what was written down for oneself, nor what it is after. */
export const USUALLY_SHOWN: readonly Shown[] = ["picture", "combinations", "steps", "supplies"];

/**
 * A piece as a link shows it: what is not ticked is not in it at all, so that nothing of it can leave the server. Its line goes with the steps,
 * which say how large each place is by it.
 */
export function pieceShown(piece: Piece, shows: readonly Shown[]): Piece {
  const has = new Set(shows);
  const planned = has.has("combinations") || has.has("steps") || has.has("supplies");
  const withPhotos = has.has("photos");
  return {
    ...piece,
    pictureId: withPhotos ? piece.pictureId : null,
    references: withPhotos ? piece.references : [],
    setUp: has.has("steps") ? piece.setUp : { ...piece.setUp, line: null },
    light: withPhotos ? piece.light : { ...piece.light, fromReference: 0 },
    whole: planned ? piece.whole : { ...piece.whole, underlay: [] },
    areas: piece.areas.map((area) => ({
      ...area,
      note: has.has("notes") ? area.note : "",
      // Where a colour was picked is of the photo; which one it was is of the plan.
      readings: {},
      layers: planned ? area.layers : [],
    })),
  };
}
