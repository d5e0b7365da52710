import { readFile } from "node:fs/promises";
import path from "node:path";

let build: Promise<string> | undefined;

/** Names the computation of this build of the app: what another one worked out is not its answer. */
export const buildName = (): Promise<string> =>
  (build ??= readFile(
    path.join(/* turbopackIgnore: true */ process.cwd(), ".next", "CORE_BUILD"),
    "utf8",
  ).then(
    (name) => name.trim(),
    () => "unbuilt",
  ));
