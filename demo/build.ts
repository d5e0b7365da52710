import { buildSync } from "esbuild";
import { createHash } from "node:crypto";
import { fileURLToPath } from "node:url";

/**
 * Names the computation as it is: the hash of all operations with what they stand on, in the form that runs. Comments and format are no part
 * of it, a number is.
 */
export function buildOfCore(): string {
  const { outputFiles } = buildSync({
    entryPoints: [fileURLToPath(new URL("../compute/run.ts", import.meta.url))],
    bundle: true,
    minify: true,
    write: false,
    packages: "external",
    platform: "node",
    format: "esm",
    tsconfig: fileURLToPath(new URL("../tsconfig.json", import.meta.url)),
    logLevel: "silent",
  });
  return createHash("sha256").update(outputFiles[0]!.text).digest("hex").slice(0, 16);
}
