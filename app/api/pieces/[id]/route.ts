import { readSave } from "@/store/piece-input";
import { deletePiece, findPiece, savePiece } from "@/store/pieces";
import { currentStudio } from "@/store/studio";
import { answer, isId, jsonBody, notFound } from "../../answer";

interface Context {
  params: Promise<{ id: string }>;
}

export const GET = (_: Request, { params }: Context) =>
  answer(async () => {
    const { id } = await params;
    const piece = isId(id) ? await findPiece(await currentStudio(), id) : undefined;
    return piece ? Response.json(piece) : notFound("piece");
  });

export const PUT = (request: Request, { params }: Context) =>
  answer(async () => {
    const { id } = await params;
    if (!isId(id)) return notFound("piece");
    const { revision, document } = readSave(await jsonBody(request));
    const outcome = await savePiece(await currentStudio(), id, revision, document);
    if (outcome.saved) return Response.json({ revision: outcome.revision });
    if (!outcome.theirs) return notFound("piece");
    return Response.json(
      { message: "This piece was changed elsewhere since you opened it.", theirs: outcome.theirs },
      { status: 409 },
    );
  });

export const DELETE = (_: Request, { params }: Context) =>
  answer(async () => {
    const { id } = await params;
    return isId(id) && (await deletePiece(await currentStudio(), id))
      ? new Response(null, { status: 204 })
      : notFound("piece");
  });
