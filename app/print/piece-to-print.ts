import type { SheetName } from "@/core/chart/layout";
import type { Piece } from "@/core/piece/piece";
import { listPapers } from "@/store/papers";
import { findPiece } from "@/store/pieces";
import { rackOn, type Rack } from "@/store/rack";
import { printerSheet, type Studio } from "@/store/studio";

/** A piece with the rack of its paper and what the studio's printer takes; undefined where there is no such piece. */
export async function pieceToPrint(
  studio: Studio,
  id: string,
): Promise<{ readonly piece: Piece; readonly rack: Rack; readonly sheet: SheetName } | undefined> {
  const found = await findPiece(studio, id);
  if (!found) return undefined;
  const papers = await listPapers(studio);
  const paper = papers.find((p) => p.id === found.document.paperId) ?? papers[0];
  const rack = paper && (await rackOn(studio, paper.id));
  return rack && { piece: found.document, rack, sheet: await printerSheet(studio) };
}
