import type { Lab } from "@/core/colour/lab";
import { BANDS, type Spectrum } from "@/core/colour/observer";
import { doseOfK, kOfDose } from "./dose";
import type { Paper, PaperFit } from "./paper";
import { inkedLab } from "./sheet";
import { coatWeights } from "./weights";

/**
 * An ink on one paper: the K/S that its first coat adds to the sheet, 36 bands, 380–730 nm.
 * It belongs to the paper it was measured on.
 */
export type InkSpectrum = Spectrum;

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
