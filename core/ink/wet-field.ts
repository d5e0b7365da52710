import type { Lab } from "@/core/colour/lab";
import { BANDS, type Spectrum } from "@/core/colour/observer";
import type { Desk } from "./desk";
import { liftingOf, uptakeAt } from "./laid";
import type { PaperFit } from "./paper";
import { inkedLab } from "./sheet";
import { doseOfK, kOfDose } from "./stack";

/** A part of the sheet cut into cells: so many along, in so many lanes side by side. */
export interface FieldSize {
  readonly cells: number;
  readonly lanes: number;
  readonly mmPerCell: number;
}

/** One pass of an ink of the desk over a field: coats that arrive at each cell, lane by lane. */
export interface FieldPass {
  readonly ink: number;
  readonly amounts: Float64Array;
  /** Whether the sheet is still wet when it comes. */
  readonly wet: boolean;
}

/** How far ink moves sideways along the sheet, as the spread of a Gaussian, mm: everything on a wet sheet, the fresh ink alone on a dry one. */
export interface Reach {
  readonly wet: number;
  readonly dry: number;
}

export interface LaidField {
  /** Lab of each cell, lane by lane. */
  readonly labs: readonly Lab[];
  /** Coats at each cell. */
  readonly coats: Float64Array;
}

/** A rise from 0 to 1 without corners: how a nib's edge thins out. */
export const smooth = (t: number): number => (t <= 0 ? 0 : t >= 1 ? 1 : t * t * (3 - 2 * t));

/** Cells below which nothing is seen to move. */
const LEAST_REACH = 0.2;
/** Share of the ink of a wet cell that comes from the lanes beside it. */
const ACROSS = 0.3;

/** Carries a quantity sideways: a Gaussian of `reach` cells along the lanes, the share `across` over to their neighbours, as far as the sheet is wet. */
function spread(
  field: Float64Array,
  { cells, lanes }: FieldSize,
  reach: number,
  wet: Float64Array,
  across: number,
): void {
  const radius = Math.ceil(3 * reach);
  const kernel = Array.from({ length: 2 * radius + 1 }, (_, i) =>
    Math.exp(-(((i - radius) / reach) ** 2) / 2),
  );
  const before = field.slice();
  for (let y = 0; y < lanes; y++)
    for (let x = 0; x < cells; x++) {
      if (wet[y * cells + x]! <= 0) continue;
      let [sum, weight] = [0, 0];
      for (let k = -radius; k <= radius; k++) {
        const at = x + k;
        if (at < 0 || at >= cells) continue;
        // Ink is moved only where the sheet is wet on both sides.
        const w = kernel[k + radius]! * (k ? Math.min(1, wet[y * cells + at]!) : 1);
        sum += w * before[y * cells + at]!;
        weight += w;
      }
      field[y * cells + x] = sum / weight;
    }
  if (!across || lanes < 2) return;
  const along = field.slice();
  for (let y = 0; y < lanes; y++) {
    const [above, below] = [((y + lanes - 1) % lanes) * cells, ((y + 1) % lanes) * cells];
    for (let x = 0; x < cells; x++) {
      const at = y * cells + x;
      const share = across * wet[at]!;
      field[at] = (1 - share) * along[at]! + (share * (along[above + x]! + along[below + x]!)) / 2;
    }
  }
}

/**
 * Lays passes on a field of the desk's paper, first pass first. Each loosens the share λ of the inks beneath it, more when wet; on a wet
 * sheet all ink is carried sideways, on a dry one only what is fresh; the sheet takes up u(n) of all coats laid, as in a stack.
 */
export function layField(desk: Desk, size: FieldSize, passes: readonly FieldPass[], reach: Reach): LaidField {
  const { fit } = desk.paper;
  const inks = [...new Set(passes.map((p) => p.ink))];
  const count = size.cells * size.lanes;
  const held = inks.map(() => new Float64Array(count));
  const coats = new Float64Array(count);
  /** Ink as it would lie had every pass come on dry ink: what the uptake is shared by. */
  const dry = new Float64Array(count);
  const lifted = liftingOf(fit, false);
  const [wetReach, dryReach] = [reach.wet / size.mmPerCell, reach.dry / size.mmPerCell];
  const everywhere = new Float64Array(count).fill(1);

  for (const pass of passes) {
    const own = held[inks.indexOf(pass.ink)]!;
    const amounts = pass.amounts.slice();
    if (!pass.wet && dryReach > LEAST_REACH) spread(amounts, size, dryReach, everywhere, 0);
    const carried = pass.wet ? Math.max(0, liftingOf(fit, true) - lifted) : 0;
    const wet = new Float64Array(count);
    for (let at = 0; at < count; at++) {
      const amount = amounts[at]!;
      const part = Math.min(1, amount);
      // What was laid before is wet too where a wet pass comes.
      wet[at] = Math.min(1, coats[at]! + amount);
      for (const h of held) h[at]! *= (1 - lifted * part) * (1 - carried * part);
      dry[at]! *= 1 - lifted * part;
      dry[at]! += amount;
      own[at]! += amount;
      coats[at]! += amount;
    }
    if (pass.wet && wetReach > LEAST_REACH)
      for (const field of [...held, coats, dry]) spread(field, size, wetReach, wet, ACROSS);
  }

  const doses = inks.map((i) => desk.inks[i]!.spectrum.map((k) => doseOfK(k, fit)));
  const labs = Array.from({ length: count }, (_, at) =>
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
  return { labs, coats };
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
