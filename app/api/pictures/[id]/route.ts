import { pictureBytes } from "@/store/pictures";
import { currentStudio } from "@/store/studio";
import { answer, isId, notFound } from "../../answer";

/** The working copy of a picture; a picture never changes under its id. */
export const GET = (_: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { id } = await params;
    const found = isId(id) ? await pictureBytes(await currentStudio(), id) : undefined;
    if (!found) return notFound("picture");
    return new Response(new Uint8Array(found.bytes), {
      headers: {
        "content-type": found.type,
        "cache-control": "private, max-age=31536000, immutable",
        "x-content-type-options": "nosniff",
      },
    });
  });
