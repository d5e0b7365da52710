import type { Desk } from "./desk";

/** How far ink moves sideways along the sheet, as the spread of a Gaussian, mm: everything on a wet sheet, the fresh ink alone on a dry one. */
export interface Reach {
  readonly wet: number;
  readonly dry: number;
}

/** How wet the sheet stays, which says how far a wet pass carries ink sideways. */
export interface SheetHabit {
  /** Seconds during which ink can be moved. */
  readonly openTime: number;
  /** Creep past the nib's path, mm. */
  readonly bleed: number;
}

export const USUAL_SHEET: SheetHabit = { openTime: 40, bleed: 0.4 };

/**
 * Mixing length (mm) of one wet pass on a sheet that stays open for 40 s, where no blend page measured it; it grows as diffusion does, with
 * the root of time. Chosen within the 0.9 to 1.6 mm that blend pages read on the simulated papers.
 */
const WET_REACH = 1.3;

/** How far ink moves on the desk's paper: as a blend page measured it, else as is expected of a sheet that stays open so long. */
export const reachOn = ({ blending }: Pick<Desk, "blending">, { openTime, bleed }: SheetHabit): Reach => ({
  wet: blending?.mixing?.value ?? Math.hypot(WET_REACH * Math.sqrt(openTime / USUAL_SHEET.openTime), bleed),
  dry: blending?.edge?.value ?? bleed / 2,
});
