import { route } from "@/door/route";
import { wrong } from "@/border/problem";
import { plain } from "@/border/read-as";
import { RangeInput } from "@/border/rack";
import { changeRange } from "@/store/rack";

export const PUT = route(
  RangeInput,
  async (studio, input, { id }) => {
    const changed = await changeRange(studio, id!, plain(input));
    if (changed === "taken")
      throw wrong("name", `expected a name of its own; another range is called “${input.name}”`);
    return changed;
  },
  "range",
);
