import { closeness, deltaE00, type Closeness } from "@/core/colour/delta-e00";
import type { Lab } from "@/core/colour/lab";
import type { Advice } from "@/core/group/advice";
import { assessGroup, type AssessedGroup } from "@/core/group/assess";
import { groupGoal, type GroupTarget } from "@/core/group/goal";
import { MATERIAL_HABITS } from "@/core/group/material";
import { planGroups } from "@/core/group/plan";
import type { Verdict } from "@/core/group/step";
import { FEWEST_TONES, type Role } from "@/core/group/tone";
import { isMeasured, type Desk } from "@/core/ink/desk";
import { deskOf, placeOf } from "./desk-memory";
import { colourOf, readColour, type ColourInput } from "./inputs/colour";
import type { InkInput } from "./inputs/desk";
import type { AssessInput, GroupInput, GroupTargetInput, TargetInput } from "./inputs/operations";
import { seen, type SeenColour } from "./predict";
import { BadInput } from "./problem";

export interface ToneOutput extends SeenColour {
  readonly code: string;
  readonly coats: number;
  readonly role: Role;
  readonly measured: boolean;
}

export interface StepOutput {
  readonly deltaL: number;
  readonly deltaE00: number;
  readonly verdict: Verdict;
  readonly mud: number;
  /** The blend at ¼, ½ and ¾. */
  readonly blend: readonly string[];
}

export interface GroupOutput {
  readonly tones: readonly ToneOutput[];
  readonly steps: readonly StepOutput[];
  readonly localColourDeltaE00: number;
  readonly localCloseness: Closeness;
  readonly score: number;
  readonly contrast: number;
  readonly advice: readonly Advice[];
  /** How it differs from the first group, in words; empty for the first. */
  readonly difference: string;
}

/** ΔE00 that a marker running low costs a plan. */
const LOW_COST = 1;

export const targetOf = (target: TargetInput): GroupTarget => {
  const one = readColour(target);
  if (one) return { local: one.lab };
  const { light, local, shadow } = target as {
    light?: ColourInput;
    local: ColourInput;
    shadow?: ColourInput;
  };
  return {
    local: colourOf(local).lab,
    ...(light && { light: colourOf(light).lab }),
    ...(shadow && { shadow: colourOf(shadow).lab }),
  };
};

export const costOf = (inks: readonly InkInput[]) => (ink: number) => {
  const { state, cost = 0 } = inks[ink]!;
  return state === "dry" ? Infinity : cost + (state === "low" ? LOW_COST : 0);
};
export const usable = (inks: readonly InkInput[]) => (ink: number) =>
  inks[ink]!.state !== "dry" && !inks[ink]!.cost;

export function groupOutput(desk: Desk, group: AssessedGroup, first?: AssessedGroup): GroupOutput {
  const codes = (t: { ink: number; coats: number }) => Array<number>(t.coats).fill(t.ink);
  return {
    tones: group.tones.map((t) => ({
      code: desk.inks[t.ink]!.code,
      coats: t.coats,
      role: t.role,
      ...seen(t.lab),
      measured: isMeasured(desk, codes(t)),
    })),
    steps: group.steps.map((s) => ({
      deltaL: s.deltaL,
      deltaE00: s.deltaE00,
      verdict: s.verdict,
      mud: s.mud,
      blend: s.mixtures.map((m) => seen(m).hex),
    })),
    localColourDeltaE00: group.localColourDeltaE00,
    localCloseness: closeness(group.localColourDeltaE00),
    score: group.score,
    contrast: group.tones[0]!.lab[0] - group.tones.at(-1)!.lab[0],
    advice: group.advice,
    difference: first ? differenceInWords(first, group) : "",
  };
}

const chromaOf = (tones: readonly { lab: Lab }[]) =>
  tones.reduce((sum, t) => sum + Math.hypot(t.lab[1], t.lab[2]), 0) / tones.length;
/** Mean of b* + ½a*: what painters call warm lies along it. */
const warmthOf = (tones: readonly { lab: Lab }[]) =>
  tones.reduce((sum, t) => sum + t.lab[2] + t.lab[1] / 2, 0) / tones.length;

function differenceInWords(first: AssessedGroup, other: AssessedGroup): string {
  const span = (g: AssessedGroup) => g.tones[0]!.lab[0] - g.tones.at(-1)!.lab[0];
  const say = (v: number, slack: number, more: string, less: string) =>
    Math.abs(v) < slack ? [] : [`${v > 0 ? more : less} by ${Math.abs(v).toFixed(0)}`];
  const words = [
    ...say(span(other) - span(first), 3, "more contrast", "less contrast"),
    ...say(warmthOf(other.tones) - warmthOf(first.tones), 3, "warmer", "cooler"),
    ...say(chromaOf(other.tones) - chromaOf(first.tones), 3, "purer", "greyer"),
  ];
  const shared = other.tones.filter((t) => first.tones.some((f) => f.ink === t.ink)).length;
  const apart =
    other.tones.length === first.tones.length
      ? other.tones.reduce((sum, t, i) => sum + deltaE00(t.lab, first.tones[i]!.lab), 0) / other.tones.length
      : 0;
  return `${words.length ? words.join(", ") : "much the same look"}; ${shared ? `${shared} of the same markers` : "other markers"}, ${apart.toFixed(1)} ΔE00 apart`;
}

/** What a target asks of a group of so many tones. */
export const goalOf = (
  desk: Desk,
  { target, contrast, material, drift }: Pick<GroupTargetInput, "target" | "contrast" | "material" | "drift">,
  tones: number,
  emphasis = false,
) =>
  groupGoal(targetOf(target), tones, desk.paper.lab, {
    contrast,
    contrastShare: MATERIAL_HABITS[material].contrast * (emphasis ? EMPHASIS : 1),
    ...(drift && { drift }),
  });

/** An area that should pop has this much more contrast, where none was read or asked for. */
const EMPHASIS = 1.25;

/** The best blend groups for a target, with their reasons. */
export function* group(input: GroupInput): Generator<number, { groups: GroupOutput[] }> {
  const desk = deskOf(input);
  const price = costOf(input.inks);
  const excluded = new Set(input.exclude);
  const cost = (ink: number) => (excluded.has(desk.inks[ink]!.code) ? Infinity : price(ink));
  const fixed = input.fixed.map((t, i) => ({
    ink: placeOf(desk, t.code, `fixed[${i}].code`),
    coats: t.coats,
  }));
  if (fixed.length > input.tones)
    throw new BadInput([
      { path: "fixed", expected: `expected at most ${input.tones} tones to stay; there are ${fixed.length}` },
    ]);
  const ready = desk.inks.filter((_, i) => Number.isFinite(cost(i)) || fixed.some((f) => f.ink === i)).length;
  if (ready < input.tones)
    throw new BadInput([
      {
        path: "inks",
        expected: `expected at least ${input.tones} inks that are not dry for ${input.tones} tones; there are ${ready}`,
      },
    ]);
  const goal = goalOf(desk, input, input.tones);
  const unowned = (ink: number) => !!input.inks[ink]!.cost;
  const planned = yield* planGroups(desk, goal, input.top, {
    inkCost: cost,
    fixed,
    unowned,
    ...(input.purchases !== undefined && { purchases: input.purchases }),
  });
  const judged = planned.map((g) =>
    assessGroup(desk, g.tones, goal, (i) => Math.min(cost(i), MOST_COST), usable(input.inks)),
  );
  return { groups: judged.map((g, i) => groupOutput(desk, g, i ? judged[0] : undefined)) };
}

/** Cost of an ink that may not be planned with, in a group that has it all the same. */
const MOST_COST = 6;

/** What is to be said of a group that somebody chose. */
export function assess(input: AssessInput): { group: GroupOutput } {
  const desk = deskOf(input);
  const chosen = input.tones.map((t, i) => ({
    ink: placeOf(desk, t.code, `tones[${i}].code`),
    coats: t.coats,
  }));
  const goal = goalOf(desk, input, Math.max(FEWEST_TONES, chosen.length));
  const price = costOf(input.inks);
  return {
    group: groupOutput(
      desk,
      assessGroup(desk, chosen, goal, (i) => Math.min(price(i), MOST_COST), usable(input.inks)),
    ),
  };
}
