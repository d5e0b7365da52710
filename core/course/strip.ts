import { deltaE00 } from "@/core/colour/delta-e00";
import type { Lab } from "@/core/colour/lab";
import { meanLab } from "@/core/colour/mean-lab";
import type { Desk } from "@/core/ink/desk";
import { fadeOf, type InkPass } from "@/core/ink/fade";
import { reachOn, USUAL_SHEET, type SheetHabit } from "@/core/ink/reach";
import { mostCoats } from "@/core/ink/span";
import type { Pass } from "@/core/media/medium";

/** A pass of one ink of the desk over part of a sample strip. */
export type LaidPass = Pick<Pass, "coats" | "from" | "to" | "stroke" | "wet"> & {
  readonly ink: number;
};

/** A sample strip of an area, from its lightest to its darkest end. */
export interface Strip {
  readonly cells: number;
  readonly lanes: number;
  /** Lab of each cell, lane by lane. */
  readonly labs: readonly Lab[];
  /** Mean of the lanes, light end first. */
  readonly profile: readonly Lab[];
  /** Largest ΔE00 within a millimetre, beyond that of an even fade: an edge. */
  readonly edge: number;
  /** Evenness of the fade, 0–1: mean over greatest change within a millimetre. */
  readonly softness: number;
  /** Strokes that stay visible: mean spread of L* between lanes. */
  readonly texture: number;
  /** Coats over the whole strip that each ink took, by its place on the desk. */
  readonly inkUsed: ReadonlyMap<number, number>;
  /** Most coats on one spot. */
  readonly mostCoats: number;
}

/** Length of a sample strip in mm, its cells and the strokes side by side. */
export const STRIP_MM = 32;
const CELLS = 64;
const LANES = 10;
const MM_PER_CELL = STRIP_MM / CELLS;

/** How far strokes of a kind end short of each other (mm), over how long they thin out (mm), and how unevenly they lay ink. */
const STROKES: Readonly<
  Record<Pass["stroke"], { readonly ragged: number; readonly taper: number; readonly streak: number }>
> = {
  flat: { ragged: 0.4, taper: 0.8, streak: 0.06 },
  circles: { ragged: 1, taper: 2, streak: 0.03 },
  flick: { ragged: 4.5, taper: 5, streak: 0.16 },
  dab: { ragged: 1.5, taper: 1, streak: 0.12 },
  point: { ragged: 0.2, taper: 0.3, streak: 0.05 },
};

/** Places between 0 and 1 that follow each other without a pattern (golden section): where strokes of a pass end. */
const scatter = (lane: number, pass: number) => ((lane * 0.618034 + pass * 0.414214) % 1) - 0.5;

/** Share of a wet lane's ink that comes from the lanes beside it, with each wet pass. */
const ACROSS = 0.3;

/** What differs from lane to lane, as wet passes even it out. */
function evened(lanes: readonly number[], wetPasses: number): readonly number[] {
  let now = lanes;
  for (let n = 0; n < wetPasses; n++) {
    const before = now;
    const beside = (y: number) => before[(y + LANES) % LANES]!;
    now = before.map((v, y) => (1 - ACROSS) * v + (ACROSS / 2) * (beside(y - 1) + beside(y + 1)));
  }
  return now;
}

/** The passes as they come to lie in each lane: strokes end raggedly and lay unevenly, and wet passes even that out. */
function lanesOf(passes: readonly LaidPass[]): InkPass[][] {
  const hands = passes.map((pass, number) => {
    const { ragged, streak } = STROKES[pass.stroke];
    const wet = passes.slice(number).filter((p) => p.wet).length;
    const all = Array.from({ length: LANES }, (_, y) => y);
    return {
      shifts: evened(
        all.map((y) => (scatter(y, number) * ragged) / STRIP_MM),
        wet,
      ),
      amounts: evened(
        all.map((y) => 1 + 2 * streak * scatter(y, number + 5)),
        wet,
      ),
    };
  });
  return Array.from({ length: LANES }, (_, y) =>
    passes.map((pass, number): InkPass => {
      const shift = hands[number]!.shifts[y]!;
      // What reaches an end of the area does so in every lane.
      const from = pass.from <= 0 ? 0 : pass.from + shift;
      const to = pass.to >= 1 ? 1 : pass.to + shift;
      return {
        ink: pass.ink,
        wet: pass.wet,
        coats: pass.coats * hands[number]!.amounts[y]!,
        from: Math.max(0, Math.min(from, to)),
        to: Math.max(0, Math.max(from, to)),
        taper: STROKES[pass.stroke].taper,
      };
    }),
  );
}

/** Lays passes on a sample strip of the desk's paper, first pass first. */
export function layStrip(desk: Desk, passes: readonly LaidPass[], sheet: SheetHabit = USUAL_SHEET): Strip {
  const reach = reachOn(desk, sheet);
  const lanes = lanesOf(passes);
  const labs = lanes.flatMap((lane) => {
    const fade = fadeOf(desk, lane, reach);
    return Array.from({ length: CELLS }, (_, x) => fade.at((x + 0.5) / CELLS, 1 / STRIP_MM));
  });
  const inkUsed = new Map<number, number>();
  for (const { ink, coats, from, to } of lanes.flat())
    inkUsed.set(ink, (inkUsed.get(ink) ?? 0) + (coats * (to - from)) / LANES);
  const profile = Array.from({ length: CELLS }, (_, x) =>
    meanLab(Array.from({ length: LANES }, (_, y) => labs[y * CELLS + x]!)),
  );
  return {
    cells: CELLS,
    lanes: LANES,
    labs,
    profile,
    ...judgeFade(profile),
    texture: textureOf(labs),
    inkUsed,
    mostCoats: mostCoats(passes),
  };
}

/** Edge and softness of a fade. */
export function judgeFade(profile: readonly Lab[]): { edge: number; softness: number } {
  const gap = Math.round(1 / MM_PER_CELL);
  const changes = profile.slice(gap).map((lab, i) => deltaE00(profile[i]!, lab));
  const mean = changes.reduce((a, b) => a + b, 0) / changes.length;
  const most = Math.max(...changes);
  return { edge: most - mean, softness: most > 0 ? mean / most : 1 };
}

function textureOf(labs: readonly Lab[]): number {
  let sum = 0;
  for (let x = 0; x < CELLS; x++) {
    const L = Array.from({ length: LANES }, (_, y) => labs[y * CELLS + x]![0]);
    const mean = L.reduce((a, b) => a + b, 0) / LANES;
    sum += Math.sqrt(L.reduce((a, v) => a + (v - mean) ** 2, 0) / LANES);
  }
  return sum / CELLS;
}
