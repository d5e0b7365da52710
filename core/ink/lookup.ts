import { kOfDose } from "./dose";
import type { Paper } from "./paper";
import { sheetReflectance } from "./sheet";

/** Table steps in each doubling of the dose; a power of two, since steps are read off the bits of a 32-bit float. */
const STEP_BITS = 6;
const STEPS = 1 << STEP_BITS;
const SHIFT = 23 - STEP_BITS;
/** Doses from 2^−24 up; below, a band is bare paper. */
const LOWEST = -24;
const FIRST = ((127 + LOWEST) << STEP_BITS) >>> 0;

const MASK = (1 << SHIFT) - 1;
const UNIT = 1 / (1 << SHIFT);
const LOW = 2 ** LOWEST;

/**
 * Reflectance of every band by the ink laid in it, tabulated so that a search needs no powers, roots or exponentials: 36 bands × dose,
 * geometric steps of 1/64 octave, straight lines between. A class, so that what the engine has learnt of `fill` outlives one table.
 */
export class Lookup {
  /** No interpolated value is further from the true one than this. */
  readonly error: number;
  private readonly table: Float64Array;
  private readonly size: number;
  private readonly high: number;
  private readonly single = new Float32Array(1);
  private readonly bits = new Uint32Array(this.single.buffer);
  private readonly doses = new Float64Array(36);
  private readonly found = new Float64Array(36);

  /** @param most the largest dose that any band will be asked for; beyond it the table ends */
  constructor(paper: Paper, most: number) {
    const octaves = Math.max(1, Math.ceil(Math.log2(Math.max(most, 1))) + 1 - LOWEST);
    const size = octaves * STEPS + 2;
    const exact = (dose: number, band: number) => sheetReflectance(paper, band, kOfDose(dose, paper.fit));
    const doseAt = (step: number) => 2 ** (LOWEST + Math.floor(step / STEPS)) * (1 + (step % STEPS) / STEPS);
    this.size = size;
    this.high = 2 ** (LOWEST + octaves - 1);
    this.table = new Float64Array(36 * size);
    for (let s = 0; s < size; s++) {
      const dose = doseAt(s);
      for (let band = 0; band < 36; band++) this.table[band * size + s] = exact(dose, band);
    }
    let error = 0;
    for (let band = 0; band < 36; band++) {
      for (let s = 0; s < size - 2 - STEPS; s += 3) {
        const middle = (doseAt(s) + doseAt(s + 1)) / 2;
        error = Math.max(error, Math.abs(this.at(middle, band) - exact(middle, band)));
      }
      error = Math.max(error, Math.abs(this.at(0, band) - exact(0, band)));
    }
    this.error = 2 * error;
  }

  /** Reflectances of all 36 bands at 36 doses, into `out`. */
  fill(doses: Float64Array, out: Float64Array): void {
    const { table, size, high, single, bits } = this;
    for (let band = 0, base = -FIRST; band < 36; band++, base += size) {
      const dose = doses[band]!;
      single[0] = dose < LOW ? LOW : dose > high ? high : dose;
      const word = bits[0]!;
      const step = base + (word >>> SHIFT);
      const r = table[step]!;
      out[band] = r + (table[step + 1]! - r) * (word & MASK) * UNIT;
    }
  }

  /** Reflectance of a band at a dose. */
  at(dose: number, band: number): number {
    this.doses[band] = dose;
    this.fill(this.doses, this.found);
    return this.found[band]!;
  }
}
