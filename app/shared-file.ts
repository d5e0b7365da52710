import { createHash } from "node:crypto";
import { LRUCache } from "lru-cache";
import sharp from "sharp";
import type { Pass } from "@/core/media/medium";
import { suppliesOf } from "@/core/stock/supplies";
import { printerSheet } from "@/store/studio";
import { sharedMarkdown } from "@/words/shared-file";
import { passAmount, passInWords, passWhere } from "@/words/pass";
import { usedIn } from "@/words/supplies";
import { keptBytes } from "./kept-colouring";
import { guideChapters, guidePdf } from "./print/guide-pdf";
import type { SharedPiece } from "./shared-piece";

/** PDFs that are kept in memory, bytes in all: whoever has a link may ask again and again. */
const made = new LRUCache<string, Buffer>({ maxSize: 16_000_000, sizeCalculation: (b) => b.length + 200 });
/** Long side of the picture in it, pixels. */
const PICTURE = 2000;

/** Combinations say what is laid and where; how, only steps do. */
const saysOf = ({ shows }: Pick<SharedPiece, "shows">) =>
  shows.includes("steps") ? passInWords : (p: Pass) => `${passAmount(p)}, ${passWhere(p)}`;

const stepsShown = ({ shows }: Pick<SharedPiece, "shows">) =>
  shows.includes("steps") || shows.includes("combinations");

/** What a link shows as Markdown. */
export function markdownOf(shared: SharedPiece): string {
  const { piece, rack, studio, shows } = shared;
  const chapters = stepsShown(shared) ? guideChapters(piece, rack.paper, saysOf(shared)) : [];
  return sharedMarkdown({
    name: piece.name,
    studio: studio.name,
    paper: rack.paper.name,
    chapters,
    supplies: shows.includes("supplies")
      ? suppliesOf(piece, [...rack.markers, ...rack.others]).map((s) => ({ code: s.code, used: usedIn(s) }))
      : [],
    // A note of an area that has no chapter is not lost.
    notes: piece.areas
      .filter((a) => a.note && !chapters.some((c) => c.id === a.id))
      .map((a) => ({ area: a.name, note: a.note })),
  });
}

/** What a link shows as PDF: picture, steps and what to lay ready, as far as they are ticked. */
export async function pdfOf(shared: SharedPiece): Promise<Buffer> {
  const { studio, pieceId, piece, rack, shows, kept } = shared;
  const key = createHash("sha256")
    .update(JSON.stringify([pieceId, kept?.name, shows, piece, rack, studio.name]))
    .digest("hex");
  const there = made.get(key);
  if (there) return there;
  const drawn = kept && (await keptBytes(studio, pieceId, undefined));
  const colouring =
    drawn &&
    (await sharp(drawn.bytes)
      .resize({ width: PICTURE, height: PICTURE, fit: "inside", withoutEnlargement: true })
      .png()
      .toBuffer());
  const pdf = await guidePdf({
    piece,
    rack,
    ...(colouring && { colouring }),
    steps: stepsShown(shared),
    ready: shows.includes("supplies"),
    says: saysOf(shared),
    sheet: await printerSheet(studio),
  });
  made.set(key, pdf);
  return pdf;
}
