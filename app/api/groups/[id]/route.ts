import { route } from "@/door/route";
import { checkResults } from "@/door/own-things";
import { ChangeGroupInput } from "@/border/group";
import { wrong } from "@/border/problem";
import { changeOf } from "@/border/read-as";
import { changeGroup, dropGroup } from "@/store/groups";

export const PATCH = route(
  ChangeGroupInput,
  async (studio, input, { id }) => {
    await checkResults(studio, [input], () => "");
    const changed = await changeGroup(studio, id!, changeOf(input));
    if (changed === "taken")
      throw wrong("name", `expected a name of its own; another kept group is called “${input.name}”`);
    return changed;
  },
  "kept group",
);

export const DELETE = route(null, (studio, _, { id }) => dropGroup(studio, id!), "kept group");
