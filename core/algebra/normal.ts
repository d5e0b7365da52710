/** The standard normal distribution's share up to z. Source: M. Abramowitz & I. Stegun 1964, 7.1.26 (error under 1.5e-7). */
export function shareBelow(z: number): number {
  const x = Math.abs(z) / Math.SQRT2;
  const k = 1 / (1 + 0.3275911 * x);
  const poly =
    k * (0.254829592 + k * (-0.284496736 + k * (1.421413741 + k * (-1.453152027 + k * 1.061405429))));
  const half = 0.5 * poly * Math.exp(-x * x);
  return z < 0 ? half : 1 - half;
}
