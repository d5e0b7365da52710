import type { Pictured } from "@/ui/light/greys";

/** A picture as PNG, perhaps at another width. Encoding goes on beside the page. */
export async function pngOf({ width, height, rgba }: Pictured, wide = width): Promise<Blob> {
  const canvas = new OffscreenCanvas(width, height);
  canvas
    .getContext("2d")!
    .putImageData(new ImageData(rgba as Uint8ClampedArray<ArrayBuffer>, width, height), 0, 0);
  if (wide === width) return canvas.convertToBlob({ type: "image/png" });
  const scaled = new OffscreenCanvas(wide, Math.max(1, Math.round((height * wide) / width)));
  const context = scaled.getContext("2d")!;
  context.imageSmoothingQuality = "high";
  context.drawImage(canvas, 0, 0, scaled.width, scaled.height);
  return scaled.convertToBlob({ type: "image/png" });
}

export const bytesOf = async (blob: Blob): Promise<Uint8Array> => new Uint8Array(await blob.arrayBuffer());

/** An address that holds a picture itself. */
export function dataAddress(blob: Blob): Promise<string> {
  return new Promise((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve(reader.result as string);
    reader.onerror = () => reject(reader.error ?? new Error("the picture cannot be read"));
    reader.readAsDataURL(blob);
  });
}

/** A drawing of text (SVG) as PNG, so many pixels wide. */
export async function pngOfSvg(svg: string, wide: number): Promise<Blob> {
  const url = URL.createObjectURL(new Blob([svg], { type: "image/svg+xml" }));
  try {
    const image = new Image();
    image.src = url;
    await image.decode();
    const canvas = document.createElement("canvas");
    canvas.width = wide;
    canvas.height = Math.round((wide * image.naturalHeight) / image.naturalWidth);
    const context = canvas.getContext("2d")!;
    context.fillStyle = "#fff";
    context.fillRect(0, 0, canvas.width, canvas.height);
    context.drawImage(image, 0, 0, canvas.width, canvas.height);
    return await new Promise((resolve, reject) =>
      canvas.toBlob((b) => (b ? resolve(b) : reject(new Error("the picture cannot be drawn"))), "image/png"),
    );
  } finally {
    URL.revokeObjectURL(url);
  }
}
