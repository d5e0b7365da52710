import { ChangeGroupInput } from "@/border/group";
import { wrong } from "@/border/problem";
import { checkResults } from "@/border/own-things";
import { changeOf } from "@/border/read-as";
import { route } from "@/border/route";
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
