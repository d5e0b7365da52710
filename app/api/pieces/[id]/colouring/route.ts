import sharp from "sharp";
import { keptBytes, nameHere, refusedAsOlder } from "@/app/kept-colouring";
import { pictureAnswer } from "@/app/sized-picture";
import { ColouringInput, MOST_COLOURING_BYTES, MOST_COLOURING_PIXELS } from "@/border/colouring";
import { formOf } from "@/border/form";
import { wrong } from "@/border/problem";
import { readAs } from "@/border/read-as";
import { SizedInput } from "@/border/sized";
import { reads, route } from "@/door/route";
import { findPicture } from "@/store/pictures";
import { keepColouring } from "@/store/colourings";

/** WebP at which no edge of a colour shows beside what was drawn. */
const QUALITY = 86;

/** The picture of a piece as a page drew it, and what it was made of; drawn anew from its pixels, whatever it claims to be. */
const drawn = reads("form", async (request) => {
  const form = await formOf(request, MOST_COLOURING_BYTES);
  const said = Object.fromEntries(["name", "line"].map((f) => [f, form?.get(f) ?? undefined]));
  const { name, line } = readAs(ColouringInput, said);
  const file = form?.get("picture");
  const refused = () =>
    wrong("picture", `expected a picture of at most ${MOST_COLOURING_PIXELS / 1e6} megapixels`);
  if (!(file instanceof File)) throw refused();
  const { data, info } = await sharp(Buffer.from(await file.arrayBuffer()), {
    limitInputPixels: MOST_COLOURING_PIXELS,
  })
    .flatten({ background: "#ffffff" })
    .webp({ quality: QUALITY, effort: 2 })
    .toBuffer({ resolveWithObject: true })
    .catch(() => {
      throw refused();
    });
  return { name, line, webp: data, width: info.width, height: info.height };
});

/** Keeps the picture of a piece as it was drawn. */
export const PUT = route(
  drawn,
  async (studio, { name, line, webp, width, height }, { id }, { headers }) => {
    const older = await refusedAsOlder(headers);
    if (older) return older;
    if (!(await findPicture(studio, line))) throw wrong("line", "expected a picture of this studio");
    const facts = { name: await nameHere(name), lineId: line, width, height };
    return keepColouring(studio, id!, facts, webp);
  },
  "piece",
);

/** The picture of a piece as it was last drawn; a new one has a new address. */
export const GET = route(
  { query: SizedInput },
  async (studio, { width }, { id }) => {
    const found = await keptBytes(studio, id!, width ? Number(width) : undefined);
    return found && pictureAnswer(found);
  },
  "picture",
);
