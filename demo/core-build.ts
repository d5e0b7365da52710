import { buildSync } from "esbuild";
import { createHash } from "node:crypto";
import { writeFileSync } from "node:fs";
import { fileURLToPath } from "node:url";

/** All that answers and pictures follow from: the operations, and what a piece is asked of them. */
const PARTS = ["run", "piece-questions", "kept-groups", "from-rack", "colouring-name"];

/**
 * Names the computation as it is: the hash of all operations with what they stand on, in the form that runs. Comments and format are no part
 * of it, a number is. `npx tsx demo/core-build.ts FILE` writes it down beside the app that was built.
 */
export function buildOfCore(): string {
  const { outputFiles } = buildSync({
    stdin: {
      contents: PARTS.map((part, i) => `export * as p${i} from "./${part}";`).join("\n"),
      resolveDir: fileURLToPath(new URL("../compute", import.meta.url)),
    },
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

if (process.argv[1]?.endsWith("core-build.ts")) writeFileSync(process.argv[2]!, buildOfCore());
