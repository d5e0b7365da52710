import { mkdtemp, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { LRUCache } from "lru-cache";
import sharp, { type OverlayOptions } from "sharp";
import { keptBytes } from "@/app/kept-colouring";
import type { SharedPiece } from "@/app/shared-piece";
import { tonesOf } from "@/core/piece/piece";
import { counted } from "@/words/numbers";
import { fontFile } from "./fonts";

/** As large as pages elsewhere show the picture of a link. */
export const CARD = { width: 1200, height: 630 } as const;
const MARGIN = 40;
const [GROUND, INK, SOFT] = ["#f7f6f2", "#171717", "#55524c"];
/** Areas that have room on it, and how high and wide their ramps are. */
const MOST_RAMPS = 7;
const RAMP = { height: 34, gap: 14, width: 300 } as const;
const NAMES = 190;

/** Cards that are kept in memory, bytes in all. */
const kept = new LRUCache<string, Buffer>({ maxSize: 12_000_000, sizeCalculation: (b) => b.length + 200 });

let fonts: Promise<Readonly<Record<400 | 600, string>>> | undefined;
/** Files of the app's own letters: what draws text takes a file. */
const fontPaths = () =>
  (fonts ??= (async () => {
    const folder = await mkdtemp(join(tmpdir(), "blendt-letters-"));
    const put = async (weight: 400 | 600) => {
      const path = join(folder, `${weight}.ttf`);
      await writeFile(path, await fontFile("sans", weight));
      return path;
    };
    return { 400: await put(400), 600: await put(600) };
  })());

/** What the files call themselves; the comma behind it says that its last word is no weight. */
const FAMILY = "Source Sans 3 ExtraLight";

/** Text as the drawer of letters takes it: nothing in it is markup, and nothing in it is no character. */
const plain = (text: string) =>
  text.replace(/\p{C}/gu, " ").replaceAll("&", "&amp;").replaceAll("<", "&lt;").replaceAll(">", "&gt;");

const shortened = (text: string, most: number) => (text.length > most ? `${text.slice(0, most - 1)}…` : text);

async function words(
  text: string,
  { px, weight, colour, width }: { px: number; weight: 400 | 600; colour: string; width: number },
): Promise<Buffer> {
  const fontfile = (await fontPaths())[weight];
  const font = `${FAMILY},${weight === 600 ? " Semi-Bold" : ""} ${Math.round(px * 0.75)}`;
  return sharp({
    text: {
      text: `<span foreground="${colour}">${plain(text).trim() || "–"}</span>`,
      font,
      fontfile,
      width,
      rgba: true,
      dpi: 96,
    },
  })
    .png()
    .toBuffer();
}

/** A ramp in steps, as SVG. */
const ramp = (colours: readonly string[]): Buffer => {
  const wide = RAMP.width / colours.length;
  const steps = colours.map(
    (c, i) => `<rect x="${i * wide}" width="${wide + 0.5}" height="${RAMP.height}" fill="${c}"/>`,
  );
  return Buffer.from(
    `<svg xmlns="http://www.w3.org/2000/svg" width="${RAMP.width}" height="${RAMP.height}">${steps.join("")}</svg>`,
  );
};

/** A shared piece as one PNG: its picture and the ramps of its areas, as far as its link shows them. */
export async function cardOf({
  studio,
  pieceId,
  piece,
  shows,
  kept: picture,
  ramps,
}: SharedPiece): Promise<Buffer> {
  const listed = piece.areas.filter((a) => ramps[a.id]?.length).slice(0, MOST_RAMPS);
  const of = JSON.stringify([
    pieceId,
    picture?.name,
    shows,
    piece.name,
    studio.name,
    listed.map((a) => [a.name, ramps[a.id]]),
  ]);
  const there = kept.get(of);
  if (there) return there;

  const high = CARD.height - 2 * MARGIN;
  const layers: OverlayOptions[] = [];
  const drawn = picture && (await keptBytes(studio, pieceId, undefined));
  let left = MARGIN;
  if (drawn) {
    const { data, info } = await sharp(drawn.bytes)
      .resize({ width: 600, height: high, fit: "inside" })
      .png()
      .toBuffer({ resolveWithObject: true });
    layers.push({ input: data, left, top: MARGIN + Math.round((high - info.height) / 2) });
    left += info.width + MARGIN;
  }
  const width = CARD.width - MARGIN - left;
  const name = await sharp(
    await words(shortened(piece.name, 60), { px: 50, weight: 600, colour: INK, width }),
  )
    .resize({ width, height: 130, fit: "inside", withoutEnlargement: true })
    .toBuffer({ resolveWithObject: true });
  layers.push({ input: name.data, left, top: MARGIN });
  const planned = piece.areas.filter((a) => tonesOf(a).length).length;
  const says = [`shown by ${studio.name}`, ...(planned ? [counted(planned, "area")] : [])].join(" · ");
  layers.push({
    input: await sharp(await words(shortened(says, 80), { px: 24, weight: 400, colour: SOFT, width }))
      .resize({ width, height: 60, fit: "inside", withoutEnlargement: true })
      .toBuffer(),
    left,
    top: MARGIN + name.info.height + 14,
  });
  const room = Math.min(RAMP.width, width - NAMES);
  let top = CARD.height - MARGIN - listed.length * (RAMP.height + RAMP.gap) + RAMP.gap;
  for (const area of listed) {
    const strip = await sharp(ramp(ramps[area.id]!))
      .resize({ width: room, height: RAMP.height, fit: "fill" })
      .png()
      .toBuffer();
    const label = await sharp(
      await words(shortened(area.name, 22), { px: 22, weight: 400, colour: INK, width: NAMES - 16 }),
    )
      .resize({ width: NAMES - 16, height: RAMP.height, fit: "inside", withoutEnlargement: true })
      .toBuffer({ resolveWithObject: true });
    layers.push({ input: label.data, left, top: top + Math.round((RAMP.height - label.info.height) / 2) });
    layers.push({ input: strip, left: left + NAMES, top });
    top += RAMP.height + RAMP.gap;
  }
  const card = await sharp({ create: { ...CARD, channels: 3, background: GROUND } })
    .composite(layers)
    .png({ compressionLevel: 8 })
    .toBuffer();
  kept.set(of, card);
  return card;
}
