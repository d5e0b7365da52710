import { created, reads, route } from "@/door/route";
import { isId } from "@/border/fields";
import { formOf } from "@/border/form";
import { shortName } from "@/border/names";
import { wrong } from "@/border/problem";
import { decodePicture, MOST_BYTES, PictureRefused } from "@/store/decode-picture";
import { addPicture, addPictureOnce, loosePictures } from "@/store/pictures";

const LONGEST_NAME = 200;
const OWN_ID = "expected an id of its own, or none";

/** The file of the form, read only as far as a picture may go. */
const pictureFile = reads("form", async (request) => {
  const form = await formOf(request, MOST_BYTES);
  const file = form?.get("picture");
  if (!(file instanceof File))
    throw new PictureRefused(
      "No picture came along. Choose a PNG, JPEG, WebP, AVIF, GIF, TIFF or SVG picture.",
    );
  const id = form?.get("id") ?? undefined;
  if (id !== undefined && !isId(id)) throw wrong("id", OWN_ID);
  const picture = await decodePicture(
    shortName(file.name, LONGEST_NAME) || "picture",
    Buffer.from(await file.arrayBuffer()),
  );
  return { ...picture, id };
});

/** Keeps a picture; one that came with an id that is there already is there once. What its file says of its size on paper, and what of it is not drawn, is told only now. */
export const POST = route(pictureFile, async (studio, { mm, leftOut, id, ...picture }) => {
  const added =
    id === undefined ? await addPicture(studio, picture) : await addPictureOnce(studio, id, picture);
  if (!added) throw wrong("id", OWN_ID);
  return created({
    ...added,
    ...(mm !== undefined && { mm }),
    ...(leftOut?.length && { leftOut }),
  });
});

/** Pictures that belong to no piece and are no chart that was read, newest first. */
export const GET = route(null, (studio) => loosePictures(studio));
