import { Rule } from "./fields";

/** Which drawing of a picture. */
export class DrawingInput {
  @Rule(
    "expected the name of a drawing: letters, digits and hyphens",
    (v) => typeof v === "string" && /^[0-9a-z-]{3,60}$/.test(v),
  )
  name!: string;
}

/** Bytes of a packed drawing that is kept: that of line art of some megapixels has a few hundred thousand. */
export const MOST_DRAWING_BYTES = 4 * 1024 * 1024;
