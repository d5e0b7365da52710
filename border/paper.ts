import type { Illuminant } from "@/core/colour/observer";
import { colourOf, type ColourInput } from "./colour";
import { LIGHTS } from "./colour";
import { Colour, Name, Notes, Nullable, OneOf, Optional, Text, Whole, Within } from "./fields";

/** What need not be known of a paper. */
class FurtherFacts {
  @Nullable() @Whole(20, 2000, "g/m²") weight?: number | null;
  @Nullable() @Whole(1, 3600, "seconds") openTime?: number | null;
  /** Until ink on it is dry. */
  @Nullable() @Whole(1, 86_400, "seconds") dryTime?: number | null;
  @Nullable() @Within(0, 20, "mm") bleed?: number | null;
  @Nullable() @Within(0, 1) grain?: number | null;
  /** Light under which pictures on it are judged. */
  @Optional() @OneOf(LIGHTS) light?: Illuminant;
  @Optional() @Text(80) finish?: string;
  @Optional() @Text(80) side?: string;
  @Optional() @Notes() notes?: string;
}

/** Facts of a paper; all may be left out when it is changed. */
export class PaperFactsInput extends FurtherFacts {
  @Optional() @Name() name?: string;
  @Optional() @Colour() color?: ColourInput;
  @Optional() @Whole(1, 20, "coats") capacity?: number;
}

// Not a subclass of the one above: a field that may be left out there could be left out here too.
export class NewPaperInput extends FurtherFacts {
  @Name() name!: string;
  @Colour() color!: ColourInput;
  @Whole(1, 20, "coats") capacity!: number;
}

/** A paper's facts as they are kept: only those that were said. */
export function paperFactsOf({ color, ...facts }: PaperFactsInput | NewPaperInput) {
  const said = Object.fromEntries(Object.entries(facts).filter(([, v]) => v !== undefined)) as typeof facts;
  return { ...said, ...(color !== undefined && { lab: colourOf(color).lab }) };
}
