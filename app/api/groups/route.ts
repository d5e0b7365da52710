import { readGroups, GROUPS_FORMAT } from "@/store/groups-input";
import { keepGroups, listGroups } from "@/store/groups";
import { currentStudio } from "@/store/studio";
import { answer, jsonBody } from "../answer";
import { download } from "../download";

/** All kept groups as a file. */
export const GET = () =>
  answer(async () => {
    const groups = (await listGroups(await currentStudio())).map(({ id: _, ...g }) => g);
    return download(
      JSON.stringify({ format: GROUPS_FORMAT, version: 1, groups }, null, 1),
      "application/json",
      "groups.json",
    );
  });

/** Keeps one group, or all of a file; names that are there already are replaced. */
export const POST = (request: Request) =>
  answer(async () =>
    Response.json(await keepGroups(await currentStudio(), readGroups(await jsonBody(request))), {
      status: 201,
    }),
  );
