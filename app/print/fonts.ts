import { readFile } from "node:fs/promises";
import { join } from "node:path";
import { decompress } from "wawoff2";

/** The app's own monospace as TrueType, which is what a PDF embeds: the package brings it as WOFF2. */
export async function fontFile(weight: 400 | 600): Promise<Buffer> {
  const path = join(
    process.cwd(),
    "node_modules/@fontsource/ibm-plex-mono/files",
    `ibm-plex-mono-latin-${weight}-normal.woff2`,
  );
  return Buffer.from(await decompress(await readFile(path)));
}
