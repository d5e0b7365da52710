import { readColour, type ColourInput } from "@/border/colour";
import { MATERIALS, MATERIAL_HABITS, type Material } from "@/core/group/material";
import { Nullable, One, OneOf, Optional, Target, Within, type TargetInput } from "@/border/fields";
import { DriftInput } from "@/border/tone";
import { closeness, deltaE00, type Closeness } from "@/core/colour/delta-e00";
import type { Lab } from "@/core/colour/lab";
import type { Advice } from "@/core/group/advice";
import type { AssessedGroup } from "@/core/group/assess";
import { groupGoal, type GroupGoal, type GroupTarget } from "@/core/group/goal";
import type { Verdict } from "@/core/group/step";
import type { Role } from "@/core/group/tone";
import { isMeasured, knowledgeOf, seenLab, type Knowledge, type Stack } from "@/core/ink/desk";
import { adviceInWords } from "@/words/advice";
import { differenceInWords } from "@/words/difference";
import type { OpenDesk } from "./desk";
import { AmongOwned } from "./operation";
import { seen, type SeenColour } from "./seen";

/** What a group should reach. */
export class GroupWish extends AmongOwned {
  @Target() target!: TargetInput;
  @Nullable() @Within(4, 90, "L*") contrast?: number | null;
  @Optional() @OneOf(MATERIALS) material: Material = "other";
  @Optional() @One(() => DriftInput, 'expected {"light","shadow"}') drift?: DriftInput;
}

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

/** What one sees after a tone has been laid over all that came before it. */
export interface BuildOutput extends SeenColour {
  readonly code: string;
  readonly knowledge: Knowledge;
}

export interface GroupOutput {
  readonly tones: readonly ToneOutput[];
  readonly steps: readonly StepOutput[];
  readonly localColourDeltaE00: number;
  readonly localCloseness: Closeness;
  readonly score: number;
  readonly contrast: number;
  readonly advice: readonly (Advice & { readonly message: string })[];
  /** How it differs from the first group, in words; empty for the first. */
  readonly difference: string;
  /** What one sees after each tone, in the order of laying. */
  readonly build: readonly BuildOutput[];
}

/** A target as it looks in the desk's light. */
export function targetOf({ labOf }: OpenDesk, target: TargetInput): GroupTarget {
  if (readColour(target)) return { local: labOf(target as ColourInput) };
  const { light, local, shadow } = target as {
    light?: ColourInput;
    local: ColourInput;
    shadow?: ColourInput;
  };
  return {
    local: labOf(local),
    ...(light && { light: labOf(light) }),
    ...(shadow && { shadow: labOf(shadow) }),
  };
}

/** An area that should pop has this much more contrast, where none was read or asked for. */
const EMPHASIS = 1.25;

/** What a wish asks of a group of so many tones. */
export const goalOf = (open: OpenDesk, wish: GroupWish, tones: number, emphasis = false): GroupGoal =>
  groupGoal(targetOf(open, wish.target), tones, open.desk.paper.lab, {
    contrast: wish.contrast ?? undefined,
    contrastShare: MATERIAL_HABITS[wish.material].contrast * (emphasis ? EMPHASIS : 1),
    ...(wish.drift && { drift: wish.drift }),
  });

export const coatsOf = ({ ink, coats }: { readonly ink: number; readonly coats: number }): number[] =>
  Array<number>(coats).fill(ink);

/** Colours of a build-up: after each tone, over what lies beneath. */
export function buildUp(
  { desk }: OpenDesk,
  tones: readonly { readonly ink: number; readonly coats: number }[],
  beneath: Stack = [],
): BuildOutput[] {
  let stack: Stack = beneath;
  return tones.map((t) => {
    stack = [...stack, ...coatsOf(t)];
    return {
      code: desk.inks[t.ink]!.code,
      ...seen(seenLab(desk, stack)),
      knowledge: knowledgeOf(desk, stack),
    };
  });
}

/**
 * Everything that is shown of a group.
 * @param laid tones in the order of laying; light to dark when it is left out
 */
export function groupOutput(
  open: OpenDesk,
  group: AssessedGroup,
  first?: AssessedGroup,
  laid: readonly { readonly ink: number; readonly coats: number }[] = group.tones,
  beneath: Stack = [],
): GroupOutput {
  const { desk } = open;
  return {
    tones: group.tones.map((t) => ({
      code: desk.inks[t.ink]!.code,
      coats: t.coats,
      role: t.role,
      ...seen(t.lab),
      measured: isMeasured(desk, coatsOf(t)),
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
    contrast: spanOf(group),
    advice: group.advice.map((a) => ({ ...a, message: adviceInWords(a) })),
    difference: first ? differenceInWords(differenceOf(first, group)) : "",
    build: buildUp(open, laid, beneath),
  };
}

type Tones = readonly { readonly ink: number; readonly lab: Lab }[];
const spanOf = ({ tones }: { readonly tones: Tones }) => tones[0]!.lab[0] - tones.at(-1)!.lab[0];
const mean = (tones: Tones, of: (lab: Lab) => number) =>
  tones.reduce((sum, t) => sum + of(t.lab), 0) / tones.length;

/** How a group differs from another: contrast (L*), warmth (b* + ½a*, what painters call warm), chroma, markers in common, mean ΔE00. */
export interface Difference {
  readonly contrast: number;
  readonly warmth: number;
  readonly chroma: number;
  readonly shared: number;
  /** Undefined when the groups have other numbers of tones. */
  readonly apart: number | undefined;
}

function differenceOf(first: AssessedGroup, other: AssessedGroup): Difference {
  const [a, b] = [first.tones, other.tones];
  const warmth = (lab: Lab) => lab[2] + lab[1] / 2;
  const purity = (lab: Lab) => Math.hypot(lab[1], lab[2]);
  return {
    contrast: spanOf(other) - spanOf(first),
    warmth: mean(b, warmth) - mean(a, warmth),
    chroma: mean(b, purity) - mean(a, purity),
    shared: b.filter((t) => a.some((f) => f.ink === t.ink)).length,
    apart:
      a.length === b.length
        ? b.reduce((sum, t, i) => sum + deltaE00(t.lab, a[i]!.lab), 0) / b.length
        : undefined,
  };
}
