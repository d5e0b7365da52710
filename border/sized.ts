import { PICTURE_WIDTHS } from "@/core/picture/widths";
import { OneOf, Optional, Text } from "./fields";

/** How wide a picture is wanted, in pixels. */
export class SizedInput {
  @Optional() @OneOf(PICTURE_WIDTHS.map(String)) width?: string;
  /** Tells one version at an address from another; what it says is nobody's business. */
  @Optional() @Text(80) v?: string;
}
