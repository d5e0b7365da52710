import sharp from "sharp";
import { wrong } from "@/border/problem";
import { MOST_BYTES, MOST_PIXELS, PictureRefused } from "./decode-picture";

/** Pages of one file that may be chosen from, pixels that their small pictures may cost in all, and how long those are. */
const MOST_PAGES = 200;
const MOST_LOOKED_AT = 150_000_000;
const THUMB = 220;
/** A page that goes on is no longer than this. */
const LONGEST = 5000;
const KINDS = new Set(["tiff", "gif", "webp"]);
/** Dots an inch that a file says without meaning them: what programs write when they know nothing. */
const MEANT = [90, 2400] as const;
const INCH = 25.4;

const at = (bytes: Buffer, page: number) =>
  sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: "error", page, pages: 1 });

const refused = () =>
  new PictureRefused("The file is no TIFF, GIF or WebP that can be opened. Save it as PNG, and try again.");

async function counted(bytes: Buffer) {
  if (bytes.length > MOST_BYTES)
    throw new PictureRefused("The file has more than 30 MB. Save its pages one by one.");
  const meta = await sharp(bytes, { limitInputPixels: false })
    .metadata()
    .catch(() => undefined);
  if (!meta?.width || !meta.height || !KINDS.has(meta.format ?? "")) throw refused();
  const pages = meta.pages ?? 1;
  if (pages > MOST_PAGES)
    throw new PictureRefused(
      `The file has ${pages} pages; at most ${MOST_PAGES} can be chosen from. Save those that are wanted by themselves.`,
    );
  return { pages, pixels: meta.width * (meta.pageHeight ?? meta.height) };
}

/** A page of a picture file. */
export interface PictureFilePage {
  /** A small picture of it, WebP in base64; null beyond what may be looked at, or where it is damaged. */
  readonly small: string | null;
  /** Its width on paper, mm, where the file says it. */
  readonly mm: number | null;
}

async function widthOf(bytes: Buffer, page: number): Promise<number | null> {
  const { width = 0, height = 0, density = 0, orientation = 1 } = await at(bytes, page).metadata();
  const isMeant = density > MEANT[0] && density < MEANT[1];
  return isMeant ? ((orientation >= 5 ? height : width) / density) * INCH : null;
}

const smallOf = (bytes: Buffer, page: number): Promise<string | null> =>
  at(bytes, page)
    .rotate()
    .flatten({ background: "#ffffff" })
    .resize({ width: THUMB, height: THUMB, fit: "inside" })
    .webp({ quality: 70 })
    .toBuffer()
    .then(
      (b) => b.toString("base64"),
      () => null,
    );

/** The pages of a TIFF, GIF or WebP. */
export async function pagesOf(bytes: Buffer): Promise<readonly PictureFilePage[]> {
  const { pages, pixels } = await counted(bytes);
  const looked = pages === 1 ? 0 : Math.min(pages, Math.floor(MOST_LOOKED_AT / Math.max(1, pixels)));
  const found: PictureFilePage[] = [];
  for (let n = 0; n < pages; n++)
    found.push({
      small: n < looked ? await smallOf(bytes, n) : null,
      mm: await widthOf(bytes, n).catch(() => null),
    });
  return found;
}

/** One page as PNG, upright on white. */
export async function pageOf(bytes: Buffer, page: number): Promise<Buffer> {
  const { pages } = await counted(bytes);
  if (page > pages) throw wrong("page", `expected a page from 1 to ${pages}`);
  return at(bytes, page - 1)
    .rotate()
    .toColourspace("srgb")
    .flatten({ background: "#ffffff" })
    .resize({ width: LONGEST, height: LONGEST, fit: "inside", withoutEnlargement: true })
    .png({ compressionLevel: 4 })
    .toBuffer()
    .catch(() => {
      throw new PictureRefused(
        `Page ${page} is damaged or too large, so it cannot be read. Choose another one.`,
      );
    });
}
