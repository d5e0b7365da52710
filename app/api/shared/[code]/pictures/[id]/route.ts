import { openRoute } from "@/door/route";
import { picturesOf } from "@/app/shared-piece";
import { findPiece } from "@/store/pieces";
import { pictureBytes } from "@/store/pictures";
import { sharedPiece } from "@/store/shares";

/** A picture of a shared piece, for whoever has the link. */
export const GET = openRoute(
  null,
  async (_, { code, id }) => {
    const shared = await sharedPiece(code!);
    const piece = shared && (await findPiece(shared.studio, shared.pieceId));
    if (!piece || !picturesOf(piece.document).has(id!)) return undefined;
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
