import { colourOf } from "@/compute/inputs/colour";
import type { NewPaper } from "@/store/papers";
import type { PaperFactsInput } from "@/store/swatchbook-input";

/** A paper's facts as the store keeps them. */
export function paperOf({ color, ...facts }: PaperFactsInput): Partial<NewPaper> {
  const said = Object.fromEntries(Object.entries(facts).filter(([, v]) => v !== undefined));
  return { ...said, ...(color !== undefined && { lab: colourOf(color).lab }) };
}
