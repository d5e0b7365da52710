import type { Pass } from "@/core/media/medium";
import { areaCourse } from "./area-course";
import type { Area, Piece } from "./piece";

/** The passes of one area among those of its piece; the underlay of the whole, which is laid before all of them, is not among them. */
export interface Chapter {
  readonly area: Area;
  readonly passes: readonly Pass[];
  /** Passes of the chapters before it: its first one has the next number. */
  readonly before: number;
}

/** What is laid of a piece, area by area in the order of colouring; what stays bare and what has no plan yet has no chapter. */
export function chaptersOf(
  { areas, whole }: Pick<Piece, "areas" | "whole">,
  paper: { readonly capacity: number },
): Chapter[] {
  let before = 0;
  return areas
    .filter((a) => a.layers.length && !a.white)
    .map((area) => {
      const passes = areaCourse(area, paper, whole).passes.filter((p) => !p.ofWhole);
      const chapter = { area, passes, before };
      before += passes.length;
      return chapter;
    });
}
