/** Long side to which pictures are made smaller before they are read; the same as the studio's working copies. */
const SIDE = 2400;

export interface PicturePixels {
  readonly width: number;
  readonly height: number;
  /** Three bytes a pixel, as base64. */
  readonly rgb: string;
}

const CHUNK = 0x8000;

function base64Of(bytes: Uint8Array): string {
  const parts: string[] = [];
  for (let i = 0; i < bytes.length; i += CHUNK)
    parts.push(String.fromCharCode(...bytes.subarray(i, i + CHUNK)));
  return btoa(parts.join(""));
}

/**
 * Pixels of a picture, upright, in sRGB.
 * @throws Error in words when the browser cannot decode it
 */
export async function pixelsOf(file: Blob, name: string): Promise<PicturePixels> {
  const whole = await createImageBitmap(file).catch(() => {
    throw new Error(`“${name}” is not a picture this browser can open. Take a PNG, JPEG or WebP.`);
  });
  const share = Math.min(1, SIDE / Math.max(whole.width, whole.height));
  const [width, height] = [Math.round(whole.width * share), Math.round(whole.height * share)];
  const bitmap =
    share < 1
      ? await createImageBitmap(whole, { resizeWidth: width, resizeHeight: height, resizeQuality: "high" })
      : whole;
  const context = new OffscreenCanvas(width, height).getContext("2d", { willReadFrequently: true })!;
  context.drawImage(bitmap, 0, 0);
  const { data } = context.getImageData(0, 0, width, height);
  const rgb = new Uint8Array(width * height * 3);
  for (let p = 0, q = 0; p < rgb.length; p += 3, q += 4) {
    rgb[p] = data[q]!;
    rgb[p + 1] = data[q + 1]!;
    rgb[p + 2] = data[q + 2]!;
  }
  return { width, height, rgb: base64Of(rgb) };
}
