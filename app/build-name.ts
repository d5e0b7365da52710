import { readFile } from "node:fs/promises";
import path from "node:path";

let build: Promise<string> | undefined;

/** Names the build of the app: what another build worked out is not this one's answer. */
export const buildName = (): Promise<string> =>
  (build ??= readFile(path.join(/* turbopackIgnore: true */ process.cwd(), ".next", "BUILD_ID"), "utf8").then(
    (id) => id.trim(),
    () => "unbuilt",
  ));
