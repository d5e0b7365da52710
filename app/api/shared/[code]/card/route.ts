import { cardOf } from "@/app/print/card";
import { loadShared } from "@/app/shared-piece";
import { openRoute } from "@/door/route";

/** The piece of a link as one picture, to be shown elsewhere: where a link is pasted, or saved as PNG. */
export const GET = openRoute(
  null,
  async (_, { code }) => {
    const shared = await loadShared(code!);
    return (
      shared &&
      new Response(new Uint8Array(await cardOf(shared)), {
        headers: { "content-type": "image/png", "cache-control": "private, max-age=300" },
      })
    );
  },
  "picture",
);
