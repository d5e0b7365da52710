import type { Lab } from "@/core/colour/lab";
import { BANDS, type Spectrum } from "@/core/colour/observer";
import { leanOf, seenLab, type Desk } from "./desk";
import { doseOfK, kOfDose } from "./dose";
import type { PaperFit } from "./paper";
import { inkedLab } from "./sheet";
import { passWeights, type LaidAmount } from "./weights";

/** Ink of one pass at one place. */
export interface LaidCoat extends LaidAmount {
  /** Place of the ink on the desk. */
  readonly ink: number;
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
