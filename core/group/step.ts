import { deltaE00 } from "@/core/colour/delta-e00";
import { chroma, type Lab } from "@/core/colour/lab";
import type { Desk } from "@/core/ink/desk";
import { uptakeOf } from "@/core/ink/paper";
import { blendedLab } from "@/core/ink/sheet";
import type { Tone } from "./tone";

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

/** The blend between two tones. */
export interface BlendPath {
  /** Chroma by which the muddiest mixture dips below both tones; 0 when none does. */
  readonly mud: number;
  /** Farthest that a mixture lies in a*b* from the straight line between the tones. */
  readonly bow: number;
  /** Lab of the mixtures at ¼, ½ and ¾. */
  readonly mixtures: readonly [Lab, Lab, Lab];
}

const SHARES = [0.25, 0.5, 0.75] as const;

/** K/S that a tone adds to the paper. */
export const toneAbsorbance = (desk: Desk, tone: Tone): Float64Array => {
  const u = uptakeOf(desk.paper.fit, tone.coats);
  return desk.inks[tone.ink]!.spectrum.map((k) => k * u);
};

/** How the blend from one tone to the next runs: mixtures linear in K/S (Kubelka–Munk). */
export function blendPath(desk: Desk, first: Tone, second: Tone): BlendPath {
  return blendPathOf(desk, first.lab, second.lab, toneAbsorbance(desk, first), toneAbsorbance(desk, second));
}

/** As {@link blendPath} with the tones' K/S at hand. */
export function blendPathOf(
  desk: Desk,
  first: Lab,
  second: Lab,
  ka: Float64Array,
  kb: Float64Array,
): BlendPath {
  const mixtures = SHARES.map((t) => blendedLab(desk.paper, ka, kb, t)) as unknown as [Lab, Lab, Lab];
  const least = Math.min(chroma(first), chroma(second));
  const [da, db] = [second[1] - first[1], second[2] - first[2]];
  const length = Math.hypot(da, db);
  const offLine = (m: Lab) =>
    length < 1e-6
      ? Math.hypot(m[1] - first[1], m[2] - first[2])
      : Math.abs(da * (m[2] - first[2]) - db * (m[1] - first[1])) / length;
  return {
    mud: Math.max(0, ...mixtures.map((m) => least - chroma(m))),
    bow: Math.max(...mixtures.map(offLine)),
    mixtures,
  };
}

export interface Step extends BlendPath {
  readonly deltaL: number;
  readonly deltaE00: number;
  readonly verdict: Verdict;
}

/** Everything that is said of the step from a tone to the next darker one. */
export function judgeStep(desk: Desk, first: Tone, second: Tone, limits: StepLimits = STEP_LIMITS): Step {
  const deltaL = first.lab[0] - second.lab[0];
  return {
    ...blendPath(desk, first, second),
    deltaL,
    deltaE00: deltaE00(first.lab, second.lab),
    verdict: verdictOf(deltaL, limits),
  };
}
