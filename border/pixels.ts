import { MOST_PIXELS } from "./image";
import { Optional, Rule, Whole } from "./fields";

const MOST_SIDE = 8000;
/** Longest base64 of a plane of two bytes a pixel, or of four. */
const LONGEST = Math.ceil((MOST_PIXELS * 4 * 4) / 3) + 4;

const Base64 = (what: string): PropertyDecorator =>
  Rule(
    `expected ${what} in base64, of at most ${MOST_PIXELS} pixels`,
    (v) => typeof v === "string" && v.length <= LONGEST,
  );

/** Pixels in base64, one, three or four bytes each, row by row; or in the browser the handle of a picture that lies decoded beside the operations. */
export class PixelsInput {
  @Optional() @Whole(1, MOST_SIDE, "pixels") width?: number;
  @Optional() @Whole(1, MOST_SIDE, "pixels") height?: number;
  @Optional()
  @Rule("expected 1, 3 or 4 channels", (v) => v === 1 || v === 3 || v === 4)
  channels?: 1 | 3 | 4;
  @Optional() @Base64("bytes") data?: string;
  @Optional()
  @Rule("expected the handle of a picture", (v) => typeof v === "string" && v.length <= 80)
  picture?: string;
}
export const PIXELS = 'expected {"width","height","channels","data"}';

/** One byte a pixel in base64. */
export class PlaneInput {
  @Whole(1, MOST_SIDE, "pixels") width!: number;
  @Whole(1, MOST_SIDE, "pixels") height!: number;
  @Base64("one byte a pixel") data!: string;
}
export const PLANE = 'expected {"width","height","data"}';

/** Two bytes a pixel, little-endian, in base64: region numbers. */
export class LabelsInput {
  @Whole(1, MOST_SIDE, "pixels") width!: number;
  @Whole(1, MOST_SIDE, "pixels") height!: number;
  @Base64("two bytes a pixel") data!: string;
}
