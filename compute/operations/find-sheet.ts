import { One } from "@/border/fields";
import { PIXELS, PixelsInput } from "@/border/pixels";
import { doubtsOf, type PhotoDoubts } from "@/core/picture/balance";
import { findSheet as sheetIn } from "@/core/picture/find-sheet";
import { aspectOf, type Corners } from "@/core/picture/rectify";
import { operation } from "../operation";
import { pixelsOf } from "../pictures";

export class FindSheetQuestion {
  @One(() => PixelsInput, PIXELS) image!: PixelsInput;
}

export interface FindSheetOutput {
  /** Corners of the sheet in shares of the photo, clockwise from the top left; null where none was found. */
  readonly corners: Corners | null;
  /** 0–1. */
  readonly confidence: number;
  /** Width over height of the sheet, or of the picture where none was found. */
  readonly aspect: number;
  readonly doubts: PhotoDoubts;
}

/** The sheet of paper in a photo, and what makes the photo a poor witness of colour. */
export const findSheet = operation(FindSheetQuestion, ({ image }): FindSheetOutput => {
  const picture = pixelsOf(image, "image");
  const found = sheetIn(picture);
  return {
    corners: found?.corners ?? null,
    confidence: found?.confidence ?? 0,
    aspect: found ? aspectOf(found.corners, picture.width, picture.height) : picture.width / picture.height,
    doubts: doubtsOf(picture),
  };
});
