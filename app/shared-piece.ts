import type { KeptPicture } from "@/ui/piece/kept-picture";
import { keptOf } from "./kept-colouring";
import { usedOf } from "./used-rack";
import type { Piece } from "@/core/piece/piece";
import { listPapers } from "@/store/papers";
import { findPiece } from "@/store/pieces";
import { rackOn, type Rack } from "@/store/rack";
import { sharedPiece } from "@/store/shares";
import type { Studio } from "@/store/studio";

/** What a link shows: one piece, and of the rack what that piece uses. */
export interface SharedPiece {
  readonly studio: Studio;
  readonly piece: Piece;
  readonly rack: Rack;
  /** Its picture as it was last drawn. */
  readonly kept: KeptPicture | undefined;
}

/** Pictures that a piece shows. */
export const picturesOf = ({ pictureId, references, setUp }: Piece): ReadonlySet<string> =>
  new Set([
    ...(pictureId ? [pictureId] : []),
    ...references.map((r) => r.pictureId),
    ...(setUp.line ? [setUp.line.pictureId] : []),
  ]);

/** The piece of a link; undefined when the link has ended or never was. */
export async function loadShared(code: string): Promise<SharedPiece | undefined> {
  const found = await sharedPiece(code);
  if (!found) return undefined;
  const { studio, pieceId } = found;
  const [stored, papers] = await Promise.all([findPiece(studio, pieceId), listPapers(studio)]);
  if (!stored) return undefined;
  const paper = papers.find((p) => p.id === stored.document.paperId) ?? papers[0];
  const rack = paper && (await rackOn(studio, paper.id));
  const kept = await keptOf(studio, pieceId, `/api/shared/${code}/colouring`);
  return rack && { studio, piece: stored.document, rack: usedOf(rack, stored.document), kept };
}
