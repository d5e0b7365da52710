import { reads, route } from "@/door/route";
import { documentOf, pictureOf } from "@/app/print/form-picture";
import { guidePdf, type AreaBoxes } from "@/app/print/guide-pdf";
import { BoxesInput } from "@/border/guide";
import { formOf } from "@/border/form";
import { listPapers } from "@/store/papers";
import { findPiece } from "@/store/pieces";
import { rackOn } from "@/store/rack";
import { printerSheet } from "@/store/studio";
import { download } from "../../../download";

const MOST_TEXT = 100_000;
const MOST_BYTES = 24 * 1024 * 1024;
/** The two pictures of a guide, and where its areas lie in them. */
const pictures = reads("form", async (request) => {
  const form = await formOf(request, MOST_BYTES);
  return {
    boxes: new Map(
      (documentOf(form, "boxes", BoxesInput, '{"areas"}', MOST_TEXT)?.areas ?? []).map((a) => [a.id, a.box]),
    ) satisfies AreaBoxes,
    colouring: await pictureOf(form, "colouring"),
    tones: await pictureOf(form, "tones"),
  };
});

/** The guide to a piece: its pictures come from the page that drew them, steps and codes from the studio. */
export const POST = route(
  pictures,
  async (studio, given, { id }) => {
    const piece = await findPiece(studio, id!);
    if (!piece) return undefined;
    const papers = await listPapers(studio);
    const paper = papers.find((p) => p.id === piece.document.paperId) ?? papers[0];
    const rack = paper && (await rackOn(studio, paper.id));
    if (!rack) return undefined;
    const sheet = await printerSheet(studio);
    const pdf = await guidePdf({ piece: piece.document, rack, sheet, ...given });
    return download(new Uint8Array(pdf), "application/pdf", `${piece.document.name} guide.pdf`);
  },
  "piece",
  "viewer",
);
