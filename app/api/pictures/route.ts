import { created, reads, route } from "@/door/route";
import { formOf } from "@/border/form";
import { shortName } from "@/border/names";
import { decodePicture, MOST_BYTES, PictureRefused } from "@/store/decode-picture";
import { addPicture, loosePictures } from "@/store/pictures";

const LONGEST_NAME = 200;

/** The file of the form, read only as far as a picture may go. */
const pictureFile = reads("form", async (request) => {
  const form = await formOf(request, MOST_BYTES);
  const file = form?.get("picture");
  if (!(file instanceof File))
    throw new PictureRefused(
      "No picture came along. Choose a PNG, JPEG, WebP, AVIF, GIF, TIFF or SVG picture.",
    );
  return decodePicture(
    shortName(file.name, LONGEST_NAME) || "picture",
    Buffer.from(await file.arrayBuffer()),
  );
});

/** Keeps a picture. What its file says of its size on paper, and what of it is not drawn, is told only now. */
export const POST = route(pictureFile, async (studio, { mm, leftOut, ...picture }) =>
  created({
    ...(await addPicture(studio, picture)),
    ...(mm !== undefined && { mm }),
    ...(leftOut?.length && { leftOut }),
  }),
);

/** Pictures that belong to no piece and are no chart that was read, newest first. */
export const GET = route(null, (studio) => loosePictures(studio));
