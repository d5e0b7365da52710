import { created, personRoute } from "@/door/route";
import { plain } from "@/border/read-as";
import { NewStudioInput } from "@/border/studio";
import { StudioFull } from "@/store/database";
import { addStudio, MOST_STUDIOS, studiosOf } from "@/store/studio";

/** Studios that one may enter. */
export const GET = personRoute(null, (visitor) => studiosOf(visitor));

/** A new, empty studio. */
export const POST = personRoute(NewStudioInput, async (visitor, input) => {
  const studio = await addStudio(visitor, plain(input));
  if (!studio) throw new StudioFull(MOST_STUDIOS, "studios");
  return created(studio);
});
