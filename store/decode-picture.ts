import sharp from "sharp";
import { BadInput } from "@/border/problem";
import type { NewPicture } from "./pictures";

export const MOST_BYTES = 30 * 1024 * 1024;
export const MOST_PIXELS = 60_000_000;
/** Long side of the working copy: enough to pick from, quick to show. */
const WORKING_SIDE = 2400;
const FORMATS: Record<string, string> = { png: "image/png", jpeg: "image/jpeg", webp: "image/webp" };

/** A picture that cannot be taken in: what is wrong and what to do, for people. */
export class PictureRefused extends BadInput {
  constructor(message: string) {
    super([{ path: "", expected: message }]);
    this.name = "PictureRefused";
  }
}

const megapixels = (n: number) => `${(n / 1e6).toFixed(0)} megapixels`;

/**
 * Decodes an uploaded picture and makes its upright sRGB working copy. What the bytes are decides, not the name.
 * @throws PictureRefused for anything but a whole PNG, JPEG or WebP within the limits
 */
export async function decodePicture(name: string, original: Buffer): Promise<NewPicture> {
  if (!original.length) throw new PictureRefused(`"${name}" is empty. Choose a PNG, JPEG or WebP picture.`);
  if (original.length > MOST_BYTES)
    throw new PictureRefused(
      `"${name}" has ${(original.length / 1024 / 1024).toFixed(0)} MB; at most 30 MB can be taken. Save it smaller and try again.`,
    );
  const open = () => sharp(original, { limitInputPixels: false, failOn: "error", pages: 1 });
  const meta = await open()
    .metadata()
    .catch(() => undefined);
  const type = meta && FORMATS[meta.format ?? ""];
  if (!meta?.width || !meta.height || !type)
    throw new PictureRefused(
      `"${name}" is not a PNG, JPEG or WebP picture. Open it in an image program, export it as one of these, and try again.`,
    );
  if (meta.width * meta.height > MOST_PIXELS)
    throw new PictureRefused(
      `"${name}" has ${megapixels(meta.width * meta.height)}; at most 60 can be taken. Make it smaller and try again.`,
    );
  try {
    const upright = open().rotate().toColourspace("srgb").flatten({ background: "#ffffff" });
    const sized = upright.resize({
      width: WORKING_SIDE,
      height: WORKING_SIDE,
      fit: "inside",
      withoutEnlargement: true,
    });
    const lossless = meta.format === "png";
    const { data, info } = await (
      lossless ? sized.png({ compressionLevel: 8 }) : sized.jpeg({ quality: 94, chromaSubsampling: "4:4:4" })
    ).toBuffer({ resolveWithObject: true });
    const turned = (meta.orientation ?? 1) >= 5;
    return {
      name,
      type,
      width: turned ? meta.height : meta.width,
      height: turned ? meta.width : meta.height,
      original,
      working: data,
      workingType: lossless ? "image/png" : "image/jpeg",
      workingWidth: info.width,
      workingHeight: info.height,
    };
  } catch {
    throw new PictureRefused(
      `"${name}" breaks off or is damaged, so it cannot be read to the end. Copy it again from where it came and try again.`,
    );
  }
}
