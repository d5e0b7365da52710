import { deltaE00 } from "@/core/colour/delta-e00";
import { meanLab } from "@/core/colour/mean-lab";
import type { Lab } from "@/core/colour/lab";
import type { Desk } from "@/core/ink/desk";
import { layField, smooth, type Reach } from "@/core/ink/wet-field";
import type { SchoolPass, Stroke } from "./school";

/** A pass of one ink of the desk over part of a sample strip. */
export type LaidPass = Pick<SchoolPass, "coats" | "from" | "to" | "stroke" | "wet"> & {
  readonly ink: number;
};

/** How wet the sheet stays, which says how far a wet pass carries ink sideways. */
export interface SheetHabit {
  /** Seconds during which ink can be moved. */
  readonly openTime: number;
  /** Creep past the nib's path, mm. */
  readonly bleed: number;
}

export const USUAL_SHEET: SheetHabit = { openTime: 40, bleed: 0.4 };

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
  Record<Stroke, { readonly ragged: number; readonly taper: number; readonly streak: number }>
> = {
  flat: { ragged: 0.4, taper: 0.8, streak: 0.06 },
  circles: { ragged: 1, taper: 2, streak: 0.03 },
  flick: { ragged: 4.5, taper: 5, streak: 0.16 },
  dab: { ragged: 1.5, taper: 1, streak: 0.12 },
};

/** Mixing length (mm) where no blend page measured it, of one wet pass on a sheet that stays open for 40 s; it grows as diffusion does, with the root of time. */
const WET_REACH = 1.3;

/** Places between 0 and 1 that follow each other without a pattern (golden section): where strokes of a pass end. */
const scatter = (lane: number, pass: number) => ((lane * 0.618034 + pass * 0.414214) % 1) - 0.5;

/** How much of a pass's coats arrives at each cell of a lane. */
function amounts(pass: LaidPass, lane: number, number: number): Float64Array {
  const { ragged, taper, streak } = STROKES[pass.stroke];
  const shift = scatter(lane, number) * ragged;
  const uneven = 1 + 2 * streak * scatter(lane, number + 5);
  return Float64Array.from({ length: CELLS }, (_, x) => {
    const mm = (x + 0.5) * MM_PER_CELL;
    const enter = pass.from <= 0 ? 1 : smooth((mm - pass.from * STRIP_MM - shift + taper / 2) / taper);
    const leave = pass.to >= 1 ? 1 : smooth((pass.to * STRIP_MM + shift - mm + taper / 2) / taper);
    return pass.coats * uneven * Math.min(enter, leave);
  });
}

/** How far ink moves on the desk's paper: as a blend page measured it, else as is expected of a sheet that stays open so long. */
export const reachOn = ({ blending }: Desk, { openTime, bleed }: SheetHabit): Reach => ({
  wet: blending?.mixing?.value ?? Math.hypot(WET_REACH * Math.sqrt(openTime / 40), bleed),
  dry: blending?.edge?.value ?? bleed / 2,
});

/** Lays passes on a sample strip of the desk's paper, first pass first. */
export function layStrip(desk: Desk, passes: readonly LaidPass[], sheet: SheetHabit = USUAL_SHEET): Strip {
  const laid = passes.map((pass, number) => {
    const lanes = Array.from({ length: LANES }, (_, y) => amounts(pass, y, number));
    return { ink: pass.ink, wet: pass.wet, amounts: Float64Array.from(lanes.flatMap((l) => [...l])) };
  });
  const inkUsed = new Map<number, number>();
  for (const { ink, amounts } of laid) {
    const used = amounts.reduce((a, b) => a + b, 0) / amounts.length;
    inkUsed.set(ink, (inkUsed.get(ink) ?? 0) + used);
  }
  const size = { cells: CELLS, lanes: LANES, mmPerCell: MM_PER_CELL };
  const { labs, coats } = layField(desk, size, laid, reachOn(desk, sheet));
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
    mostCoats: coats.reduce((a, b) => Math.max(a, b), 0),
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
