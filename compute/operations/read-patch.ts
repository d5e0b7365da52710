import { Numbers, One, Optional, Within } from "@/border/fields";
import { IMAGE, ImageInput } from "@/border/image";
import { balanced, NO_GAINS } from "@/core/picture/balance";
import { meanLevels, patchOf, readPatch as readPixels, type PatchReading } from "@/core/picture/patch";
import type { Xyz } from "@/core/colour/observer";
import { operation } from "../operation";
import { rasterOf } from "../pictures";

/** A window of a picture. */
export class BoxInput {
  /** In shares of the picture's width and height. */
  @Within(0, 1) x!: number;
  @Within(0, 1) y!: number;
  @Within(0, 1) width!: number;
  @Within(0, 1) height!: number;
}

export const BOX = 'expected {"x","y","width","height"} as shares of the picture';

export class ReadPatchQuestion {
  @One(() => ImageInput, IMAGE) image!: ImageInput;
  @One(() => BoxInput, BOX) box!: BoxInput;
  /** Gains of linear red, green and blue that set the picture's light right. */
  @Optional() @Numbers(3, 0.02, 50) gains: [number, number, number] = [...NO_GAINS];
}

export interface PatchOutput extends PatchReading {
  /** Mean of the patch's linear levels as taken, 0–1: what a white is set by. */
  readonly levels: Xyz;
  /** The pixels that were read, as shares of the picture. */
  readonly at: { readonly x: number; readonly y: number; readonly width: number; readonly height: number };
}

/** The colour of a patch of a picture, lines and specks in it left out. */
export const readPatch = operation(ReadPatchQuestion, ({ image, box, gains }): PatchOutput => {
  const raster = rasterOf(image, "image");
  const { pixels, at } = patchOf(raster, box);
  const seen = balanced({ width: pixels.length / 4, height: 1, channels: 4, data: pixels }, gains).data;
  return { ...readPixels(seen), levels: meanLevels(pixels), at };
});
