import { openRoute } from "@/door/route";
import { picturesOf, shownPiece } from "@/app/shared-piece";
import { findDrawing } from "@/store/pictures";

export const GET = openRoute(
  null,
  async (_, { code, id }) => {
    const shared = await shownPiece(code!);
    return shared && picturesOf(shared.piece).has(id!) ? findDrawing(shared.studio, id!) : undefined;
  },
  "picture",
);
