import { deltaE00 } from "@/core/colour/delta-e00";
import type { Lab } from "@/core/colour/lab";
import type { GroupGoal } from "./goal";
import { localColour, SCORE_WEIGHTS, type ScoreWeights } from "./score";
import type { Tone } from "./tone";

/** A goal that asks for the very tones of a group, as they look on the paper they are known on. */
export function goalLike(tones: readonly Lab[], middleBlend?: Lab): GroupGoal {
  const n = tones.length;
  const middle: Lab =
    middleBlend ??
    (tones[n / 2 - 1]
      ? (tones[n / 2 - 1]!.map((v, c) => (v + tones[n / 2]![c]!) / 2) as unknown as Lab)
      : tones[0]!);
  const contrast = tones[0]![0] - tones[n - 1]![0];
  const local = localColour(
    tones.map((lab): Tone => ({ ink: -1, coats: 1, lab })),
    middle,
  );
  return { tones, local, contrast, step: Math.max(1, contrast / (n - 1)), lightRead: true, shadowRead: true };
}

/** Weights for which every tone should be itself, whatever its steps: the group is known to work. */
export const LIKENESS_WEIGHTS: ScoreWeights = {
  ...SCORE_WEIGHTS,
  ends: 1,
  place: 0.35,
  hue: 0.5,
  chroma: 0.45,
  evenness: 0.8,
};

/** ΔE00 of each tone from the one it stands for, and their mean. */
export function likeness(tones: readonly Tone[], wanted: readonly Lab[]): { each: number[]; mean: number } {
  const each = tones.map((t, i) => deltaE00(t.lab, wanted[i]!));
  return { each, mean: each.reduce((a, b) => a + b, 0) / each.length };
}
