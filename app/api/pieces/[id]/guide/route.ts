import sharp from "sharp";
import { reads, route } from "@/door/route";
import { guidePdf, type AreaBoxes } from "@/app/print/guide-pdf";
import { BoxesInput } from "@/border/guide";
import { formOf } from "@/border/form";
import { BadInput, within, wrong } from "@/border/problem";
import { readAs } from "@/border/read-as";
import { listPapers } from "@/store/papers";
import { findPiece } from "@/store/pieces";
import { rackOn } from "@/store/rack";
import { printerSheet } from "@/store/studio";
import { download } from "../../../download";

const MOST_TEXT = 100_000;
const MOST_BYTES = 24 * 1024 * 1024;
const MOST_PIXELS = 16_000_000;

/** A picture of the form as PNG without opacity, whatever it claims to be. */
async function pictureOf(form: FormData | undefined, field: string): Promise<Buffer> {
  const file = form?.get(field);
  const refused = () => wrong(field, `expected a PNG picture of at most ${MOST_PIXELS / 1e6} megapixels`);
  if (!(file instanceof File) || !file.size) throw refused();
  return sharp(Buffer.from(await file.arrayBuffer()), { limitInputPixels: MOST_PIXELS })
    .flatten({ background: "#ffffff" })
    .png()
    .toBuffer()
    .catch(() => {
      throw refused();
    });
}

/** Where the areas lie in the picture, if the page says so. */
function boxesOf(form: FormData | undefined): AreaBoxes {
  const said = form?.get("boxes") ?? null;
  if (said === null) return new Map();
  let read: unknown;
  try {
    read = typeof said === "string" && said.length <= MOST_TEXT ? JSON.parse(said) : undefined;
  } catch {
    read = undefined;
  }
  if (read === undefined) throw wrong("boxes", `expected {"areas"} as JSON of at most ${MOST_TEXT} letters`);
  try {
    return new Map(readAs(BoxesInput, read).areas.map((a) => [a.id, a.box]));
  } catch (e) {
    throw e instanceof BadInput ? within(e, "boxes") : e;
  }
}

/** The two pictures of a guide, and where its areas lie in them. */
const pictures = reads("form", async (request) => {
  const form = await formOf(request, MOST_BYTES);
  return {
    boxes: boxesOf(form),
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
