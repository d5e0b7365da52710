import type { PaperFit } from "./paper";

/** Ink laid in a band for the K/S it gives; inverse of {@link kOfDose}. */
export const doseOfK = (k: number, { crowding }: PaperFit): number => power(k, 1 / crowding);

/** K/S in a band for the ink laid there. */
export const kOfDose = (dose: number, { crowding }: PaperFit): number => power(dose, crowding);

/** x^p for x ≥ 0; the logarithm's way is twice as fast as `**`, and this is the innermost loop of every search. */
const power = (x: number, p: number): number => (p === 1 ? x : x > 0 ? Math.exp(p * Math.log(x)) : 0);
