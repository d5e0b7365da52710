import type { Lab } from "@/core/colour/lab";
import { BANDS, type Spectrum } from "@/core/colour/observer";
import { leanOf, seenLab, type Desk } from "./desk";
import { uptakeOf, type PaperFit } from "./paper";
import { inkedLab } from "./sheet";
import { doseOfK, kOfDose } from "./stack";

/** Ink of one pass at one place: any amount of coats, onto a sheet that was still wet or had dried. */
export interface LaidCoat {
  /** Place of the ink on the desk. */
  readonly ink: number;
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
 * How much each pass of a pile counts, in coats that the sheet has taken. On dry ink a pass scales what lies beneath by 1 − λ (part of a
 * coat by its part), and the sheet takes u(n) of all coats together, as in a stack of whole coats; what a wet pass loosens beyond that is
 * carried deeper, where it is no longer seen.
 * @returns one weight a pass, in units of the dose of one coat
 */
export function passWeights(coats: readonly Omit<LaidCoat, "ink">[], fit: PaperFit): number[] {
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

/** Ink (dose, 36 bands) of passes over one place. */
export function laidDose(desk: Desk, coats: readonly LaidCoat[]): Spectrum {
  const out = new Float64Array(BANDS);
  const weights = passWeights(coats, desk.paper.fit);
  coats.forEach(({ ink }, p) => {
    const { spectrum } = desk.inks[ink]!;
    for (let i = 0; i < BANDS; i++) out[i]! += weights[p]! * doseOfK(spectrum[i]!, desk.paper.fit);
  });
  return out;
}

/** K/S added by a dose. */
export const absorbanceOfDose = (dose: Spectrum, fit: PaperFit): Spectrum => dose.map((d) => kOfDose(d, fit));

/** Colour of so much of one ink by itself: as it was read, in proportion between whole coats. */
function aloneLab(desk: Desk, ink: number, coats: number): Lab {
  const whole = Math.floor(coats);
  const of = (n: number) => seenLab(desk, Array<number>(n).fill(ink));
  const first = of(whole);
  const part = coats - whole;
  if (part < 1e-9) return first;
  const second = of(whole + 1);
  return first.map((v, c) => v + part * (second[c]! - v)) as unknown as Lab;
}

/**
 * What one sees where passes lie over each other, first pass first: readings where there is one ink alone, else the model, leaning on stacks
 * that were read nearby. Nothing laid shows the paper.
 */
export function laidLab(desk: Desk, coats: readonly LaidCoat[]): Lab {
  const laid = coats.filter((c) => c.coats > 0);
  const first = laid[0];
  if (!first) return desk.paper.lab;
  if (laid.every((c) => c.ink === first.ink))
    return aloneLab(
      desk,
      first.ink,
      laid.reduce((sum, c) => sum + c.coats, 0),
    );
  const added = absorbanceOfDose(laidDose(desk, laid), desk.paper.fit);
  const [L, a, b] = inkedLab(desk.paper, added);
  const [dL, da, db] = leanOf(desk, added);
  return [Math.min(100, Math.max(0, L + dL)), a + da, b + db];
}
