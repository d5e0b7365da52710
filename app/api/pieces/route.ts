import { anyJson, created, route } from "@/door/route";
import { checkPiece } from "@/door/own-things";
import { readPiece } from "@/border/piece";
import { addPiece } from "@/store/pieces";

export const POST = route(anyJson, async (studio, input) => {
  const piece = readPiece(input);
  await checkPiece(studio, piece);
  return created(await addPiece(studio, piece));
});
