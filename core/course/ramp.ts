import type { Lab } from "@/core/colour/lab";
import type { LaidArea } from "./laid-area";
import { STRIP_MM } from "./strip";

/** Places at which an area's ramp is shown. */
const PLACES = 48;

/** An area as it lies from its lightest end to its darkest, on the length of a sample strip. */
export const rampOf = ({ at }: Pick<LaidArea, "at">): Lab[] =>
  Array.from({ length: PLACES }, (_, x) => at((x + 0.5) / PLACES, 1 / STRIP_MM));
