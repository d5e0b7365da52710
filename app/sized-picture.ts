import { LRUCache } from "lru-cache";
import sharp from "sharp";
import { findPicture, pictureBytes } from "@/store/pictures";
import type { Studio } from "@/store/studio";

interface Sent {
  readonly bytes: Buffer;
  readonly type: string;
}

/** Small copies that are kept in memory, of all studios, bytes in all. */
const MOST_BYTES = 48_000_000;
const kept = new LRUCache<string, Sent>({
  maxSize: MOST_BYTES,
  sizeCalculation: (s) => s.bytes.length + 200,
});
/** WebP at which no edge of a colour shows beside the original. */
const QUALITY = 82;

/**
 * A picture to be looked at, as WebP, at most so many pixels wide; colours are read from the working copy, never from this one.
 * Undefined when it is not the studio's.
 */
export async function sizedPicture(studio: Studio, id: string, width: number): Promise<Sent | undefined> {
  // Whose it is is asked each time: what is kept is anybody's.
  if (!(await findPicture(studio, id))) return undefined;
  const key = `${id} ${width}`;
  const there = kept.get(key);
  if (there) return there;
  const found = await pictureBytes(studio, id);
  if (!found) return undefined;
  const bytes = await sharp(found.bytes, { limitInputPixels: false })
    .resize({ width, withoutEnlargement: true })
    .webp({ quality: QUALITY, effort: 2 })
    .toBuffer();
  const sent = { bytes, type: "image/webp" };
  kept.set(key, sent);
  return sent;
}
