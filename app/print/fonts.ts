import { readFile } from "node:fs/promises";
import { join } from "node:path";
import { decompress } from "wawoff2";

/** The app's own letters: a humanist sans for what is read, a monospace for codes. */
const FACES = { sans: "source-sans-3", mono: "ibm-plex-mono" } as const;

/** One of the app's faces as TrueType, which is what a PDF embeds: the packages bring them as WOFF2. */
export async function fontFile(face: keyof typeof FACES, weight: 400 | 600): Promise<Buffer> {
  const name = FACES[face];
  const path = join(
    process.cwd(),
    `node_modules/@fontsource/${name}/files`,
    `${name}-latin-${weight}-normal.woff2`,
  );
  return Buffer.from(await decompress(await readFile(path)));
}
