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

/** A picture as WebP, at most so many pixels wide; `key` names it whatever studio it is of. */
export async function resized(
  key: string,
  width: number,
  whole: () => Promise<Buffer | undefined>,
): Promise<Sent | undefined> {
  const name = `${key} ${width}`;
  const there = kept.get(name);
  if (there) return there;
  const found = await whole();
  if (!found) return undefined;
  const bytes = await sharp(found, { limitInputPixels: false })
    .resize({ width, withoutEnlargement: true })
    .webp({ quality: QUALITY, effort: 2 })
    .toBuffer();
  const sent = { bytes, type: "image/webp" };
  kept.set(name, sent);
  return sent;
}

/**
 * A picture of the studio to be looked at; colours are read from the working copy, never from this one. Undefined when it is not the studio's:
 * whose it is is asked each time, what is kept is anybody's.
 */
export const sizedPicture = async (studio: Studio, id: string, width: number): Promise<Sent | undefined> =>
  (await findPicture(studio, id))
    ? resized(id, width, async () => (await pictureBytes(studio, id))?.bytes)
    : undefined;

/** An answer with a picture that never changes at its address. */
export const pictureAnswer = ({
  bytes,
  type,
}: {
  readonly bytes: Uint8Array;
  readonly type: string;
}): Response =>
  new Response(new Uint8Array(bytes), {
    headers: {
      "content-type": type,
      "cache-control": "private, max-age=31536000, immutable",
      "x-content-type-options": "nosniff",
    },
  });
