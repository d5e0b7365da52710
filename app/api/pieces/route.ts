import { readPiece } from "@/store/piece-input";
import { addPiece } from "@/store/pieces";
import { currentStudio } from "@/store/studio";
import { answer, jsonBody } from "../answer";

export const POST = (request: Request) =>
  answer(async () =>
    Response.json(await addPiece(await currentStudio(), readPiece(await jsonBody(request))), { status: 201 }),
  );
