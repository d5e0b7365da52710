import { timeLapse } from "@/app/time-lapse";
import { route } from "@/door/route";
import { findPiece } from "@/store/pieces";
import { photosOf } from "@/store/work-events";
import { download } from "../../../download";

/** Photos of a piece at work, one after the other, as an animated WebP. */
export const GET = route(
  null,
  async (studio, _, { id }) => {
    const piece = await findPiece(studio, id!);
    const film = piece && (await timeLapse(studio, await photosOf(studio, id!)));
    return film && download(new Uint8Array(film), "image/webp", `${piece.document.name}, at work.webp`);
  },
  "film; it takes two photos of a piece",
);
