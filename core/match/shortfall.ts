import { deltaE00 } from "@/core/colour/delta-e00";
import { chroma, type Lab } from "@/core/colour/lab";
import { seenLab, type Desk } from "@/core/ink/desk";

/** How far, and in which direction, the best recipe misses a colour, and what would help. */
export interface Shortfall {
  readonly deltaE00: number;
  /** L* and chroma by which the best recipe lies above (positive) or below the target. */
  readonly deltaL: number;
  readonly deltaC: number;
  /** The target is lighter than the bare paper: no ink lightens it. */
  readonly abovePaper: boolean;
  /** The nearest ink that may not be used, where it comes nearer than the best recipe. */
  readonly marker?: { readonly code: string; readonly coats: number; readonly deltaE00: number };
}

/** A miss that shows: beyond "close". */
export const SHOWS = 4;
/** L* above the paper from which no ink can help. */
const ABOVE = 1;
/** Coats of a marker that is to be looked for. */
const MOST_COATS = 2;

/** What is in the way of a colour; undefined where the best recipe comes close. */
export function shortfallOf(
  desk: Desk,
  target: Lab,
  best: Lab,
  usable: (ink: number) => boolean,
): Shortfall | undefined {
  const off = deltaE00(best, target);
  if (off < SHOWS) return undefined;
  let marker: Shortfall["marker"];
  desk.inks.forEach(({ code }, ink) => {
    if (usable(ink)) return;
    for (let coats = 1; coats <= MOST_COATS; coats++) {
      const d = deltaE00(seenLab(desk, Array<number>(coats).fill(ink)), target);
      if (d < (marker?.deltaE00 ?? off)) marker = { code, coats, deltaE00: d };
    }
  });
  return {
    deltaE00: off,
    deltaL: best[0] - target[0],
    deltaC: chroma(best) - chroma(target),
    abovePaper: target[0] > desk.paper.lab[0] + ABOVE,
    ...(marker && { marker }),
  };
}
