import type { ColourInput } from "./colour";
import { Code, Colour } from "./fields";

/** Colour of something opaque: gel pen, gouache, paint marker, liner. */
export class FinisherInput {
  @Code() code!: string;
  @Colour() color!: ColourInput;
}
