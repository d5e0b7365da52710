/** A value that long cells tell, what it leaves over, and on how many cells it rests. */
export interface Measured {
  readonly value: number;
  readonly residual: number;
  readonly cells: number;
}

/** How ink moves on a paper; what no cell tells is left out. */
export interface Blending {
  /** Share λ of the ink beneath that a pass on wet ink loosens; residual ΔE00. */
  readonly wetLifting?: Measured;
  /** Spread (mm) of the border of two tones laid wet, and of a tone on dry ink; residual as a share of the step between them. */
  readonly mixing?: Measured;
  readonly edge?: Measured;
}
