import { deltaE00 } from "@/core/colour/delta-e00";
import { chroma, hue, hueTurn, type Lab } from "@/core/colour/lab";
import { seenLab, type Desk, type Stack } from "@/core/ink/desk";

/** One strength of a whole-piece underlay beneath one area's local colour. */
export interface Coverage {
  /** Place of the underlay's ink on the desk. */
  readonly under: number;
  readonly covered: Lab;
  /** L* below the cover on bare paper. */
  readonly deepening: number;
  /** Degrees between the hue seen and the cover's own. */
  readonly hueTurn: number;
  /** Whether the local colour still reads as itself. */
  readonly covers: boolean;
}

export interface MonochromeArea {
  readonly cover: Stack;
  readonly strengths: readonly Coverage[];
  /** A deeper cover for where the local colour is too pale; none when it is not, or when nothing usable covers. */
  readonly deeper?: {
    readonly ink: number;
    readonly coats: number;
    readonly covered: Lab;
    readonly deltaE00: number;
  };
}

/** A cover still reads as itself while its hue turns less than this… */
const HUE_HELD = 40;
/** …and it keeps this share of its chroma. */
const CHROMA_HELD = 0.3;
/** Covers this grey have no hue to lose; they must only stay this grey. */
const GREY = 10;

/** Whether a cover reads as itself over what is beneath it. */
export function reads(cover: Lab, seen: Lab): boolean {
  if (chroma(cover) < GREY) return chroma(seen) < GREY + 6;
  return Math.abs(hueTurn(hue(cover), hue(seen))) < HUE_HELD && chroma(seen) > CHROMA_HELD * chroma(cover);
}

/**
 * Whether local colours cover a whole-piece underlay, area by area.
 * @param under inks of the underlay, light to dark
 * @param covers stacks that make each area's local colour
 */
export function checkMonochrome(
  desk: Desk,
  under: readonly number[],
  covers: readonly Stack[],
  usable: (ink: number) => boolean,
): MonochromeArea[] {
  return covers.map((cover) => {
    const alone = seenLab(desk, cover);
    const strengths = under.map((u): Coverage => {
      const covered = seenLab(desk, [u, ...cover]);
      return {
        under: u,
        covered,
        deepening: alone[0] - covered[0],
        hueTurn: hueTurn(hue(alone), hue(covered)),
        covers: reads(alone, covered),
      };
    });
    const failing = strengths.find((s) => !s.covers);
    if (!failing) return { cover, strengths };
    const deeper = deeperCover(desk, failing.under, alone, usable);
    return { cover, strengths, ...(deeper && { deeper }) };
  });
}

/** The nearest in hue of the inks that read as the local colour over an underlay. */
function deeperCover(
  desk: Desk,
  under: number,
  local: Lab,
  usable: (ink: number) => boolean,
): MonochromeArea["deeper"] {
  let best: { ink: number; coats: number; covered: Lab; deltaE00: number } | undefined;
  desk.inks.forEach((_, ink) => {
    if (!usable(ink) || ink === under) return;
    for (const coats of [1, 2]) {
      const own = Array<number>(coats).fill(ink);
      const alone = seenLab(desk, own);
      if (alone[0] > local[0] || Math.abs(hueTurn(hue(alone), hue(local))) > HUE_HELD) continue;
      const covered = seenLab(desk, [under, ...own]);
      if (!reads(local, covered)) continue;
      // The wanted colour is the local one, as much darker as this cover comes out.
      const off =
        deltaE00(covered, [covered[0], local[1], local[2]]) + 0.15 * Math.max(0, local[0] - covered[0] - 10);
      if (!best || off < best.deltaE00) best = { ink, coats, covered, deltaE00: off };
    }
  });
  return best;
}
