import { openRoute } from "@/door/route";
import { picturesOf } from "@/app/shared-piece";
import { findPiece } from "@/store/pieces";
import { findDrawing } from "@/store/pictures";
import { sharedPiece } from "@/store/shares";

export const GET = openRoute(
  null,
  async (_, { code, id }) => {
    const shared = await sharedPiece(code!);
    const piece = shared && (await findPiece(shared.studio, shared.pieceId));
    return piece && picturesOf(piece.document).has(id!) ? findDrawing(shared.studio, id!) : undefined;
  },
  "picture",
);
