import { formOf } from "@/border/form";
import { wrong } from "@/border/problem";
import { reads, route } from "@/door/route";
import { MOST_BYTES, PictureRefused } from "@/store/decode-picture";
import { pageOf, pagesOf } from "@/store/picture-pages";

/** A file of several pages, and which of them is wanted. */
const pagesFile = reads("form", async (request) => {
  const form = await formOf(request, MOST_BYTES);
  const file = form?.get("picture");
  if (!(file instanceof File))
    throw new PictureRefused("No picture came along. Choose a TIFF, GIF or WebP picture.");
  const said = form!.get("page");
  const page = typeof said === "string" ? Number(said) : undefined;
  if (said !== null && !(Number.isInteger(page) && page! >= 1))
    throw wrong("page", "expected a whole number from 1");
  return { bytes: Buffer.from(await file.arrayBuffer()), page };
});

/** Pages of a picture that is not kept yet; or one of them, as PNG. */
export const POST = route(pagesFile, async (_, { bytes, page }) =>
  page === undefined
    ? { pages: await pagesOf(bytes) }
    : new Response(new Uint8Array(await pageOf(bytes, page)), { headers: { "content-type": "image/png" } }),
);
