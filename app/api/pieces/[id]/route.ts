import { route } from "@/door/route";
import { checkPiece } from "@/door/own-things";
import { PieceMarksInput } from "@/border/bench";
import { pieceOfSave, SaveInput } from "@/border/piece";
import { deletePiece, findPiece, markPiece, renamePiece, savePiece } from "@/store/pieces";

export const GET = route(null, (studio, _, { id }) => findPiece(studio, id!), "piece");

export const PUT = route(
  SaveInput,
  async (studio, input, { id }) => {
    const piece = pieceOfSave(input);
    await checkPiece(studio, piece, "document.");
    const outcome = await savePiece(studio, id!, input.revision, piece, input.save);
    if (outcome.saved) return { revision: outcome.revision };
    return (
      outcome.theirs &&
      Response.json(
        { message: "This piece was changed elsewhere since you opened it.", theirs: outcome.theirs },
        { status: 409 },
      )
    );
  },
  "piece",
);

/** Done, put away, or called otherwise. */
export const PATCH = route(
  PieceMarksInput,
  async (studio, { name, ...marks }, { id }) => {
    if (name !== undefined && !(await renamePiece(studio, id!, name))) return undefined;
    return markPiece(studio, id!, marks);
  },
  "piece",
);

export const DELETE = route(null, (studio, _, { id }) => deletePiece(studio, id!), "piece");
