import { route } from "@/door/route";
import { Readable } from "node:stream";
import { studioZip } from "@/app/studio-zip/write-out";
import { download } from "../../download";

/** Everything of the studio as one zip. */
export const GET = route(null, (studio) =>
  Promise.resolve(
    download(Readable.toWeb(studioZip(studio)) as ReadableStream, "application/zip", `${studio.name}.zip`),
  ),
);
