import { reads, route } from "@/door/route";
import { bookletPdf } from "@/app/print/booklet-pdf";
import { documentOf, pictureOf } from "@/app/print/form-picture";
import { pieceToPrint } from "@/app/print/piece-to-print";
import { BookletInput } from "@/border/booklet";
import { formOf } from "@/border/form";
import { wrong } from "@/border/problem";
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
    const own = await pieceToPrint(studio, id!);
    if (!own) return undefined;
    const { name } = own.piece;
    const pdf = await bookletPdf({ name, rack: own.rack, sheet: own.sheet, order, pictures });
    return download(new Uint8Array(pdf), "application/pdf", `${name}, order of work.pdf`);
  },
  "piece",
  "viewer",
);
