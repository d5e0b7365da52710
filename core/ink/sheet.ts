import { xyzToLab, type Lab } from "@/core/colour/lab";
import { BANDS, tristimulusWeights, type Spectrum } from "@/core/colour/observer";
import { filmReflectance } from "./film";
import type { Paper } from "./paper";
import { outside } from "./saunderson";

/** Measured reflectance (0–1) of one band (0–35) of a paper with K/S `added` to it: film over the bare sheet, then the surface. */
export const sheetReflectance = ({ fit, absorbance, bare }: Paper, band: number, added: number): number =>
  outside(filmReflectance(absorbance[band]! + added, fit.depth, bare[band]!), fit);

/** Reflectance (36 bands, 0–1) of the paper with K/S added. */
export function inkedReflectance(paper: Paper, added: Spectrum): Spectrum {
  const out = new Float64Array(BANDS);
  for (let i = 0; i < BANDS; i++) out[i] = sheetReflectance(paper, i, added[i]!);
  return out;
}

/** Lab, under the paper's illuminant, of the paper with K/S added. */
export const inkedLab = (paper: Paper, added: Spectrum): Lab => blendedLab(paper, added, added, 0);

/**
 * Lab of the blend between two tones at share `t` (0–1) of the second: linear in K/S (Kubelka–Munk). The innermost loop of planning: nothing
 * is allocated but the answer.
 */
export function blendedLab(paper: Paper, first: Spectrum, second: Spectrum, t: number): Lab {
  const { x, y, z, white } = tristimulusWeights(paper.illuminant);
  let X = 0;
  let Y = 0;
  let Z = 0;
  for (let i = 0; i < BANDS; i++) {
    const r = sheetReflectance(paper, i, (1 - t) * first[i]! + t * second[i]!);
    X += x[i]! * r;
    Y += y[i]! * r;
    Z += z[i]! * r;
  }
  return xyzToLab([X, Y, Z], white);
}
