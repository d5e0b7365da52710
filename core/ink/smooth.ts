import { invert } from "@/core/algebra/invert";
import { solve } from "@/core/algebra/solve";
import { BANDS, type Spectrum } from "@/core/colour/observer";

/** Weight that keeps a constant spectrum from being free; small beside the slope penalty of 1. */
const RIDGE = 1e-3;

/** Least-slope-squared penalty DᵀD (36 × 36, tridiagonal) with a slight ridge. S. A. Burns, Color Res. Appl. 45 (2020), eq. 2. */
function slopePenalty(): Float64Array {
  const h = new Float64Array(BANDS * BANDS);
  for (let i = 0; i < BANDS; i++) {
    h[i * BANDS + i] = (i === 0 || i === BANDS - 1 ? 1 : 2) + RIDGE;
    if (i) h[i * BANDS + i - 1] = h[(i - 1) * BANDS + i] = -1;
  }
  return h;
}

/** How strongly a change at one band carries its neighbours along: inverse of the slope penalty. */
export const spread = invert(slopePenalty(), BANDS);

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
  const carry = spread;
  const js = new Float64Array(m * 36); // J · spread
  for (let r = 0; r < m; r++)
    for (let k = 0; k < 36; k++) {
      const v = jacobian[r * 36 + k]!;
      if (v !== 0) for (let i = 0; i < 36; i++) js[r * 36 + i]! += v * carry[k * 36 + i]!;
    }
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
