import { PaperFactsInput, paperFactsOf } from "@/border/paper";
import { wrong } from "@/border/problem";
import { changeOf } from "@/border/read-as";
import { route } from "@/border/route";
import { changePaper } from "@/store/papers";
import { rackOn } from "@/store/rack";

/** The rack as read on a paper. */
export const GET = route(null, (studio, _, { id }) => rackOn(studio, id!), "paper");

export const PATCH = route(
  PaperFactsInput,
  async (studio, input, { id }) => {
    const changed = await changePaper(studio, id!, paperFactsOf(changeOf(input)));
    if (changed === "taken")
      throw wrong("name", `expected a name of its own; another paper is called “${input.name}”`);
    return changed;
  },
  "paper",
);
