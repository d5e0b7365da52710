import type { Lab } from "@/core/colour/lab";
import { BANDS, type Spectrum } from "@/core/colour/observer";
import type { Desk } from "@/core/ink/desk";
import { laidLab, passWeights, type LaidCoat } from "@/core/ink/laid";
import { inkedLab, inkedReflectance } from "@/core/ink/sheet";
import { doseOfK, kOfDose } from "@/core/ink/stack";
import type { Reach } from "@/core/ink/wet-field";
import { drawAll, seenReflectance, type PencilLayer, type ToothFit } from "@/core/pencil/tooth";
import { labOf } from "@/core/colour/lab-of";

/** One pass of ink over part of an area, from its lightest end (0) to its darkest (1). */
export interface InkPass extends LaidCoat {
  readonly from: number;
  readonly to: number;
}

/** What is drawn over the ink at each value of a scale, light to dark. */
export interface DrawnScale {
  readonly steps: readonly (readonly PencilLayer[])[];
  readonly fit: ToothFit;
}

/** Something opaque over part of an area. */
export interface Opaque {
  readonly lab: Lab;
  readonly from: number;
  readonly to: number;
}

/** What lies on an area. */
export interface AreaLayers {
  readonly ink: readonly InkPass[];
  readonly pencil: readonly DrawnScale[];
  readonly opaque: readonly Opaque[];
}

/** Places along an area, ends included, at which its colours are kept, light end first. */
export const SAMPLES = 129;

/** Steepness of a fade (t per mm) for which colours are kept, each twice the last: steep ones lie in small areas, whose tones run together. */
export const STEEPNESS = [0.0075, 0.015, 0.03, 0.06, 0.12, 0.24, 0.48] as const;

/** The normal distribution's share up to z. Source: M. Abramowitz & I. Stegun 1964, 7.1.26 (error under 1.5e-7). */
export function shareBelow(z: number): number {
  const x = Math.abs(z) / Math.SQRT2;
  const k = 1 / (1 + 0.3275911 * x);
  const poly =
    k * (0.254829592 + k * (-0.284496736 + k * (1.421413741 + k * (-1.453152027 + k * 1.061405429))));
  const half = 0.5 * poly * Math.exp(-x * x);
  return z < 0 ? half : 1 - half;
}

/** Share of something that lies between two places and has crept over its ends by `spread`; the area's own ends hold it. */
function shareAt(t: number, from: number, to: number, spread: number): number {
  const enter = from <= 0 ? 1 : spread > 0 ? shareBelow((t - from) / spread) : t >= from ? 1 : 0;
  const leave = to >= 1 ? 0 : spread > 0 ? shareBelow((t - to) / spread) : t >= to ? 1 : 0;
  return Math.max(0, enter - leave);
}

/** Places are spread evenly from 0 to 1 over an area: where ink has run through all of it, they differ by no more than this. */
const WHOLE_AREA = 1 / Math.sqrt(12);

const covers = ({ from, to }: InkPass, t: number) => from <= t && (t < to || to >= 1);

/** How far each pass has crept when all are laid, mm: its own reach, and once more with each wet pass that comes after it and sets all ink moving. */
function creeps(passes: readonly InkPass[], { wet, dry }: Reach): number[] {
  return passes.map((p, i) => {
    const moved = passes.slice(i + 1).filter((later) => later.wet).length;
    return Math.sqrt((p.wet ? wet : dry) ** 2 + moved * wet ** 2);
  });
}

/** An area as its passes lie. */
export interface LaidArea {
  /** How far, mm, the edges of its passes have crept in the mean. */
  readonly reach: number;
  /** Lab seen at a place t (0–1) of a fade of some steepness, t per mm. */
  readonly at: (t: number, steepness: number) => Lab;
  /** Colours along the area: {@link SAMPLES} Labs for each of {@link STEEPNESS}. */
  readonly colours: () => Float32Array;
}

/**
 * Colours of an area from its lightest end to its darkest as its passes lie, for fades of any steepness: inks crossing over where they met
 * wet, crisp where they dried, pencil and opaque over them. Away from every edge it is exactly what {@link laidLab} says of the stack there.
 * @param reach how far ink moves sideways, mm
 */
export function layArea(desk: Desk, { ink, pencil, opaque }: AreaLayers, reach: Reach): LaidArea {
  const { paper } = desk;
  const { fit } = paper;
  const doses = ink.map((p) => desk.inks[p.ink]!.spectrum.map((k) => doseOfK(k, fit)));
  const spread = creeps(ink, reach);
  const widest = Math.max(0, ...spread);
  const edged = spread.filter((_, i) => ink[i]!.from > 0 || ink[i]!.to < 1);
  const mean = edged.length ? edged.reduce((a, b) => a + b, 0) / edged.length : 0;

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
  const amounts = (t: number, steepness: number) =>
    ink.map((p, i) => p.coats * shareAt(t, p.from, p.to, Math.min(WHOLE_AREA, spread[i]! * steepness)));

  // Stretches on which the same passes lie, and how far what is known of each is off the model.
  const borders = [...new Set([0, 1, ...ink.flatMap((p) => [p.from, p.to])])].sort((a, b) => a - b);
  const stretches = borders.slice(1).map((to, i) => {
    const from = borders[i]!;
    const t = (from + to) / 2;
    const known = laidLab(
      desk,
      ink.filter((p) => covers(p, t)),
    );
    const model = inkedLab(paper, added(ink.map((p) => (covers(p, t) ? p.coats : 0))));
    return { from, to, off: known.map((v, c) => v - model[c]!) as unknown as Lab };
  });

  const inkAt = (t: number, steepness: number): Lab => {
    if (!ink.length) return paper.lab;
    const [L, a, b] = inkedLab(paper, added(amounts(t, steepness)));
    let [dL, da, db] = [0, 0, 0];
    for (const { from, to, off } of stretches) {
      const w = shareAt(t, from, to, Math.min(WHOLE_AREA, widest * steepness));
      dL += w * off[0];
      da += w * off[1];
      db += w * off[2];
    }
    return [Math.min(100, Math.max(0, L + dL)), a + da, b + db];
  };

  /** What pencil changes at a place: the same at every steepness. */
  const drawnAt = (t: number): Lab => {
    const bare = inkedReflectance(paper, added(amounts(t, STEEPNESS[1])));
    let now = bare;
    for (const { steps, fit: tooth } of pencil) {
      const at = t * (steps.length - 1);
      const first = Math.min(steps.length - 1, Math.floor(at));
      const part = at - first;
      const under = now;
      const over = (n: number) =>
        steps[n]?.length ? seenReflectance(drawAll(under, steps[n], tooth)) : under;
      const [one, two] = [over(first), part > 0 ? over(first + 1) : under];
      now = one.map((v, i) => (1 - part) * v + part * two[i]!);
    }
    const [before, after] = [labOf(bare, paper.illuminant), labOf(now, paper.illuminant)];
    return after.map((v, c) => v - before[c]!) as unknown as Lab;
  };
  const byPencil = pencil.length
    ? Array.from({ length: SAMPLES }, (_, s) => drawnAt(s / (SAMPLES - 1)))
    : undefined;

  const at = (t: number, steepness: number): Lab => {
    const covering = opaque.findLast((o) => t >= o.from && (t < o.to || o.to >= 1));
    if (covering) return covering.lab;
    const lab = inkAt(t, steepness);
    const off = byPencil?.[Math.round(t * (SAMPLES - 1))];
    return off ? [Math.min(100, Math.max(0, lab[0] + off[0])), lab[1] + off[1], lab[2] + off[2]] : lab;
  };
  const even = ink.every((p) => p.from <= 0 && p.to >= 1);
  const colours = (): Float32Array => {
    const out = new Float32Array(STEEPNESS.length * SAMPLES * 3);
    STEEPNESS.forEach((steepness, level) => {
      // An even coat has no fade: its colours are those of the first level.
      if (even && level) return out.copyWithin(level * SAMPLES * 3, 0, SAMPLES * 3);
      for (let s = 0; s < SAMPLES; s++) out.set(at(s / (SAMPLES - 1), steepness), (level * SAMPLES + s) * 3);
    });
    return out;
  };
  return { reach: mean, at, colours };
}

/** Place of a steepness among {@link STEEPNESS}, between two of them by their ratio, from its square. */
export const levelOf = (square: number): number => {
  const level = 0.5 * Math.log2(square / (STEEPNESS[0] * STEEPNESS[0]));
  return level > 0 ? Math.min(level, STEEPNESS.length - 1) : 0;
};
