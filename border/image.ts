import { Optional, Rule, Whole } from "./fields";

const MOST_SIDE = 8000;
/** Pixels of a picture that comes along as text. */
export const MOST_PIXELS = 6_000_000;

/**
 * A picture: its pixels as base64 (8-bit sRGB, three bytes a pixel, row by row), or in the browser the handle of one that lies decoded
 * beside the operations.
 */
export class ImageInput {
  @Optional() @Whole(16, MOST_SIDE, "pixels") width?: number;
  @Optional() @Whole(16, MOST_SIDE, "pixels") height?: number;
  @Optional()
  @Rule(
    `expected pixels as base64, at most ${MOST_PIXELS} of them`,
    (v) => typeof v === "string" && v.length <= MOST_PIXELS * 4,
  )
  rgb?: string;
  @Optional()
  @Rule("expected the handle of a picture", (v) => typeof v === "string" && v.length <= 80)
  picture?: string;
}

export const IMAGE = 'expected {"width","height","rgb"}';
