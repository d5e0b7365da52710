import { displayLab, type Displayed } from "@/core/colour/display";
import type { Lab } from "@/core/colour/lab";

/** A colour with what a screen shows of it. */
export interface SeenColour extends Displayed {
  readonly lab: Lab;
}

export const seen = (lab: Lab): SeenColour => ({ lab, ...displayLab(lab) });
