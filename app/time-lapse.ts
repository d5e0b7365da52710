import { LRUCache } from "lru-cache";
import sharp from "sharp";
import { aspectOf, isQuad, rectified, type Corners } from "@/core/picture/rectify";
import type { EventOf } from "@/core/work/record";
import { pictureBytes } from "@/store/pictures";
import type { Studio } from "@/store/studio";

/** Long side of a frame, and of the copy of a photo from which it is made, pixels. */
const [LONG, FROM] = [720, 1440] as const;
/** How long a frame stands, and the last one, ms. */
const [STANDS, LAST] = [900, 2600] as const;
const QUALITY = 78;
/** Films that are kept in memory, bytes in all. */
const MOST_BYTES = 24_000_000;
const kept = new LRUCache<string, Buffer>({ maxSize: MOST_BYTES, sizeCalculation: (b) => b.length + 200 });
const coming = new Map<string, Promise<Buffer | undefined>>();
let turn: Promise<unknown> = Promise.resolve();

interface Photo {
  readonly width: number;
  readonly height: number;
  readonly data: Buffer;
  readonly corners: Corners | undefined;
}

/** A photo as its pixels, small; corners that bound nothing are left. */
async function photoOf(bytes: Buffer, corners: Corners | undefined): Promise<Photo> {
  const { data, info } = await sharp(bytes, { limitInputPixels: false })
    .resize({ width: FROM, height: FROM, fit: "inside", withoutEnlargement: true })
    .flatten({ background: "#ffffff" })
    .toColourspace("srgb")
    .removeAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  const { width, height } = info;
  return { width, height, data, corners: corners && isQuad(corners, width, height) ? corners : undefined };
}

/** One frame of a film: the drawing made straight where it was found, else the whole photo. */
function frameOf({ width, height, data, corners }: Photo, size: { width: number; height: number }) {
  if (!corners)
    return sharp(data, { raw: { width, height, channels: 3 } })
      .resize({ ...size, fit: "contain", background: "#ffffff" })
      .png({ compressionLevel: 1 })
      .toBuffer();
  const straight = rectified({ width, height, channels: 3, data }, corners, size.width, size.height);
  return sharp(Buffer.from(straight.data), { raw: { ...size, channels: 3 } })
    .png({ compressionLevel: 1 })
    .toBuffer();
}

async function filmOf(
  studio: Studio,
  photos: readonly EventOf<"photographed">[],
): Promise<Buffer | undefined> {
  const frames: Buffer[] = [];
  let size: { width: number; height: number } | undefined;
  for (const { pictureId, corners } of photos) {
    const found = await pictureBytes(studio, pictureId);
    if (!found) continue;
    const photo = await photoOf(found.bytes, corners);
    if (!size) {
      const aspect = photo.corners
        ? aspectOf(photo.corners, photo.width, photo.height)
        : photo.width / photo.height;
      size = {
        width: Math.max(16, Math.round(aspect > 1 ? LONG : LONG * aspect)),
        height: Math.max(16, Math.round(aspect > 1 ? LONG / aspect : LONG)),
      };
    }
    frames.push(await frameOf(photo, size));
  }
  if (frames.length < 2) return undefined;
  const delay = frames.map((_, i) => (i === frames.length - 1 ? LAST : STANDS));
  return sharp(frames, { join: { animated: true } })
    .webp({ quality: QUALITY, effort: 2, delay, loop: 0 })
    .toBuffer();
}

/**
 * The photos of a piece one after the other as an animated WebP, each drawing made straight where it was found; undefined for fewer than two. The
 * same photos are made a film of once, and one film at a time.
 */
export function timeLapse(
  studio: Studio,
  photos: readonly EventOf<"photographed">[],
): Promise<Buffer | undefined> {
  if (photos.length < 2) return Promise.resolve(undefined);
  const name = JSON.stringify([studio.id, photos.map((p) => [p.pictureId, p.corners])]);
  const there = kept.get(name);
  if (there) return Promise.resolve(there);
  const known = coming.get(name);
  if (known) return known;
  const made = turn
    .catch(() => undefined)
    .then(() => filmOf(studio, photos))
    .then((film) => {
      if (film) kept.set(name, film);
      return film;
    })
    .finally(() => coming.delete(name));
  coming.set(name, made);
  turn = made;
  return made;
}
