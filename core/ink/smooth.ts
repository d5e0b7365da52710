import { solve } from "@/core/algebra/solve";
import { BANDS, type Spectrum } from "@/core/colour/observer";

/** Weight that keeps a constant spectrum from being free; small beside the slope penalty of 1. */
const RIDGE = 1e-3;

/** Diagonal of the penalty; beside it lies −1. */
const diagonal = (i: number): number => (i === 0 || i === BANDS - 1 ? 1 : 2) + RIDGE;

/** What elimination leaves of each diagonal element of the penalty: its inverse. */
const pivots = new Float64Array(BANDS);
for (let i = 0; i < BANDS; i++) pivots[i] = 1 / (diagonal(i) - (i ? pivots[i - 1]! : 0));

/**
 * How changes at the bands carry their neighbours along, in place: x ← H⁻¹ x for each row of 36, where H is the least-slope-squared penalty
 * DᵀD with a slight ridge (S. A. Burns, Color Res. Appl. 45 (2020), eq. 2), tridiagonal, so that elimination takes two sweeps.
 * @param rows any number of rows of 36
 */
export function carryAlong(rows: Float64Array): Float64Array {
  for (let at = 0; at < rows.length; at += BANDS) {
    for (let i = 1; i < BANDS; i++) rows[at + i]! += rows[at + i - 1]! * pivots[i - 1]!;
    rows[at + BANDS - 1]! *= pivots[BANDS - 1]!;
    for (let i = BANDS - 2; i >= 0; i--) rows[at + i] = (rows[at + i]! + rows[at + i + 1]!) * pivots[i]!;
  }
  return rows;
}

/**
 * One Gauss–Newton step of the smoothest spectrum that meets linearised readings: minimises slope²(z) + Σ((target − J z)/σ)².
 * @param jacobian m rows of 36: how each reading moves with z
 * @param wanted   m values: reading − predicted + J z at the present z
 * @param variance m values σ²; 0 asks for an exact meeting
 * @returns the new z, 36 bands
 */
export function smoothestMeeting(
  jacobian: Float64Array,
  wanted: Float64Array,
  variance: Float64Array,
): Spectrum {
  const m = wanted.length;
  const js = carryAlong(jacobian.slice());
  const gram = new Float64Array(m * m);
  for (let r = 0; r < m; r++)
    for (let c = 0; c <= r; c++) {
      let dot = 0;
      for (let i = 0; i < 36; i++) dot += js[r * 36 + i]! * jacobian[c * 36 + i]!;
      gram[r * m + c] = gram[c * m + r] = dot;
    }
  for (let r = 0; r < m; r++) gram[r * m + r]! += variance[r]! + 1e-12;
  const weights = solve(gram, wanted.slice());
  const z = new Float64Array(36);
  for (let r = 0; r < m; r++) for (let i = 0; i < 36; i++) z[i]! += weights[r]! * js[r * 36 + i]!;
  return z;
}
