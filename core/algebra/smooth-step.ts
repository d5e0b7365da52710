/** A rise from 0 to 1 without corners, 3t² − 2t³ (smoothstep): 0 below 0, 1 above 1. */
export const smoothStep = (t: number): number => (t <= 0 ? 0 : t >= 1 ? 1 : t * t * (3 - 2 * t));
