import { route } from "@/border/route";
import { pictureBytes } from "@/store/pictures";

/** The working copy of a picture; a picture never changes under its id. */
export const GET = route(
  null,
  async (studio, _, { id }) => {
    const found = await pictureBytes(studio, id!);
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
