import { Flag, List, Optional, Within } from "@/border/fields";
import { MOST_AREAS } from "@/border/piece";
import { wrong } from "@/border/problem";
import type { Point } from "@/core/algebra/point";
import { coarser } from "@/core/light/ground";
import { cutLines as linesOf, measured, roomFor } from "@/core/picture/cut-line";
import { groundFor, GroundQuestion } from "../grounds";
import { operation } from "../operation";
import { AreaOnly } from "./sparks";

class CutLinesQuestion extends GroundQuestion {
  /** Areas that are cut out as one. */
  @List(() => AreaOnly, 1, MOST_AREAS, '{"id"}') areas!: AreaOnly[];
  /** How far outside of them is cut. */
  @Optional() @Within(0, 50, "mm") offset = 0;
  /** Whether what they enclose is cut out as well. */
  @Optional() @Flag() holes = false;
}

export interface CutLinesOutput {
  /** Closed lines in mm from the drawing's upper left corner, filled by the even-odd rule; they may lie outside of it. */
  readonly lines: readonly (readonly Point[])[];
  /** Size of the drawing. */
  readonly width: number;
  readonly height: number;
  readonly mm: number;
  readonly mm2: number;
}

/** Most pixels that are looked at: a blade follows no finer line. */
const MOST_SEEN = 4e6;

/** Where a blade goes round areas of a drawing. */
export const cutLines = operation(CutLinesQuestion, (question): CutLinesOutput => {
  const named = groundFor(question);
  const by = Math.ceil(Math.sqrt(named.ground.own.length / MOST_SEEN));
  const ground = coarser(named.ground, Math.max(by, question.coarser));
  const { width, height, own, mmPerPixel } = ground;
  const { offset, holes } = question;
  if (roomFor({ offset }, ground) > 2 * Math.max(width, height, 200))
    throw wrong("offset", "expected a smaller distance: it is larger than the drawing itself");
  const wanted = new Set(question.areas.map(({ id }) => named.ids.indexOf(String(id))));
  const inside = Uint8Array.from(own, (a) => (a >= 0 && wanted.has(a) ? 1 : 0));
  const lines = linesOf(inside, ground, { offset, holes });
  return { lines, width: width * mmPerPixel, height: height * mmPerPixel, ...measured(lines) };
});
