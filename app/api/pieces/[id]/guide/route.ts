import { reads, route } from "@/door/route";
import { documentOf, pictureOf } from "@/app/print/form-picture";
import { guidePdf, type AreaBoxes } from "@/app/print/guide-pdf";
import { pieceToPrint } from "@/app/print/piece-to-print";
import { BoxesInput } from "@/border/guide";
import { formOf } from "@/border/form";
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
    const own = await pieceToPrint(studio, id!);
    if (!own) return undefined;
    const pdf = await guidePdf({ ...own, ...given });
    return download(new Uint8Array(pdf), "application/pdf", `${own.piece.name} guide.pdf`);
  },
  "piece",
  "viewer",
);
