import { reads, route } from "@/door/route";
import { bookletPdf } from "@/app/print/booklet-pdf";
import { documentOf, pictureOf } from "@/app/print/form-picture";
import { BookletInput } from "@/border/booklet";
import { formOf } from "@/border/form";
import { wrong } from "@/border/problem";
import { listPapers } from "@/store/papers";
import { findPiece } from "@/store/pieces";
import { rackOn } from "@/store/rack";
import { printerSheet } from "@/store/studio";
import { download } from "../../../download";

const MOST_TEXT = 2_000_000;
const MOST_BYTES = 24 * 1024 * 1024;

/** The order of work and its pictures. */
const asked = reads("form", async (request) => {
  const form = await formOf(request, MOST_BYTES);
  const order = documentOf(form, "order", BookletInput, '{"sum","steps","moments"}', MOST_TEXT);
  if (!order) throw wrong("order", 'expected {"sum","steps","moments"}');
  const pictures: Buffer[] = [];
  for (const i of order.moments.keys()) pictures.push(await pictureOf(form, `picture${i}`));
  return { order, pictures };
});

/** The order of work as a booklet: pictures come from the page that drew them, the order from the one that is shown there. */
export const POST = route(
  asked,
  async (studio, { order, pictures }, { id }) => {
    const piece = await findPiece(studio, id!);
    if (!piece) return undefined;
    const papers = await listPapers(studio);
    const paper = papers.find((p) => p.id === piece.document.paperId) ?? papers[0];
    const rack = paper && (await rackOn(studio, paper.id));
    if (!rack) return undefined;
    const sheet = await printerSheet(studio);
    const pdf = await bookletPdf({ name: piece.document.name, rack, sheet, order, pictures });
    return download(new Uint8Array(pdf), "application/pdf", `${piece.document.name}, order of work.pdf`);
  },
  "piece",
  "viewer",
);
