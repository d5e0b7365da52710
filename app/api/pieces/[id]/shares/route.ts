import { created, route } from "@/door/route";
import { ShareInput } from "@/border/share";
import { StudioFull } from "@/store/database";
import { findPiece } from "@/store/pieces";
import { MOST_LINKS, sharePiece, sharesOf } from "@/store/shares";

/** Links that show this piece. */
export const GET = route(
  null,
  async (studio, _, { id }) => (await findPiece(studio, id!)) && sharesOf(studio, id!),
  "piece",
);

/** A link that shows this piece to whoever has it; its code is told this once. */
export const POST = route(
  ShareInput,
  async (studio, { shows }, { id }) => {
    if (!(await findPiece(studio, id!))) return undefined;
    const code = await sharePiece(studio, id!, shows);
    if (!code) throw new StudioFull(MOST_LINKS, "links to this piece");
    return created({ code });
  },
  "piece",
);
