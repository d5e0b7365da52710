import { memory } from "@/core/memory";
import type { ImageInput } from "@/border/image";
import type { PixelsInput } from "@/border/pixels";
import { wrong } from "@/border/problem";
import type { Raster } from "@/core/chart/raster";
import type { Pixels } from "@/core/picture/plane";

/** Decoded pictures that are kept: a reference and a chart page or two. */
const MOST_KEPT = 4;
const kept = memory<Raster>(MOST_KEPT);

/** Keeps a decoded picture under a handle. */
export const keepPicture = (handle: string, raster: Raster): Raster => kept.keep(handle, raster);

export const hasPicture = (handle: string): boolean => kept.recall(handle) !== undefined;

/** A handle that names no picture: it must be decoded (again). */
export const UNKNOWN_PICTURE = "expected the handle of a picture that was opened";

/** Bytes of a base64 text; undefined when it is none. */
export function bytesOf(base64: string): Uint8Array | undefined {
  let text: string;
  try {
    text = atob(base64);
  } catch {
    return undefined;
  }
  // Going over the text as over a list is twenty times slower.
  const bytes = new Uint8Array(text.length);
  for (let i = 0; i < bytes.length; i++) bytes[i] = text.charCodeAt(i);
  return bytes;
}

/**
 * Pixels of a picture that came along, or that lies here already.
 * @throws BadInput when there are none, or too few
 */
export function rasterOf({ width, height, rgb, picture }: ImageInput, path: string): Raster {
  if (picture !== undefined) {
    const known = kept.recall(picture);
    if (!known) throw wrong(`${path}.picture`, UNKNOWN_PICTURE);
    return known;
  }
  if (width === undefined || height === undefined || rgb === undefined)
    throw wrong(path, 'expected {"width","height","rgb"}');
  const bytes = bytesOf(rgb);
  const wanted = width * height * 3;
  if (bytes?.length !== wanted)
    throw wrong(
      `${path}.rgb`,
      `expected ${wanted} bytes in base64, three a pixel; found ${bytes?.length ?? "no base64"}`,
    );
  return { width, height, rgb: bytes };
}

/**
 * Pixels of one, three or four channels that came along, or that lie here already.
 * @throws BadInput when there are none, or not as many as said
 */
export function pixelsOf({ width, height, channels = 3, data, picture }: PixelsInput, path: string): Pixels {
  if (picture !== undefined) {
    const { rgb, ...size } = rasterOf({ picture }, path);
    return { ...size, channels: 3, data: rgb };
  }
  if (width === undefined || height === undefined || data === undefined)
    throw wrong(path, 'expected {"width","height","channels","data"}');
  return { width, height, channels, data: planeBytes(data, width * height * channels, `${path}.data`) };
}

/** @throws BadInput when a text is no base64 of so many bytes */
export function planeBytes(base64: string, wanted: number, path: string): Uint8Array {
  const bytes = bytesOf(base64);
  if (bytes?.length !== wanted)
    throw wrong(path, `expected ${wanted} bytes in base64; found ${bytes?.length ?? "no base64"}`);
  return bytes;
}
