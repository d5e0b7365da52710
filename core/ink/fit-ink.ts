import { compressSlope } from "@/core/colour/cie";
import { chromaWeight, hueWeight, lightnessWeight } from "@/core/colour/ciede2000";
import { xyzToLab, type Lab } from "@/core/colour/lab";
import { BANDS, tristimulusWeights, type Spectrum } from "@/core/colour/observer";
import { uptakeOf, type Paper } from "./paper";
import { wantedColour, type Reading } from "./reading";
import { sheetReflectance } from "./sheet";
import { smoothestMeeting } from "./smooth";
import type { InkSpectrum } from "./stack";

/** Readings of one ink after one, two and three coats, in that order; at least the first. */
export type Coats = readonly Reading[];

/** An ink's fit: `z` is ln(K/S) by band, `residual` and `slopes` are what the paper's own fit needs. */
export interface InkFit {
  readonly z: Spectrum;
  /** Three weighted residuals a coat (lightness, chroma, hue), in units of their expected spread. */
  readonly residual: Float64Array;
  /** Rows as `residual`: change with z, 36 bands. */
  readonly slopes: Float64Array;
  readonly cost: number;
}

/** ln(K/S) towards which bands without any evidence drift. */
export const RESTING_Z = -2;

/**
 * Expected spread in ΔE00 of the 1st coat and of further ones. The first is a reading's own error; further coats also carry what the paper
 * model cannot say, so they inform the spectrum without bending it.
 */
const SPREAD_FIRST = 0.5;
const SPREAD_FURTHER = 1.2;

const LONGEST_STEP = 2;
const RIDGE = 1e-3;

/** T of CIEDE2000 in the middle of its range: a fit does not follow it round the circle. */
const USUAL_HUE_TERM = 0.9;

/** Rows that turn a Lab difference at `lab` into lightness, chroma and hue differences on the scale of ΔE00. */
function differenceRows(lab: Lab): number[][] {
  const c = Math.hypot(lab[1], lab[2]) || 1e-9;
  const [cos, sin] = [lab[1] / c, lab[2] / c];
  const [sl, sc, sh] = [lightnessWeight(lab[0]), chromaWeight(c), hueWeight(c, USUAL_HUE_TERM)];
  return [
    [1 / sl, 0, 0],
    [0, cos / sc, sin / sc],
    [0, -sin / sh, cos / sh],
  ];
}

/** Cost of a spectrum against readings; fills `residual` and, when given, `slopes`. */
export function weighInk(
  z: Spectrum,
  coats: Coats,
  paper: Paper,
  residual: Float64Array,
  slopes?: Float64Array,
): number {
  const { fit } = paper;
  const change = new Float64Array(BANDS);
  let cost = 0;
  for (let n = 0; n < coats.length; n++) {
    const u = uptakeOf(fit, n + 1);
    const { told } = coats[n]!;
    const w = tristimulusWeights(told?.light ?? paper.illuminant);
    let X = 0;
    let Y = 0;
    let Z = 0;
    for (let i = 0; i < 36; i++) {
      const k = Math.exp(z[i]!) * u;
      const r = sheetReflectance(paper, i, k);
      X += w.x[i]! * r;
      Y += w.y[i]! * r;
      Z += w.z[i]! * r;
      if (slopes) change[i] = (sheetReflectance(paper, i, 1.001 * k) - r) * 1e3;
    }
    const lab = xyzToLab([X, Y, Z], w.white);
    const wanted = told?.lab ?? wantedColour(coats[n]!, lab);
    const spread = n ? SPREAD_FURTHER : SPREAD_FIRST;
    const dx = compressSlope(X / w.white[0]) / w.white[0];
    const dy = compressSlope(Y / w.white[1]) / w.white[1];
    const dz = compressSlope(Z / w.white[2]) / w.white[2];
    differenceRows(wanted).forEach(([sl, sa, sb], row) => {
      const at = n * 3 + row;
      const r =
        (sl! * (wanted[0] - lab[0]) + sa! * (wanted[1] - lab[1]) + sb! * (wanted[2] - lab[2])) / spread;
      residual[at] = r;
      cost += r * r;
      if (!slopes) return;
      const [kx, ky, kz] = [
        (500 * sa! * dx) / spread,
        ((116 * sl! - 500 * sa! + 200 * sb!) * dy) / spread,
        (-200 * sb! * dz) / spread,
      ];
      for (let i = 0; i < 36; i++)
        slopes[at * 36 + i] = change[i]! * (kx * w.x[i]! + ky * w.y[i]! + kz * w.z[i]!);
    });
  }
  for (let i = 0; i < 36; i++) {
    if (i) cost += (z[i]! - z[i - 1]!) ** 2;
    cost += RIDGE * (z[i]! - RESTING_Z) ** 2;
  }
  return cost;
}

/**
 * The smoothest ln(K/S) whose coats look like the readings: least slope squared plus squared differences on the scale of ΔE00, by damped
 * Gauss–Newton. With further coats the spectrum's peaks show (a narrow band fills up, a broad one does not), which one coat cannot tell.
 * @throws RangeError without a reading
 */
export function fitInkSpectrum(coats: Coats, paper: Paper, start?: Spectrum, steps = 14): InkFit {
  if (!coats.length) throw new RangeError("an ink needs the reading of at least one coat");
  const rows = coats.length * 3;
  let z: Spectrum = start ?? new Float64Array(BANDS).fill(RESTING_Z);
  const slopes = new Float64Array(rows * BANDS);
  const residual = new Float64Array(rows);
  const trialResidual = new Float64Array(rows);
  const wanted = new Float64Array(rows);
  const unit = new Float64Array(rows).fill(1);
  let cost = weighInk(z, coats, paper, residual, slopes);
  for (let step = 0; step < steps; step++) {
    for (let r = 0; r < rows; r++) {
      let sum = residual[r]!;
      for (let i = 0; i < 36; i++) sum += slopes[r * 36 + i]! * (z[i]! - RESTING_Z);
      wanted[r] = sum;
    }
    const goal = smoothestMeeting(slopes, wanted, unit);
    let longest = 0;
    for (let i = 0; i < 36; i++) longest = Math.max(longest, Math.abs(goal[i]! + RESTING_Z - z[i]!));
    let share = Math.min(1, LONGEST_STEP / longest);
    let better: Spectrum | undefined;
    for (let attempt = 0; attempt < 4 && !better; attempt++, share /= 3) {
      const trial = Float64Array.from(z, (v, i) => v + share * (goal[i]! + RESTING_Z - v));
      if (weighInk(trial, coats, paper, trialResidual) < cost) better = trial;
    }
    if (!better) break;
    z = better;
    const before = cost;
    cost = weighInk(z, coats, paper, residual, slopes);
    if (before - cost < 1e-3 * cost) break;
  }
  return { z, residual, slopes, cost };
}

/** K/S of the first coat, 36 bands, of an ink's fit. */
export const spectrumOf = (fit: Pick<InkFit, "z">): InkSpectrum => Float64Array.from(fit.z, Math.exp);
