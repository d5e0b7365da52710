import { One, Within } from "@/border/fields";
import { IMAGE, ImageInput } from "@/border/image";
import { meanLevels, patchOf, readPatch as readPixels, type PatchReading } from "@/core/picture/patch";
import type { Xyz } from "@/core/colour/observer";
import { operation } from "../operation";
import { rasterOf } from "../pictures";

class BoxInput {
  /** In shares of the picture's width and height. */
  @Within(0, 1) x!: number;
  @Within(0, 1) y!: number;
  @Within(0, 1) width!: number;
  @Within(0, 1) height!: number;
}

export class ReadPatchQuestion {
  @One(() => ImageInput, IMAGE) image!: ImageInput;
  @One(() => BoxInput, 'expected {"x","y","width","height"} as shares of the picture') box!: BoxInput;
}

export interface PatchOutput extends PatchReading {
  /** Mean of the patch's linear levels, 0–1: what a white is set by. */
  readonly levels: Xyz;
  /** The pixels that were read, as shares of the picture. */
  readonly at: { readonly x: number; readonly y: number; readonly width: number; readonly height: number };
}

/** The colour of a patch of a picture, lines and specks in it left out. */
export const readPatch = operation(ReadPatchQuestion, ({ image, box }): PatchOutput => {
  const raster = rasterOf(image, "image");
  const { pixels, at } = patchOf(raster, box);
  return { ...readPixels(pixels), levels: meanLevels(pixels), at };
});
