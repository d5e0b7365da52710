import { colourfulness } from "@/core/picture/colourfulness";
import { pictureUrl } from "@/ui/send";

/** Side to which pictures are made smaller, pixels. */
const SIDE = 96;

/** How colourful a picture of the studio is; undefined where the browser cannot say. */
async function colourfulnessOf(id: string): Promise<number | undefined> {
  try {
    const answer = await fetch(pictureUrl(id));
    if (!answer.ok) return undefined;
    const bitmap = await createImageBitmap(await answer.blob(), { resizeWidth: SIDE, resizeHeight: SIDE });
    const canvas = new OffscreenCanvas(SIDE, SIDE);
    const context = canvas.getContext("2d")!;
    context.drawImage(bitmap, 0, 0);
    bitmap.close();
    const { data } = context.getImageData(0, 0, SIDE, SIDE);
    return colourfulness({ width: SIDE, height: SIDE, channels: 4, data: new Uint8Array(data.buffer) });
  } catch {
    return undefined;
  }
}

/** Of several pictures that were given at once the one that is the line: the least colourful; the first where nothing tells. */
export async function lineAmong<P extends { readonly id: string }>(pictures: readonly P[]): Promise<P> {
  const found = await Promise.all(pictures.map(async (p) => ({ p, has: await colourfulnessOf(p.id) })));
  return found.reduce((best, next) => ((next.has ?? Infinity) < (best.has ?? Infinity) ? next : best)).p;
}
