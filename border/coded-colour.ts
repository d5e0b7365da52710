import type { ColourInput } from "./colour";
import { Code, Colour } from "./fields";

/** The colour of one coat of an ink. */
export class CodedColourInput {
  @Code() code!: string;
  @Colour() color!: ColourInput;
}
