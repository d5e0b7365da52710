import type { Paper } from "./paper";
import { kOfDose } from "./stack";
import { sheetReflectance } from "./sheet";

/** Table steps in each doubling of the dose; a power of two, since steps are read off the bits of a 32-bit float. */
const STEP_BITS = 6;
const STEPS = 1 << STEP_BITS;
const SHIFT = 23 - STEP_BITS;
/** Doses from 2^−24 up; below, a band is bare paper. */
const LOWEST = -24;
const FIRST = ((127 + LOWEST) << STEP_BITS) >>> 0;

/** Reflectance of every band by the ink laid in it, tabulated so that a search needs no powers, roots or exponentials. */
export interface Lookup {
  /** No interpolated value is further from the true one than this. */
  readonly error: number;
  /** Reflectance of a band at a dose. */
  readonly at: (dose: number, band: number) => number;
  /** Reflectances of all 36 bands at 36 doses, into `out`. */
  readonly fill: (doses: Float64Array, out: Float64Array) => void;
}

/**
 * Tabulates a paper: 36 bands × dose, geometric steps of 1/64 octave, straight lines between.
 * @param most the largest dose that any band will be asked for; beyond it the table ends
 */
export function tabulate(paper: Paper, most: number): Lookup {
  const octaves = Math.max(1, Math.ceil(Math.log2(Math.max(most, 1))) + 1 - LOWEST);
  const size = octaves * STEPS + 2;
  const exact = (dose: number, band: number) => sheetReflectance(paper, band, kOfDose(dose, paper.fit));
  const doseAt = (step: number) => 2 ** (LOWEST + Math.floor(step / STEPS)) * (1 + (step % STEPS) / STEPS);
  const table = new Float64Array(36 * size);
  for (let band = 0; band < 36; band++)
    for (let s = 0; s < size; s++) table[band * size + s] = exact(doseAt(s), band);

  const single = new Float32Array(1);
  const bits = new Uint32Array(single.buffer);
  const low = 2 ** LOWEST;
  const high = 2 ** (LOWEST + octaves - 1);
  const mask = (1 << SHIFT) - 1;
  const unit = 1 / (1 << SHIFT);
  const fill = (doses: Float64Array, out: Float64Array): void => {
    for (let band = 0, base = -FIRST; band < 36; band++, base += size) {
      const dose = doses[band]!;
      single[0] = dose < low ? low : dose > high ? high : dose;
      const word = bits[0]!;
      const step = base + (word >>> SHIFT);
      const r = table[step]!;
      out[band] = r + (table[step + 1]! - r) * (word & mask) * unit;
    }
  };
  const doses = new Float64Array(36);
  const found = new Float64Array(36);
  const at = (dose: number, band: number): number => {
    doses[band] = dose;
    fill(doses, found);
    return found[band]!;
  };

  let error = 0;
  for (let band = 0; band < 36; band++) {
    for (let s = 0; s < size - 2 - STEPS; s += 3) {
      const middle = (doseAt(s) + doseAt(s + 1)) / 2;
      error = Math.max(error, Math.abs(at(middle, band) - exact(middle, band)));
    }
    error = Math.max(error, Math.abs(at(0, band) - exact(0, band)));
  }
  return { error: 2 * error, at, fill };
}
