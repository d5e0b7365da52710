/** Constants of CIE L*a*b* (CIE 15:2018, eq. 8.3–8.5): (6/29)³, the slope below it, and where the compressed scale turns linear. */
export const EPSILON = 216 / 24389;
export const KAPPA = 24389 / 27;
const TURN = 6 / 29;

/** f(t) of a tristimulus ratio. */
export const compress = (t: number): number => (t > EPSILON ? Math.cbrt(t) : (KAPPA * t + 16) / 116);

/** df/dt. */
export const compressSlope = (t: number): number => (t > EPSILON ? 1 / (3 * Math.cbrt(t) ** 2) : KAPPA / 116);

/** Tristimulus ratio of f. */
export const expand = (f: number): number => (f > TURN ? f * f * f : (116 * f - 16) / KAPPA);

/** d expand/df. */
export const expandSlope = (f: number): number => (f > TURN ? 3 * f * f : 116 / KAPPA);
