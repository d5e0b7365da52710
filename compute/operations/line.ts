import { One, OneOf } from "@/border/fields";
import { PIXELS, PixelsInput } from "@/border/pixels";
import { LINE_KINDS, lineOf, type Line, type LineKind } from "@/core/picture/line";
import { operation } from "../operation";
import { pixelsOf } from "../pictures";

export class LineQuestion {
  @One(() => PixelsInput, PIXELS) image!: PixelsInput;
  @OneOf(LINE_KINDS) kind!: LineKind;
}

/** Line coverage of a picture of line art: 0 no line, 255 wholly line. */
export const line = operation(LineQuestion, ({ image, kind }): Line =>
  lineOf(pixelsOf(image, "image"), kind),
);
