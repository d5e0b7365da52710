import { created, personRoute, reads } from "@/door/route";
import { takeStudioIn } from "@/app/studio-zip/take-in";
import { fileOf } from "@/border/body";
import { StudioFull } from "@/store/database";
import { MOST_STUDIOS } from "@/store/studio";

const MOST_BYTES = 1024 * 1024 * 1024;

/** The zip as a file of its own, read only as far as it may go; whoever takes it removes it. */
const zipFile = reads("zip", (request) => fileOf(request, MOST_BYTES));

/** A new studio from the zip of another. */
export const POST = personRoute(zipFile, async (visitor, file) => {
  try {
    const studio = await takeStudioIn(visitor, file.path);
    if (!studio) throw new StudioFull(MOST_STUDIOS, "studios");
    return created(studio);
  } finally {
    await file.remove();
  }
});
