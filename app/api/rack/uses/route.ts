import { route } from "@/door/route";
import { UsesInput } from "@/border/rack";
import { usesOf } from "@/core/stock/losses";
import { listPieces } from "@/store/pieces";

/** Layers of the studio's pieces that use a thing on the rack. */
export const GET = route({ query: UsesInput }, async (studio, { code }) =>
  usesOf(code, await listPieces(studio)),
);
