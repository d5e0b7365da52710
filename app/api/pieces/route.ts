import { checkPiece } from "@/border/own-things";
import { readPiece } from "@/border/piece";
import { anyJson, created, route } from "@/border/route";
import { addPiece } from "@/store/pieces";

export const POST = route(anyJson, async (studio, input) => {
  const piece = readPiece(input);
  await checkPiece(studio, piece);
  return created(await addPiece(studio, piece));
});
