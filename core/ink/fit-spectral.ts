import { BANDS, type Spectrum } from "@/core/colour/observer";
import type { Coats } from "./fit-ink";
import { uptakeOf, type Paper } from "./paper";
import { sheetReflectance } from "./sheet";

/** An ink that was read band by band: what `z` (ln K/S of its first coat) says of each reading. */
export interface SpectralFit {
  readonly z: Spectrum;
  /** Model less reading, a band and coat, in units of their expected spread. */
  readonly residual: Float64Array;
  readonly cost: number;
}

/** Bounds of ln K/S between which it is looked for: beyond them a band is bare, or black. */
const LEAST_Z = -9;
const MOST_Z = 4.5;
const HALVINGS = 24;
/**
 * Expected spread of a band in units of lightness, by coat. Far wider than an instrument's noise: bands err together, and what the paper's model
 * cannot say must not bend the paper. Tuned on the simulated papers of `bench/prediction.ts`: from 3 to 12 little changes.
 */
const SPREAD_FIRST = 8;
const SPREAD_FURTHER = 16;
const NUDGE = 0.01;
const LEAST_REFLECTANCE = 1e-6;

/** Lightness by which a reflectance is judged: the eye's own scale, band by band. */
const lightnessOf = (r: number): number => 116 * Math.cbrt(Math.max(LEAST_REFLECTANCE, r)) - 16;

/** ln of the K/S that gives a paper a reflectance in a band: more ink is always darker, so that halving finds it. */
export function addedFor(paper: Paper, band: number, reflectance: number): number {
  let [low, high] = [LEAST_Z, MOST_Z];
  for (let i = 0; i < HALVINGS; i++) {
    const middle = (low + high) / 2;
    if (sheetReflectance(paper, band, Math.exp(middle)) > reflectance) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/** Whether an ink has a reading of the kind that {@link fitReadSpectrum} asks for. */
export const isSpectral = (coats: Coats): boolean => coats.some((c) => c.reflectance);

/**
 * The ln(K/S) of an ink on a paper from reflectances, band by band: that of each coat by its uptake, weighed by how much a change of it would
 * be seen. Coats that were read as colours only have no say. Kubelka & Munk, inverted; no spectrum is reconstructed.
 */
export function fitReadSpectrum(coats: Coats, paper: Paper): SpectralFit {
  const read = coats.flatMap(({ reflectance }, n) => (reflectance ? [{ reflectance, n }] : []));
  const z = new Float64Array(BANDS);
  const residual = new Float64Array(read.length * BANDS);
  let cost = 0;
  for (let i = 0; i < BANDS; i++) {
    let [sum, total] = [0, 0];
    for (const { reflectance, n } of read) {
      const added = addedFor(paper, i, reflectance[i]!);
      const slope =
        (lightnessOf(sheetReflectance(paper, i, Math.exp(added + NUDGE))) -
          lightnessOf(sheetReflectance(paper, i, Math.exp(added)))) /
        NUDGE;
      const weight = (slope / (n ? SPREAD_FURTHER : SPREAD_FIRST)) ** 2 + 1e-12;
      sum += weight * (added - Math.log(uptakeOf(paper.fit, n + 1)));
      total += weight;
    }
    z[i] = sum / total;
    read.forEach(({ reflectance, n }, k) => {
      const seen = sheetReflectance(paper, i, Math.exp(z[i]!) * uptakeOf(paper.fit, n + 1));
      const off = (lightnessOf(seen) - lightnessOf(reflectance[i]!)) / (n ? SPREAD_FURTHER : SPREAD_FIRST);
      residual[k * BANDS + i] = off;
      cost += off * off;
    });
  }
  return { z, residual, cost };
}
