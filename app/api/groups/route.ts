import { anyJson, created, route } from "@/door/route";
import { checkResults } from "@/door/own-things";
import { GROUPS_FORMAT, readGroups } from "@/border/group";
import { keepGroups, listGroups } from "@/store/groups";
import { download } from "../download";

/** All kept groups as a file. */
export const GET = route(null, async (studio) => {
  const groups = (await listGroups(studio)).map(({ id: _, ...g }) => g);
  return download(
    JSON.stringify({ format: GROUPS_FORMAT, version: 1, groups }, null, 1),
    "application/json",
    "groups.json",
  );
});

/** Keeps one group, or all of a file; names that are there already are replaced. */
export const POST = route(anyJson, async (studio, input) => {
  const groups = readGroups(input);
  await checkResults(studio, groups, (i) => (groups.length === 1 ? "" : `groups[${i}].`));
  return created(await keepGroups(studio, groups));
});
