import { shareBelow } from "@/core/algebra/normal";
import type { Lab } from "@/core/colour/lab";
import { BANDS, type Spectrum } from "@/core/colour/observer";
import type { Desk } from "./desk";
import { doseOfK, kOfDose } from "./dose";
import { laidLab, type LaidCoat } from "./laid";
import type { Reach } from "./reach";
import { inkedLab } from "./sheet";
import { covers, stretches, type Span } from "./span";
import { passWeights } from "./weights";

/** One pass of ink over part of an area. */
export interface InkPass extends LaidCoat, Span {
  /** Length, mm, over which its strokes thin out at their ends; crisp when it is left out. */
  readonly taper?: number;
}

/** Spread (standard deviation) of an edge that thins out smoothly over a length, as a share of it: that of 3t² − 2t³. */
const TAPER_SPREAD = Math.sqrt(1 / 20);

/** Places are spread evenly from 0 to 1 over an area: where ink has run through all of it, they differ by no more than this. */
const WHOLE_AREA = 1 / Math.sqrt(12);

/** Share of something that lies on a span and has crept over its ends by `spread` (in t); the area's own ends hold it. */
function shareAt(t: number, { from, to }: Span, spread: number): number {
  const enter = from <= 0 ? 1 : spread > 0 ? shareBelow((t - from) / spread) : t >= from ? 1 : 0;
  const leave = to >= 1 ? 0 : spread > 0 ? shareBelow((t - to) / spread) : t >= to ? 1 : 0;
  return Math.max(0, enter - leave);
}

/** How far each pass has crept when all are laid, mm: its own reach, and once more with each wet pass that comes after it and sets all ink moving. */
function creeps(passes: readonly InkPass[], { wet, dry }: Reach): number[] {
  return passes.map((p, i) => {
    const moved = passes.slice(i + 1).filter((later) => later.wet).length;
    return Math.sqrt((TAPER_SPREAD * (p.taper ?? 0)) ** 2 + (p.wet ? wet : dry) ** 2 + moved * wet ** 2);
  });
}

/** Passes of ink as they lie along an area. */
export interface Fade {
  /** How far, mm, the edges of its passes have crept in the mean. */
  readonly reach: number;
  /** K/S (36 bands) that they add to the paper at a place t (0–1) of a fade of some steepness, t per mm. */
  readonly absorbance: (t: number, steepness: number) => Spectrum;
  /** Lab seen there. */
  readonly at: (t: number, steepness: number) => Lab;
}

/**
 * What lies and what is seen along an area, first pass first, for fades of any steepness: inks crossing over where they met wet, crisp where
 * they dried. Away from every edge it is exactly what {@link laidLab} says of the stack there. Everything that speaks of an area between two
 * places reads this: strips, ramps, schools, the colouring, and the fit of blend pages.
 * @param reach how far ink moves sideways, mm
 */
export function fadeOf(desk: Desk, ink: readonly InkPass[], reach: Reach): Fade {
  const { paper } = desk;
  const { fit } = paper;
  const doses = ink.map((p) => desk.inks[p.ink]!.spectrum.map((k) => doseOfK(k, fit)));
  const spread = creeps(ink, reach);
  const widest = Math.max(0, ...spread);
  const edged = spread.filter((_, i) => ink[i]!.from > 0 || ink[i]!.to < 1);
  const inT = (mm: number, steepness: number) => Math.min(WHOLE_AREA, mm * steepness);

  /** K/S that so many coats of each pass add to the paper. */
  const added = (coats: readonly number[]): Spectrum => {
    const weights = passWeights(
      ink.map((p, i) => ({ coats: coats[i]!, wet: p.wet })),
      fit,
    );
    const out = new Float64Array(BANDS);
    for (let i = 0; i < BANDS; i++) {
      let dose = 0;
      for (let p = 0; p < weights.length; p++) dose += weights[p]! * doses[p]![i]!;
      out[i] = kOfDose(dose, fit);
    }
    return out;
  };
  const absorbance = (t: number, steepness: number) =>
    added(ink.map((p, i) => p.coats * shareAt(t, p, inT(spread[i]!, steepness))));

  // How far what is known of each stretch is off the model.
  const known = stretches(ink).map((span) => {
    const t = (span.from + span.to) / 2;
    const seen = laidLab(
      desk,
      ink.filter((p) => covers(p, t)),
    );
    const model = inkedLab(paper, added(ink.map((p) => (covers(p, t) ? p.coats : 0))));
    return { span, off: seen.map((v, c) => v - model[c]!) as unknown as Lab };
  });
  const at = (t: number, steepness: number): Lab => {
    if (!ink.length) return paper.lab;
    const [L, a, b] = inkedLab(paper, absorbance(t, steepness));
    let [dL, da, db] = [0, 0, 0];
    for (const { span, off } of known) {
      const w = shareAt(t, span, inT(widest, steepness));
      dL += w * off[0];
      da += w * off[1];
      db += w * off[2];
    }
    return [Math.min(100, Math.max(0, L + dL)), a + da, b + db];
  };
  return { reach: edged.length ? edged.reduce((a, b) => a + b, 0) / edged.length : 0, absorbance, at };
}
