import { created, route } from "@/door/route";
import { copyName } from "@/core/piece/copy-name";
import { StudioFull } from "@/store/database";
import { colouringBytes, findColouring, keepColouring } from "@/store/colourings";
import { addPiece, findPiece } from "@/store/pieces";

/** The same piece once more, under a name of its own. */
export const POST = route(
  null,
  async (studio, _, { id }) => {
    const found = await findPiece(studio, id!);
    if (!found) return undefined;
    const { document } = found;
    const { id: copy } = await addPiece(studio, { ...document, name: copyName(document.name) });
    // It looks as what it was copied from until something is changed.
    const [drawn, webp] = await Promise.all([findColouring(studio, id!), colouringBytes(studio, id!)]);
    if (drawn && webp) {
      const { name, lineId, width, height } = drawn;
      // Where there is no room for it, it is drawn anew.
      await keepColouring(studio, copy, { name, lineId, width, height }, webp).catch((e: unknown) => {
        if (!(e instanceof StudioFull)) throw e;
      });
    }
    return created({ id: copy });
  },
  "piece",
);
