import { deltaE00 } from "@/core/colour/delta-e00";
import { seenLab, type Desk } from "@/core/ink/desk";
import { adviseGroup, type Advice } from "./advice";
import type { GroupGoal } from "./goal";
import { blendCost, localColour, SCORE_WEIGHTS, stepCost, toneCost } from "./score";
import { judgeStep, STEP_LIMITS, type Step } from "./step";
import { rolesOf, type Role, type Tone } from "./tone";

export interface AssessedGroup {
  readonly tones: readonly (Tone & { readonly role: Role })[];
  readonly steps: readonly Step[];
  readonly localColourDeltaE00: number;
  readonly score: number;
  readonly advice: readonly Advice[];
  readonly goal: GroupGoal;
}

/**
 * Everything that is said of a group of 2–6 tones, whoever chose them. Tones are put light to dark first.
 * @param inkCost as when planning; counts in the score
 * @param owned inks that advice may propose
 */
export function assessGroup(
  desk: Desk,
  chosen: readonly { readonly ink: number; readonly coats: number }[],
  goal: GroupGoal,
  inkCost: (ink: number) => number = () => 0,
  owned: (ink: number) => boolean = () => true,
): AssessedGroup {
  const tones = chosen
    .map(({ ink, coats }): Tone => ({ ink, coats, lab: seenLab(desk, Array<number>(coats).fill(ink)) }))
    .sort((a, b) => b.lab[0] - a.lab[0]);
  const steps = tones.slice(1).map((tone, i) => judgeStep(desk, tones[i]!, tone));
  const local = localColour(tones, steps[tones.length / 2 - 1]?.mixtures[1]);
  const localColourDeltaE00 = deltaE00(local, goal.local);
  const own = tones.reduce((sum, t, i) => sum + toneCost(t, i, goal, SCORE_WEIGHTS) + inkCost(t.ink), 0);
  const between = steps.reduce(
    (sum, step, i) =>
      sum +
      stepCost(tones[i]!, tones[i + 1]!, goal, STEP_LIMITS, SCORE_WEIGHTS) +
      blendCost(step, i, goal, SCORE_WEIGHTS),
    0,
  );
  const roles = rolesOf(tones.length);
  return {
    tones: tones.map((t, i) => ({ ...t, role: roles[i]! })),
    steps,
    localColourDeltaE00,
    score: own + between,
    advice: adviseGroup(desk, tones, steps, goal, localColourDeltaE00, owned),
    goal,
  };
}
