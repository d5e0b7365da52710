import { notFound } from "next/navigation";
import { findPicture, type PictureFacts } from "@/store/pictures";
import { findPiece, type StoredPiece } from "@/store/pieces";
import { listPapers, type PaperSheet } from "@/store/papers";
import { rackOn, type Rack } from "@/store/rack";
import { currentStudio } from "@/store/studio";
import { isId } from "@/border/fields";

/** The rack on the wanted paper, or on the studio's first. */
export async function loadRack(
  paperId: string | null | undefined,
): Promise<{ papers: PaperSheet[]; rack: Rack }> {
  const studio = await currentStudio();
  const papers = await listPapers(studio);
  const paper = papers.find((p) => p.id === paperId) ?? papers[0];
  const rack = paper && (await rackOn(studio, paper.id));
  if (!rack) throw new Error("the studio has no paper yet");
  return { papers, rack };
}

/** All that the views of a piece start from. Shows "not found" for an id that is nobody's. */
export async function loadPiece(
  id: string,
): Promise<{ piece: StoredPiece; papers: PaperSheet[]; rack: Rack; picture: PictureFacts | undefined }> {
  const studio = await currentStudio();
  const piece = isId(id) ? await findPiece(studio, id) : undefined;
  if (!piece) notFound();
  const picture = piece.document.pictureId ? await findPicture(studio, piece.document.pictureId) : undefined;
  return { piece, picture, ...(await loadRack(piece.document.paperId)) };
}
