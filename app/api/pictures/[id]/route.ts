import { route } from "@/door/route";
import { SizedInput } from "@/border/sized";
import { sizedPicture } from "@/app/sized-picture";
import { pictureBytes } from "@/store/pictures";

/** The working copy of a picture, or a smaller one to look at; a picture never changes under its id. */
export const GET = route(
  { query: SizedInput },
  async (studio, { width }, { id }) => {
    const whole = () => pictureBytes(studio, id!);
    const found = await (width ? sizedPicture(studio, id!, Number(width)) : whole());
    return (
      found &&
      new Response(new Uint8Array(found.bytes), {
        headers: {
          "content-type": found.type,
          "cache-control": "private, max-age=31536000, immutable",
          "x-content-type-options": "nosniff",
        },
      })
    );
  },
  "picture",
);
