import { keptBytes } from "@/app/kept-colouring";
import { openRoute } from "@/door/route";
import { SizedInput } from "@/border/sized";
import { sharedPiece } from "@/store/shares";

/** The picture of a shared piece as it was last drawn, for whoever has the link, where it shows that. */
export const GET = openRoute(
  { query: SizedInput },
  async ({ width }, { code }) => {
    const shared = await sharedPiece(code!);
    if (!shared?.shows.includes("picture")) return undefined;
    const found = await keptBytes(shared.studio, shared.pieceId, width ? Number(width) : undefined);
    return (
      found &&
      new Response(new Uint8Array(found.bytes), {
        headers: { "content-type": found.type, "cache-control": "private, max-age=300" },
      })
    );
  },
  "picture",
);
