import { wrong } from "@/border/problem";
import type { Raster } from "@/core/chart/raster";

/** Long side to which pictures are made smaller before they are read; the same as the studio's working copies. */
export const SIDE = 2400;

/** Size of a picture once its long side is no longer than {@link SIDE}. */
export function workingSize(
  width: number,
  height: number,
): { readonly width: number; readonly height: number } {
  const share = Math.min(1, SIDE / Math.max(width, height));
  return { width: Math.max(1, Math.round(width * share)), height: Math.max(1, Math.round(height * share)) };
}

/** Pixels without their opacity: three bytes each. */
export function withoutAlpha(rgba: Uint8ClampedArray, pixels: number): Uint8Array {
  const rgb = new Uint8Array(pixels * 3);
  for (let p = 0, q = 0; p < rgb.length; p += 3, q += 4) {
    rgb[p] = rgba[q]!;
    rgb[p + 1] = rgba[q + 1]!;
    rgb[p + 2] = rgba[q + 2]!;
  }
  return rgb;
}

/**
 * Pixels of a picture, upright, in sRGB, at working size.
 * @throws BadInput in words when the browser cannot decode it
 */
export async function decode(picture: Blob, name: string): Promise<Raster> {
  const whole = await createImageBitmap(picture).catch(() => {
    throw wrong("", `“${name}” is not a picture this browser can open. Take a PNG, JPEG or WebP.`);
  });
  const { width, height } = workingSize(whole.width, whole.height);
  const smaller = width < whole.width || height < whole.height;
  const bitmap = smaller
    ? await createImageBitmap(whole, { resizeWidth: width, resizeHeight: height, resizeQuality: "high" })
    : whole;
  const context = new OffscreenCanvas(width, height).getContext("2d", { willReadFrequently: true })!;
  context.drawImage(bitmap, 0, 0);
  const { data } = context.getImageData(0, 0, width, height);
  for (const b of [whole, bitmap]) b.close();
  return { width, height, rgb: withoutAlpha(data, width * height) };
}
