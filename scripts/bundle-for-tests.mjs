import { bundleThread } from "./bundle-thread.mjs";

/** Unit tests ask the threads that a built app has. */
export default function () {
  process.env.BLENDT_THREAD = `${process.cwd()}/node_modules/.cache/blendt/server-thread.cjs`;
  bundleThread(process.env.BLENDT_THREAD);
}
