import { Flag, Name, OneOf, Optional, Within } from "./fields";

/** A drawing on its sheet, mm: what is printed in true size to be traced. */
export class TracingInput {
  @Name() name!: string;
  @Within(10, 2000, "mm") sheetWidth!: number;
  @Within(10, 2000, "mm") sheetHeight!: number;
  @Within(5, 4000, "mm") width!: number;
  @Within(5, 4000, "mm") height!: number;
  @Within(-2000, 2000, "mm") left!: number;
  @Within(-2000, 2000, "mm") top!: number;
  @Flag() mirrored!: boolean;
  /** The printer's paper, where the sheet is larger than that. */
  @Optional() @OneOf(["A4", "Letter"]) pages?: "A4" | "Letter";
}
