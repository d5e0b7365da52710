import type { Lab } from "@/core/colour/lab";
import { BANDS, type Spectrum } from "@/core/colour/observer";
import { uptakeOf, type Paper, type PaperFit } from "./paper";
import { inkedLab } from "./sheet";

/**
 * An ink on one paper: the K/S that its first coat adds to the sheet, 36 bands, 380–730 nm.
 * It belongs to the paper it was measured on.
 */
export type InkSpectrum = Spectrum;

/** Ink laid in a band for the K/S it gives; inverse of {@link kOfDose}. */
export const doseOfK = (k: number, { crowding }: PaperFit): number => power(k, 1 / crowding);

/** K/S in a band for the ink laid there. */
export const kOfDose = (dose: number, { crowding }: PaperFit): number => power(dose, crowding);

/** x^p for x ≥ 0; the logarithm's way is twice as fast as `**`, and this is the innermost loop of every search. */
const power = (x: number, p: number): number => (p === 1 ? x : x > 0 ? Math.exp(p * Math.log(x)) : 0);

/**
 * How much each of n coats counts, first coat first. Each later pass loosens what lies beneath by λ; the sum is such that n coats of one ink
 * give exactly u(n) whatever λ.
 */
export function coatWeights(n: number, fit: PaperFit): number[] {
  const held = Array.from({ length: n }, (_, j) => (1 - fit.lifting) ** (n - 1 - j));
  const total = held.reduce((a, b) => a + b, 0);
  const ink = doseOfK(uptakeOf(fit, n), fit);
  return held.map((h) => (h * ink) / total);
}

/** K/S added to the paper by coats of ink, first coat first; no coats add nothing. */
export function stackAbsorbance(coats: readonly InkSpectrum[], fit: PaperFit): Spectrum {
  const out = new Float64Array(BANDS);
  const weights = coatWeights(coats.length, fit);
  for (let i = 0; i < BANDS; i++) {
    let dose = 0;
    for (let j = 0; j < coats.length; j++) dose += weights[j]! * doseOfK(coats[j]![i]!, fit);
    out[i] = kOfDose(dose, fit);
  }
  return out;
}

/** Lab of coats of ink on the paper, first coat first. Zero coats give the paper. */
export const stackLab = (paper: Paper, coats: readonly InkSpectrum[]): Lab =>
  inkedLab(paper, stackAbsorbance(coats, paper.fit));
