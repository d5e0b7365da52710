import { reflectance } from "./kubelka-munk";

/**
 * Internal reflectance of the inked upper part of a sheet over the bare sheet beneath: the Kubelka–Munk film of finite depth.
 * As `depth` grows this becomes the single-constant reflectance of K/S alone; as it shrinks, a clear filter over the paper.
 * Alcohol ink lies between the two, and the depth is fitted from coats.
 * @param q K/S of the inked part, at least the bare paper's
 * @param depth scattering power S·X of the inked part
 * @param behind internal reflectance of the bare sheet
 * Source: P. Kubelka, J. Opt. Soc. Am. 38 (1948) 448–457, eq. 13 (hyperbolic solution written with one exponential).
 */
export function filmReflectance(q: number, depth: number, behind: number): number {
  const deep = reflectance(q);
  const fade = Math.exp(-2 * depth * Math.sqrt(q * (q + 2)));
  const up = 1 / deep - behind;
  const down = (behind - deep) * fade;
  return (deep * up + down / deep) / (up + down);
}
