import type { KeptPicture } from "@/ui/piece/kept-picture";
import { keptOf } from "./kept-colouring";
import { usedOf } from "./used-rack";
import { cache } from "react";
import { rampsKnown } from "./judged-groups";
import type { Piece } from "@/core/piece/piece";
import { pieceShown } from "@/core/piece/shown";
import { listPapers } from "@/store/papers";
import { findPiece } from "@/store/pieces";
import { rackOn, type Rack } from "@/store/rack";
import { sharedPiece, type SharedLink } from "@/store/shares";

/** A piece as its link shows it, with nothing in it that is not to be seen. */
export interface ShownPiece extends SharedLink {
  readonly piece: Piece;
}

/** What a link shows: one piece, and of the rack what that piece uses. */
export interface SharedPiece extends ShownPiece {
  readonly rack: Rack;
  /** Its picture as it was last drawn. */
  readonly kept: KeptPicture | undefined;
  /** Colours along each area's group as it will lie, by the area's id: as far as they were worked out. */
  readonly ramps: Readonly<Record<string, readonly string[]>>;
}

/** Pictures that a piece shows. */
export const picturesOf = ({ pictureId, references, setUp }: Piece): ReadonlySet<string> =>
  new Set([
    ...(pictureId ? [pictureId] : []),
    ...references.map((r) => r.pictureId),
    ...(setUp.line ? [setUp.line.pictureId] : []),
  ]);

/** The piece of a link as it shows it; undefined when the link has ended or never was. */
export async function shownPiece(code: string): Promise<ShownPiece | undefined> {
  const link = await sharedPiece(code);
  const stored = link && (await findPiece(link.studio, link.pieceId));
  return stored && { ...link, piece: pieceShown(stored.document, link.shows) };
}

/** The piece of a link with all that its page shows. */
export const loadShared = cache(async (code: string): Promise<SharedPiece | undefined> => {
  const shown = await shownPiece(code);
  if (!shown) return undefined;
  const { studio, pieceId, shows, piece } = shown;
  const papers = await listPapers(studio);
  const paper = papers.find((p) => p.id === piece.paperId) ?? papers[0];
  const rack = paper && (await rackOn(studio, paper.id));
  if (!rack) return undefined;
  const kept = shows.includes("picture")
    ? await keptOf(studio, pieceId, `/api/shared/${code}/colouring`)
    : undefined;
  const ramps = shows.includes("combinations") ? await rampsKnown(studio, pieceId, rack) : {};
  return { ...shown, rack: usedOf(rack, piece), kept, ramps };
});
