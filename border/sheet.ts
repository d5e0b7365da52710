import { Optional, Whole, Within } from "./fields";

/** How a sheet behaves while it is coloured. */
export class SheetInput {
  @Optional() @Within(1, 3600, "s") openTime = 40;
  @Optional() @Within(0, 20, "mm") bleed = 0.4;
  @Optional() @Whole(1, 20, "coats") capacity = 5;
}

export const SHEET = 'expected {"openTime","bleed","capacity"}';
