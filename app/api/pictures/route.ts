import { bytesOf } from "@/border/body";
import { created, reads, route } from "@/border/route";
import { decodePicture, MOST_BYTES, PictureRefused } from "@/store/decode-picture";
import { addPicture } from "@/store/pictures";

/** Room for the form around the file. */
const FORM_SLACK = 64 * 1024;
const LONGEST_NAME = 200;

/** The file of the form, read only as far as a picture may go. */
const pictureFile = reads("form", async (request) => {
  const body = new Uint8Array(await bytesOf(request, MOST_BYTES + FORM_SLACK));
  const form = await new Response(body, {
    headers: { "content-type": request.headers.get("content-type") ?? "" },
  })
    .formData()
    .catch(() => undefined);
  const file = form?.get("picture");
  if (!(file instanceof File))
    throw new PictureRefused("No picture came along. Choose a PNG, JPEG or WebP picture.");
  return decodePicture(file.name.slice(0, LONGEST_NAME), Buffer.from(await file.arrayBuffer()));
});

export const POST = route(pictureFile, async (studio, picture) => created(await addPicture(studio, picture)));
