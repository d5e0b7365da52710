import { route } from "@/door/route";
import { Readable } from "node:stream";
import { studioZip } from "@/app/studio-zip/write-out";
import { holding } from "@/store/leases";
import { download } from "../../download";

/** So many are packed at once: each has a connection to the database while it is. */
const PLACES = ["export 1", "export 2"];
const WAIT = {
  waitMs: 60_000,
  busy: "Other studios are being packed just now. Try again in a moment.",
} as const;

/** Everything of the studio as one zip. */
export const GET = route(null, async (studio, _, __, { signal }) => {
  const stream = await holding(PLACES, WAIT, () => studioZip(studio, signal));
  return download(Readable.toWeb(stream) as ReadableStream, "application/zip", `${studio.name}.zip`);
});
