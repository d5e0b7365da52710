import { Flag, List, Optional, Within } from "@/border/fields";
import { MOST_AREAS } from "@/border/piece";
import { wrong } from "@/border/problem";
import type { Point } from "@/core/algebra/point";
import { coarser, type Ground } from "@/core/light/ground";
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
  /** Whether each area is cut out by itself. */
  @Optional() @Flag() apart = false;
}

export interface CutLinesOutput {
  /** Closed lines in mm from the drawing's upper left corner, filled by the even-odd rule; they may lie outside of it. */
  readonly lines: readonly (readonly Point[])[];
  /** Where areas are cut out by themselves: of each line the place of its area among those that were asked of. */
  readonly of?: readonly number[];
  /** Size of the drawing. */
  readonly width: number;
  readonly height: number;
  readonly mm: number;
  readonly mm2: number;
}

/** Most pixels that are looked at, with the room for what is cut outside: a blade follows no finer line. */
const MOST_SEEN = 6e6;
/** Areas that are cut out by themselves at once: each is looked for in all of the drawing. */
export const MOST_APART = 80;
/** Farthest that is cut outside of a drawing, as a multiple of its longer side. */
const FARTHEST = 2;

/** The factor by which a ground is made coarser so that it is no more than {@link MOST_SEEN} with its room. */
export function coarseness(ground: Pick<Ground, "width" | "height" | "mmPerPixel">, offset: number): number {
  const room = 2 * roomFor({ offset }, ground);
  return Math.max(1, Math.ceil(Math.sqrt(((ground.width + room) * (ground.height + room)) / MOST_SEEN)));
}

/** Where a blade goes round areas of a drawing. */
export const cutLines = operation(CutLinesQuestion, (question): CutLinesOutput => {
  const named = groundFor(question);
  const { offset, holes, apart } = question;
  const longer = Math.max(named.ground.width, named.ground.height) * named.ground.mmPerPixel;
  if (offset > FARTHEST * longer)
    throw wrong(
      "offset",
      `expected at most ${FARTHEST} times the drawing's longer side, ${longer.toFixed(1)} mm`,
    );
  const ground = coarser(named.ground, Math.max(coarseness(named.ground, offset), question.coarser));
  const { width, height, own, mmPerPixel } = ground;
  const places = question.areas.map(({ id }) => named.ids.indexOf(String(id)));
  const around = (wanted: ReadonlySet<number>) =>
    linesOf(
      Uint8Array.from(own, (a) => (a >= 0 && wanted.has(a) ? 1 : 0)),
      ground,
      { offset, holes },
    );
  const size = { width: width * mmPerPixel, height: height * mmPerPixel };
  if (!apart) {
    const lines = around(new Set(places));
    return { lines, ...size, ...measured(lines) };
  }
  if (question.areas.length > MOST_APART)
    throw wrong("areas", `expected at most ${MOST_APART} areas to be cut out each by itself`);
  const parts = places.map((place) => around(new Set([place])));
  const lines = parts.flat();
  return { lines, of: parts.flatMap((p, i) => p.map(() => i)), ...size, ...measured(lines) };
});
