import { openRoute } from "@/door/route";
import { picturesOf, shownPiece } from "@/app/shared-piece";
import { pictureBytes } from "@/store/pictures";

/** A picture of a shared piece, for whoever has the link. */
export const GET = openRoute(
  null,
  async (_, { code, id }) => {
    const shared = await shownPiece(code!);
    if (!shared || !picturesOf(shared.piece).has(id!)) return undefined;
    const found = await pictureBytes(shared.studio, id!);
    return (
      found &&
      new Response(new Uint8Array(found.bytes), {
        headers: { "content-type": found.type, "cache-control": "private, max-age=300" },
      })
    );
  },
  "picture",
);
