/**
 * K/S of an internal reflectance (0 < Ri ≤ 1) of a sheet thick enough to hide what is behind it.
 * Source: P. Kubelka & F. Munk, Z. tech. Phys. 12 (1931) 593–601.
 */
export const absorbance = (ri: number): number => ((1 - ri) * (1 - ri)) / (2 * ri);

/** Internal reflectance of a K/S ≥ 0; inverse of {@link absorbance}. Written so that no two near numbers are subtracted. */
export const reflectance = (q: number): number => 1 / (1 + q + Math.sqrt(q * (q + 2)));
