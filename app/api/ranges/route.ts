import { created, route } from "@/door/route";
import { wrong } from "@/border/problem";
import { plain } from "@/border/read-as";
import { RangeInput } from "@/border/rack";
import { addRange } from "@/store/rack";

export const POST = route(RangeInput, async (studio, input) => {
  const range = await addRange(studio, plain(input));
  if (range === "taken")
    throw wrong("name", `expected a name of its own; another range is called “${input.name}”`);
  return created(range);
});
