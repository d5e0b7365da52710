import { buildSync } from "esbuild";

/** What serves the desk while the server is away, in one file that every page may fetch: node scripts/bundle-away.mjs */
buildSync({
  entryPoints: ["workers/away.sw.ts"],
  bundle: true,
  format: "iife",
  minify: true,
  define: { "process.env.NODE_ENV": '"production"' },
  logLevel: "error",
  outfile: "public/away.js",
});
