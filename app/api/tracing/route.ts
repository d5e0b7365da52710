import sharp from "sharp";
import { reads, route } from "@/door/route";
import { tracingPdf } from "@/app/print/tracing-pdf";
import { formOf } from "@/border/form";
import { BadInput, wrong } from "@/border/problem";
import { readAs } from "@/border/read-as";
import { TracingInput } from "@/border/tracing";
import { download } from "../download";

const MOST_BYTES = 8 * 1024 * 1024;
const MOST_PIXELS = 16_000_000;

/** The picture of the line and where it lies on its sheet. */
const tracing = reads("form", async (request) => {
  const form = await formOf(request, MOST_BYTES);
  const [file, said] = [form?.get("picture"), form?.get("sheet")];
  if (!(file instanceof File) || !file.size) throw wrong("picture", "expected the picture of a line as PNG");
  let plain: unknown;
  try {
    plain = JSON.parse(typeof said === "string" ? said : "");
  } catch {
    throw wrong("sheet", "expected the sheet as JSON");
  }
  const sheet = readAs(TracingInput, plain);
  const png = await sharp(Buffer.from(await file.arrayBuffer()), { limitInputPixels: MOST_PIXELS })
    .flatten({ background: "#ffffff" })
    .greyscale()
    .png()
    .toBuffer()
    .catch(() => {
      throw new BadInput([{ path: "picture", expected: "expected the picture of a line as PNG" }]);
    });
  return { png, sheet };
});

/** A sheet to trace the drawing from, in true size. */
export const POST = route(
  tracing,
  async (_, { png, sheet }) =>
    download(new Uint8Array(await tracingPdf(png, sheet)), "application/pdf", `${sheet.name}.pdf`),
  "sheet",
  "viewer",
);
