import type { Lab } from "@/core/colour/lab";
import { labOf } from "@/core/colour/lab-of";
import type { Desk } from "@/core/ink/desk";
import { fadeOf, type InkPass } from "@/core/ink/fade";
import type { Reach } from "@/core/ink/reach";
import { inkedReflectance } from "@/core/ink/sheet";
import { covers, type Span } from "@/core/ink/span";
import { drawAll, seenReflectance, type PencilLayer, type ToothFit } from "@/core/pencil/tooth";

/** What is drawn over the ink at each value of a scale, light to dark. */
export interface DrawnScale {
  readonly steps: readonly (readonly PencilLayer[])[];
  readonly fit: ToothFit;
}

/** Something opaque over part of an area. */
export interface Opaque extends Span {
  readonly lab: Lab;
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

/** An area as its passes lie. */
export interface LaidArea {
  /** How far, mm, the edges of its passes have crept in the mean. */
  readonly reach: number;
  /** Lab seen at a place t (0–1) of a fade of some steepness, t per mm. */
  readonly at: (t: number, steepness: number) => Lab;
  /** Colours along the area: {@link SAMPLES} Labs for each of {@link STEEPNESS}. */
  readonly colours: () => Float32Array;
}

/** What is seen along an area as its passes lie: {@link fadeOf} its ink, pencil and opaque over it. */
export function layArea(desk: Desk, { ink, pencil, opaque }: AreaLayers, reach: Reach): LaidArea {
  const { paper } = desk;
  const fade = fadeOf(desk, ink, reach);

  /** What pencil changes at a place: the same at every steepness. */
  const drawnAt = (t: number): Lab => {
    const bare = inkedReflectance(paper, fade.absorbance(t, STEEPNESS[1]));
    let now = bare;
    for (const { steps, fit: tooth } of pencil) {
      const at = t * (steps.length - 1);
      const first = Math.min(steps.length - 1, Math.floor(at));
      const part = at - first;
      const under = now;
      const over = (n: number) =>
        steps[n]?.length ? seenReflectance(drawAll(under, steps[n], tooth), tooth) : under;
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
    const covering = opaque.findLast((o) => covers(o, t));
    if (covering) return covering.lab;
    const lab = fade.at(t, steepness);
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
  return { reach: fade.reach, at, colours };
}

/** Place of a steepness among {@link STEEPNESS}, between two of them by their ratio, from its square. */
export const levelOf = (square: number): number => {
  const level = 0.5 * Math.log2(square / (STEEPNESS[0] * STEEPNESS[0]));
  return level > 0 ? Math.min(level, STEEPNESS.length - 1) : 0;
};
