import { deltaE00 } from "@/core/colour/delta-e00";
import { meanLab } from "@/core/colour/mean-lab";
import type { Lab } from "@/core/colour/lab";
import { BANDS, type Spectrum } from "@/core/colour/observer";
import type { Desk } from "@/core/ink/desk";
import { liftingOf, uptakeAt } from "@/core/ink/laid";
import type { PaperFit } from "@/core/ink/paper";
import { doseOfK, kOfDose } from "@/core/ink/stack";
import { inkedLab } from "@/core/ink/sheet";
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

/** Mixing length (mm) of one wet pass on a sheet that stays open for 40 s; it grows as diffusion does, with the root of time. */
const WET_REACH = 1.3;

/** Places between 0 and 1 that follow each other without a pattern (golden section): where strokes of a pass end. */
const scatter = (lane: number, pass: number) => ((lane * 0.618034 + pass * 0.414214) % 1) - 0.5;

const smooth = (t: number) => (t <= 0 ? 0 : t >= 1 ? 1 : t * t * (3 - 2 * t));

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

/** Carries a field of the strip sideways where the pass was wet: a Gaussian of `reach` cells along the strip, a little across it. */
function spreadWet(field: Float64Array, reach: number, mask: Float64Array): void {
  const radius = Math.ceil(3 * reach);
  const kernel = Array.from({ length: 2 * radius + 1 }, (_, i) =>
    Math.exp(-(((i - radius) / reach) ** 2) / 2),
  );
  const before = field.slice();
  for (let y = 0; y < LANES; y++)
    for (let x = 0; x < CELLS; x++) {
      const wet = mask[y * CELLS + x]!;
      if (wet <= 0) continue;
      let [sum, weight] = [0, 0];
      for (let k = -radius; k <= radius; k++) {
        const at = x + k;
        if (at < 0 || at >= CELLS) continue;
        // Ink is moved only where the sheet is wet on both sides.
        const w = kernel[k + radius]! * (k ? Math.min(1, mask[y * CELLS + at]!) : 1);
        sum += w * before[y * CELLS + at]!;
        weight += w;
      }
      const across =
        (before[((y + 1) % LANES) * CELLS + x]! + before[((y + LANES - 1) % LANES) * CELLS + x]!) / 2;
      field[y * CELLS + x] = (1 - 0.3 * wet) * (sum / weight) + 0.3 * wet * across;
    }
}

/**
 * Lays passes on a sample strip of the desk's paper. Each pass loosens the share λ of the inks beneath it (more when wet); a wet one also
 * carries them sideways; the sheet takes up u(n) of all coats laid, as in a stack.
 */
export function layStrip(desk: Desk, passes: readonly LaidPass[], sheet: SheetHabit = USUAL_SHEET): Strip {
  const { fit } = desk.paper;
  const inks = [...new Set(passes.map((p) => p.ink))];
  const size = CELLS * LANES;
  const held = inks.map(() => new Float64Array(size));
  const coats = new Float64Array(size);
  /** Ink as it would lie had every pass come on dry ink: what the uptake is shared by. */
  const dry = new Float64Array(size);
  const inkUsed = new Map<number, number>();
  const reach = (wet: boolean) =>
    (wet ? Math.hypot(WET_REACH * Math.sqrt(sheet.openTime / 40), sheet.bleed) : sheet.bleed / 2) /
    MM_PER_CELL;

  passes.forEach((pass, number) => {
    const own = held[inks.indexOf(pass.ink)]!;
    const lifted = liftingOf(fit, false);
    const carried = pass.wet ? Math.max(0, liftingOf(fit, true) - lifted) : 0;
    const mask = new Float64Array(size);
    let used = 0;
    for (let y = 0; y < LANES; y++)
      amounts(pass, y, number).forEach((amount, x) => {
        const at = y * CELLS + x;
        mask[at] = pass.coats ? Math.min(1, amount / Math.min(1, pass.coats)) : 0;
        const part = Math.min(1, amount);
        for (const h of held) h[at]! *= (1 - lifted * part) * (1 - carried * part);
        dry[at]! *= 1 - lifted * part;
        dry[at]! += amount;
        own[at]! += amount;
        coats[at]! += amount;
        used += amount;
      });
    inkUsed.set(pass.ink, (inkUsed.get(pass.ink) ?? 0) + used / size);
    const r = reach(pass.wet);
    if (r > 0.2) for (const field of [...held, coats, dry]) spreadWet(field, r, mask);
  });

  const doses = inks.map((i) => desk.inks[i]!.spectrum.map((k) => doseOfK(k, fit)));
  const labs = Array.from({ length: size }, (_, at) =>
    inkedLab(
      desk.paper,
      mixture(
        held.map((h) => h[at]!),
        doses,
        dry[at]!,
        coats[at]!,
        fit,
      ),
    ),
  );
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

/** K/S added by inks in given shares, in as many coats; `total` is what the shares come to where nothing was carried deeper. */
function mixture(
  shares: readonly number[],
  doses: readonly Spectrum[],
  total: number,
  coats: number,
  fit: PaperFit,
): Spectrum {
  const out = new Float64Array(BANDS);
  if (total <= 1e-9 || coats <= 1e-9) return out;
  const taken = doseOfK(uptakeAt(fit, coats), fit) / total;
  for (let i = 0; i < BANDS; i++) {
    let dose = 0;
    for (let k = 0; k < shares.length; k++) dose += shares[k]! * doses[k]![i]!;
    out[i] = kOfDose(taken * dose, fit);
  }
  return out;
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
