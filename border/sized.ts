import { PICTURE_WIDTHS } from "@/core/picture/widths";
import { OneOf, Optional } from "./fields";

/** How wide a picture is wanted, in pixels. */
export class SizedInput {
  @Optional() @OneOf(PICTURE_WIDTHS.map(String)) width?: string;
}
