/** Reflection at the paper's surface: `k1` of light arriving from outside, `k2` of light arriving from inside. */
export interface Surface {
  readonly k1: number;
  readonly k2: number;
}

/** Smallest internal reflectance that is still told from black; keeps K/S finite. */
const FLOOR = 1e-6;

/**
 * Measured reflectance (0–1) of an internal one.
 * Source: J. L. Saunderson, J. Opt. Soc. Am. 32 (1942) 727–736.
 */
export const outside = (ri: number, { k1, k2 }: Surface): number =>
  k1 + ((1 - k1) * (1 - k2) * ri) / (1 - k2 * ri);

/** Internal reflectance of a measured one; readings darker than the surface's own reflection are held just above black (a paper's k1 is chosen so that its own are not). */
export function inside(r: number, { k1, k2 }: Surface): number {
  const ri = (r - k1) / ((1 - k1) * (1 - k2) + k2 * (r - k1));
  return Math.min(1, Math.max(FLOOR, ri));
}
