import { nameHere, refusedAsOlder } from "@/app/kept-colouring";
import { DrawingInput, MOST_DRAWING_BYTES } from "@/border/drawing";
import { formOf } from "@/border/form";
import { wrong } from "@/border/problem";
import { readAs } from "@/border/read-as";
import { reads, route } from "@/door/route";
import { drawingBytes, keepDrawing } from "@/store/drawings";

const looked = reads("form", async (request) => {
  const form = await formOf(request, MOST_DRAWING_BYTES);
  const { name } = readAs(DrawingInput, { name: form?.get("name") ?? undefined });
  const file = form?.get("drawing");
  if (!(file instanceof File) || !file.size) throw wrong("drawing", "expected a packed drawing");
  return { name, packed: Buffer.from(await file.arrayBuffer()) };
});

/** Keeps a drawing of a picture as a page has looked at it. What it holds is read by whoever looks at it next, and left where it is none. */
export const PUT = route(
  looked,
  async (studio, { name, packed }, { id }, { headers }) =>
    (await refusedAsOlder(headers)) ?? keepDrawing(studio, id!, await nameHere(name), packed),
  "picture",
);

/** A drawing of a picture as this build of Blendt looked at it. */
export const GET = route(
  { query: DrawingInput },
  async (studio, { name }, { id }) => {
    const found = await drawingBytes(studio, id!, await nameHere(name));
    return (
      found &&
      new Response(new Uint8Array(found), {
        headers: {
          "content-type": "application/octet-stream",
          "x-content-type-options": "nosniff",
          "cache-control": "private, no-cache",
        },
      })
    );
  },
  "drawing",
);
