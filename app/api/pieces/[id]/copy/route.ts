import { created, route } from "@/door/route";
import { copyName } from "@/core/piece/copy-name";
import { addPiece, findPiece } from "@/store/pieces";

/** The same piece once more, under a name of its own. */
export const POST = route(
  null,
  async (studio, _, { id }) => {
    const found = await findPiece(studio, id!);
    if (!found) return undefined;
    const { document } = found;
    const { id: copy } = await addPiece(studio, { ...document, name: copyName(document.name) });
    return created({ id: copy });
  },
  "piece",
);
