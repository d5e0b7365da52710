import { deltaE00 } from "@/core/colour/delta-e00";
import { chroma, type Lab } from "@/core/colour/lab";
import { BANDS, type Spectrum } from "@/core/colour/observer";
import type { Desk } from "@/core/ink/desk";
import { absorbanceOfDose } from "@/core/ink/laid";
import { inkedLab } from "@/core/ink/sheet";

/** Limits of a step in L*; they depend on the paper and the number of tones, and the user may set them. */
export interface StepLimits {
  /** Beyond this an edge shows. */
  readonly widest: number;
  /** Under this a marker is wasted. */
  readonly narrowest: number;
}

/** On smooth card an edge of 20 L* still shows after blending and 4 L* is hardly seen. */
export const STEP_LIMITS: StepLimits = { widest: 20, narrowest: 4 };

export type Verdict = "too wide" | "even" | "too narrow";

export function verdictOf(deltaL: number, { widest, narrowest }: StepLimits): Verdict {
  if (deltaL > widest) return "too wide";
  return deltaL < narrowest ? "too narrow" : "even";
}

/** The blend between two places of an area, in its middle, where it is muddiest. */
export interface Blend {
  /** Chroma by which it dips below both ends; 0 when it does not. */
  readonly mud: number;
  /** How far it lies in a*b* from the straight line between the ends. */
  readonly bow: number;
}

/** How muddy and how bowed an even mixture of two colours is. */
export function blendOf(first: Lab, second: Lab, middle: Lab): Blend {
  const [da, db] = [second[1] - first[1], second[2] - first[2]];
  const length = Math.sqrt(da * da + db * db);
  return {
    mud: Math.max(0, Math.min(chroma(first), chroma(second)) - chroma(middle)),
    bow:
      length < 1e-6
        ? Math.hypot(middle[1] - first[1], middle[2] - first[2])
        : Math.abs(da * (middle[2] - first[2]) - db * (middle[1] - first[1])) / length,
  };
}

/** Ink that lies a share `t` of the way from one place to the next: wet ink mixes, so the doses (36 bands) that lie there do. */
export function mixDoses(from: Spectrum, to: Spectrum, t: number, out: Float64Array): Float64Array {
  for (let i = 0; i < BANDS; i++) out[i] = (1 - t) * from[i]! + t * to[i]!;
  return out;
}

/** Colour of a desk's paper with a dose in it, by the model's own formulas. */
export const doseLab =
  ({ paper }: Desk) =>
  (dose: Spectrum): Lab =>
    inkedLab(paper, absorbanceOfDose(dose, paper.fit));

export interface Step extends Blend {
  readonly deltaL: number;
  readonly deltaE00: number;
  readonly verdict: Verdict;
  /** Lab of the mixtures at ¼, ½ and ¾. */
  readonly mixtures: readonly [Lab, Lab, Lab];
}

const SHARES = [0.25, 0.5, 0.75] as const;

/** Everything that is said of the step from a place to the next darker one. */
export function judgeStep(
  desk: Desk,
  first: { readonly lab: Lab; readonly dose: Spectrum },
  second: { readonly lab: Lab; readonly dose: Spectrum },
  limits: StepLimits = STEP_LIMITS,
): Step {
  const deltaL = first.lab[0] - second.lab[0];
  const labOf = doseLab(desk);
  const mixed = new Float64Array(BANDS);
  const mixtures = SHARES.map((t) => labOf(mixDoses(first.dose, second.dose, t, mixed))) as unknown as [
    Lab,
    Lab,
    Lab,
  ];
  return {
    ...blendOf(first.lab, second.lab, mixtures[1]),
    mixtures,
    deltaL,
    deltaE00: deltaE00(first.lab, second.lab),
    verdict: verdictOf(deltaL, limits),
  };
}
