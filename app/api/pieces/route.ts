import { readPiece } from "@/border/piece";
import { anyJson, created, route } from "@/border/route";
import { addPiece } from "@/store/pieces";

export const POST = route(anyJson, async (studio, input) =>
  created(await addPiece(studio, readPiece(input))),
);
