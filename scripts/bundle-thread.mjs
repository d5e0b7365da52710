import { buildSync } from "esbuild";

/**
 * What the server's threads run, in one file: node scripts/bundle-thread.mjs FILE
 * A thread that has been stopped, as each is whose answer nobody wants any more, is followed by another three times as soon as from sources.
 */
export const bundleThread = (outfile) =>
  buildSync({
    entryPoints: ["workers/server-compute.ts"],
    bundle: true,
    platform: "node",
    format: "cjs",
    // Errors are known by their names.
    keepNames: true,
    logLevel: "error",
    outfile,
  });

if (process.argv[1]?.endsWith("bundle-thread.mjs")) bundleThread(process.argv[2]);
