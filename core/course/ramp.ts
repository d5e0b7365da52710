import type { Lab } from "@/core/colour/lab";
import type { LaidArea } from "./laid-area";

/** Places at which an area's ramp is shown. */
const PLACES = 48;
/**
 * Length, mm, of the area that a ramp stands for: so long that even the ends, which are narrow, show themselves. On small areas they run
 * together; the colouring and the schools' sample strips show that.
 */
const RAMP_MM = 64;

/** An area as it lies from its lightest end to its darkest. */
export const rampOf = ({ at }: Pick<LaidArea, "at">): Lab[] =>
  Array.from({ length: PLACES }, (_, x) => at((x + 0.5) / PLACES, 1 / RAMP_MM));
