import { courseOf, type Course } from "@/core/course/course";
import type { Layer } from "@/core/media/layer";
import { schoolOf, type Area, type Piece } from "./piece";

/** The course of an area of a piece. */
export const areaCourse = (
  { white, layers, school, material }: Pick<Area, "white" | "layers" | "school" | "material">,
  { capacity }: { readonly capacity: number },
  { underlay }: Pick<Piece["whole"], "underlay"> = NO_UNDERLAY,
): Course =>
  courseOf(white ? NO_LAYERS : layers, { school: schoolOf({ school, material }), capacity, underlay });

const NO_LAYERS: readonly Layer[] = [];
const NO_UNDERLAY = { underlay: [] };

/** Which tones an area has and where they end: it depends on no paper. */
export const tonesIn = (
  area: Pick<Area, "white" | "layers" | "school" | "material">,
): Pick<Course, "tones" | "shade" | "local" | "borders"> => areaCourse(area, { capacity: Infinity });
