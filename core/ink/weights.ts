import { doseOfK } from "./dose";
import { uptakeOf, type PaperFit } from "./paper";

/** Ink of one pass at one place: any amount of coats, onto a sheet that was still wet or had dried. */
export interface LaidAmount {
  readonly coats: number;
  readonly wet: boolean;
}

/** Uptake of any amount of coats, between whole ones in proportion. */
export function uptakeAt(fit: PaperFit, coats: number): number {
  const whole = Math.floor(coats);
  const part = coats - whole;
  return uptakeOf(fit, whole) + (part ? part * (uptakeOf(fit, whole + 1) - uptakeOf(fit, whole)) : 0);
}

/** Share λ of what lies beneath that a pass loosens. */
export const liftingOf = (fit: PaperFit, wet: boolean): number => (wet ? fit.wetLifting : fit.lifting);

/**
 * How much each pass of a pile counts, in doses of one coat; first pass first. On dry ink a pass scales what lies beneath by 1 − λ (part of a
 * coat by its part), and the sheet takes u(n) of all coats together; what a wet pass loosens beyond that is carried deeper, where it is no
 * longer seen. Whole coats of one ink on dry ink come to exactly u(n), whatever λ.
 */
export function passWeights(coats: readonly LaidAmount[], fit: PaperFit): number[] {
  const held: number[] = [];
  const left: number[] = [];
  let [total, sum] = [0, 0];
  for (const pass of coats) {
    const amount = Math.min(1, pass.coats);
    const stays = 1 - fit.lifting * amount;
    const seen = pass.wet ? 1 - Math.max(0, liftingOf(fit, true) - fit.lifting) * amount : 1;
    sum = sum * stays + pass.coats;
    for (let i = 0; i < held.length; i++) {
      held[i]! *= stays;
      left[i]! *= seen;
    }
    held.push(pass.coats);
    left.push(1);
    total += pass.coats;
  }
  if (sum <= 0) return held;
  const taken = doseOfK(uptakeAt(fit, total), fit) / sum;
  return held.map((h, i) => h * left[i]! * taken);
}

const A_COAT: LaidAmount = { coats: 1, wet: false };

/** {@link passWeights} of n whole coats on dry ink. */
export const coatWeights = (n: number, fit: PaperFit): number[] =>
  passWeights(Array<LaidAmount>(n).fill(A_COAT), fit);
