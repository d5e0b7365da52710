import { route } from "@/door/route";
import { wrong } from "@/border/problem";
import { changeOf } from "@/border/read-as";
import { RemoveStudioInput, StudioFactsInput } from "@/border/studio";
import { changeStudio, removeStudio } from "@/store/studio";

/** The studio one is in. */
export const GET = route(null, (studio) => Promise.resolve(studio), "studio");

export const PATCH = route(
  StudioFactsInput,
  (studio, input) => changeStudio(studio, changeOf(input)),
  "studio",
  "owner",
);

/** Removes the studio with all that is in it, once its name has been said. */
export const DELETE = route(
  RemoveStudioInput,
  (studio, { name }) => {
    if (name.trim() !== studio.name) throw wrong("name", `expected the studio's name, “${studio.name}”`);
    return removeStudio(studio);
  },
  "studio",
  "owner",
);
