import { BadInput } from "@/compute/problem";
import { changeGroup, dropGroup } from "@/store/groups";
import { readGroupChange } from "@/store/groups-input";
import { currentStudio } from "@/store/studio";
import { answer, isId, jsonBody, notFound } from "../../answer";

interface Context {
  params: Promise<{ id: string }>;
}

export const PATCH = (request: Request, { params }: Context) =>
  answer(async () => {
    const { id } = await params;
    const change = readGroupChange(await jsonBody(request));
    const changed = isId(id) ? await changeGroup(await currentStudio(), id, change) : undefined;
    if (changed === "taken")
      throw new BadInput([
        {
          path: "name",
          expected: `expected a name of its own; another kept group is called “${change.name}”`,
        },
      ]);
    return changed ? Response.json(changed) : notFound("kept group");
  });

export const DELETE = (_: Request, { params }: Context) =>
  answer(async () => {
    const { id } = await params;
    return isId(id) && (await dropGroup(await currentStudio(), id))
      ? Response.json({ deleted: true })
      : notFound("kept group");
  });
