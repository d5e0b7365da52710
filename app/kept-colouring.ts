import type { BenchPiece } from "@/store/bench";
import { colouringBytes, findColouring, type ColouringFacts } from "@/store/colourings";
import type { PictureFacts } from "@/store/pictures";
import type { Studio } from "@/store/studio";
import type { CardPicture } from "@/ui/bench/piece-card";
import type { KeptPicture } from "@/ui/piece/kept-picture";
import { buildName } from "./build-name";
import { resized } from "./sized-picture";

/** Names a picture by what it was made of and by the build that drew it: another build's picture is shown, and drawn anew. */
export const nameHere = async (name: string): Promise<string> => `${await buildName()} ${name}`;

/** Why what a page worked out is not kept: it was open before this build came. Undefined where it is of this build, or of no page. */
export async function refusedAsOlder(headers: Headers): Promise<Response | undefined> {
  const build = headers.get("x-blendt-build");
  if (build === null || build === (await buildName())) return undefined;
  return Response.json(
    { message: "This page is of another Blendt than the server: reload it." },
    { status: 409 },
  );
}

/** Names of what this build made, as they were before {@link nameHere}. */
export async function ofThisBuild(names: readonly string[]): Promise<string[]> {
  const build = `${await buildName()} `;
  return names.filter((n) => n.startsWith(build)).map((n) => n.slice(build.length));
}

/** Where a kept picture is; a new one has a new address. */
export const addressOf = (url: string, { name, width }: Pick<ColouringFacts, "name" | "width">) =>
  `${url}?v=${encodeURIComponent(`${name.split(" ").at(-1)}-${width}`)}`;

/** What is kept of a piece's picture, as pages show it. */
export async function keptOf(
  studio: Studio,
  pieceId: string,
  url = `/api/pieces/${pieceId}/colouring`,
): Promise<KeptPicture | undefined> {
  const found = await findColouring(studio, pieceId);
  if (!found) return undefined;
  const { width, height, lineId, name } = found;
  const [here = ""] = await ofThisBuild([name]);
  return {
    url: addressOf(url, found),
    width,
    height,
    lineId,
    name: here,
  };
}

/** The picture itself, at most so wide. */
export async function keptBytes(studio: Studio, pieceId: string, width: number | undefined) {
  const found = await findColouring(studio, pieceId);
  if (!found) return undefined;
  const whole = () => colouringBytes(studio, pieceId);
  if (width) return resized(`${pieceId} ${found.name} ${found.width}`, width, whole);
  const bytes = await whole();
  return bytes && { bytes, type: "image/webp" };
}

/** The picture by which a piece is known on the bench: as it will look, else what it is coloured after, else its line. */
export function pictureOnBench(
  { id, colouring, stillId }: Pick<BenchPiece, "id" | "colouring" | "stillId">,
  stills: ReadonlyMap<string, PictureFacts>,
): CardPicture | undefined {
  if (colouring) {
    const { width, height } = colouring;
    return { src: addressOf(`/api/pieces/${id}/colouring`, colouring), width, height };
  }
  const still = stills.get(stillId ?? "");
  return still && { src: `/api/pictures/${still.id}`, width: still.width, height: still.height };
}
