import { readColour, type ColourInput } from "@/border/colour";
import {
  Codes,
  List,
  Nullable,
  One,
  OneOf,
  Optional,
  Target,
  WholeOr,
  Within,
  type TargetInput,
} from "@/border/fields";
import { wrong } from "@/border/problem";
import { SHEET, SheetInput } from "@/border/sheet";
import { DriftInput, TONE, ToneInput } from "@/border/tone";
import { closeness, deltaE00, type Closeness } from "@/core/colour/delta-e00";
import { displayLab } from "@/core/colour/display";
import type { Lab } from "@/core/colour/lab";
import type { Advice } from "@/core/group/advice";
import type { AssessedGroup } from "@/core/group/assess";
import type { Asked } from "@/core/group/chosen";
import { groupGoal, type GoalWish, type GroupTarget } from "@/core/group/goal";
import { inkOfPass, laidAt, type GroupPass } from "@/core/group/lay";
import { MATERIALS, MATERIAL_HABITS, tonesFor, type Material } from "@/core/group/material";
import { inksOf } from "@/core/group/plan";
import { SCHOOLS, type School } from "@/core/group/school";
import type { FixedTone } from "@/core/group/search";
import { SHADOW_WAYS, type ShadowWay, type ShapeWish } from "@/core/group/shapes";
import type { Verdict } from "@/core/group/step";
import { FEWEST_TONES, MOST_TONES, type Role } from "@/core/group/tone";
import { groupStrip } from "@/core/group/weigh";
import { isMeasured, knowledgeOf, seenLab, type Knowledge, type Stack } from "@/core/ink/desk";
import { MOST_ON_RACK } from "@/core/stock/kinds";
import { adviceInWords } from "@/words/advice";
import { differenceInWords } from "@/words/difference";
import { isReady, judgedCost } from "./cost";
import type { OpenDesk } from "./desk";
import { AmongOwned } from "./operation";
import { seen, type SeenColour } from "./seen";

/** Most tones that are found where the number is left open. */
const MOST_FOUND = 5;

/** What a group should reach, and how it is laid. */
export class GroupWish extends AmongOwned {
  @Target() target!: TargetInput;
  @Nullable() @Within(4, 90, "L*") contrast?: number | null;
  @Optional() @OneOf(MATERIALS) material: Material = "other";
  @Optional() @One(() => DriftInput, 'expected {"light","shadow"}') drift?: DriftInput;
  /** The material's habit when it is left out. */
  @Nullable() @OneOf(SCHOOLS) school?: School | null;
  @Optional() @One(() => SheetInput, SHEET) sheet: SheetInput = new SheetInput();
}

/** A {@link GroupWish} of an area that is planned. */
export class PlanWish extends GroupWish {
  @Optional() @WholeOr("auto", FEWEST_TONES, MOST_TONES) tones: number | "auto" = 4;
  @Optional() @OneOf(SHADOW_WAYS) shadow: ShadowWay = "deeper";
  /** Size of the area: small ones get few tones where the number is left open. */
  @Nullable() @Within(1, 1e6, "mm²") mm2?: number | null;
  /** Tones that stay; the rest is planned around them. */
  @Optional() @List(() => ToneInput, 0, MOST_TONES, TONE) fixed: ToneInput[] = [];
  /** Codes that must not be used. */
  @Optional() @Codes(0, MOST_ON_RACK) exclude: string[] = [];
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

/** One time over part of the area. */
export interface PassOutput {
  readonly code: string;
  readonly coats: number;
  /** Shares of the area, from its lightest end. */
  readonly from: number;
  readonly to: number;
  readonly wet: boolean;
  readonly kind: GroupPass["kind"];
}

/** What lies and what is seen at a place of the area. */
export interface PlaceOutput extends SeenColour {
  readonly name: "light" | "tone" | "shadow";
  readonly t: number;
  /** First pass first. */
  readonly stack: readonly { readonly code: string; readonly coats: number }[];
  /** What is wanted there. */
  readonly goal: Lab;
  readonly deltaE00: number;
}

export interface GroupOutput {
  readonly school: School;
  /** Each alone on the paper: its own stroke. */
  readonly tones: readonly ToneOutput[];
  /** Between the tones as laid, and from the last one to the shadow end where that is another place. */
  readonly steps: readonly StepOutput[];
  /** The tone that carries the local colour, from 0. */
  readonly local: number;
  readonly localColourDeltaE00: number;
  readonly localCloseness: Closeness;
  readonly score: number;
  /** L* from the light end to the shadow end, as laid. */
  readonly contrast: number;
  readonly advice: readonly (Advice & { readonly message: string })[];
  /** How it differs from the first group, in words; empty for the first. */
  readonly difference: string;
  /** What one sees after each tone, in the order of laying. */
  readonly build: readonly BuildOutput[];
  /** What lies under or over the shadow end. */
  readonly shade: readonly {
    readonly kind: "underlay" | "overlay";
    readonly code: string;
    readonly coats: number;
  }[];
  readonly passes: readonly PassOutput[];
  /** Light end, the middle of each tone, shadow end. */
  readonly places: readonly PlaceOutput[];
  /** The area as it will lie on the paper, from its lightest end to its darkest. */
  readonly strip: readonly string[];
  /** Most coats anywhere, and what the paper holds. */
  readonly mostCoats: number;
  readonly capacity: number;
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

/** What else is asked of a wish's goals. */
const goalWishOf = ({ contrast, material, drift }: GroupWish, emphasis: boolean): GoalWish => ({
  contrast: contrast ?? undefined,
  contrastShare: MATERIAL_HABITS[material].contrast * (emphasis ? EMPHASIS : 1),
  ...(drift && { drift }),
});

export const schoolOf = ({ school, material }: GroupWish): School =>
  school ?? MATERIAL_HABITS[material].school;

/** How a chosen group of so many tones is laid and judged. */
export function askedOf(open: OpenDesk, wish: GroupWish, tones: number): Asked {
  const target = targetOf(open, wish.target);
  const goalWish = { ...goalWishOf(wish, false), naturalFor: tones };
  return {
    school: schoolOf(wish),
    capacity: wish.sheet.capacity,
    goalOf: (places, local) => groupGoal(target, places, open.desk.paper.lab, goalWish, local),
    inkCost: judgedCost(open),
    owned: isReady(open),
  };
}

/** What a planned group may be. */
export const shapeWishOf = (open: OpenDesk, wish: PlanWish, emphasis = false): ShapeWish => ({
  target: targetOf(open, wish.target),
  wish: goalWishOf(wish, emphasis),
  paper: open.desk.paper.lab,
  tones: wish.tones,
  mostTones: Math.min(MOST_FOUND, tonesFor(wish.material, wish.mm2 ?? null) + (wish.mm2 ? 0 : 1)),
  school: schoolOf(wish),
  shadow: wish.shadow,
  capacity: wish.sheet.capacity,
});

/** Tones of a wish that stay, as places on the desk. */
export function fixedOf({ placeOf }: OpenDesk, { fixed, tones }: PlanWish, path = ""): FixedTone[] {
  const most = tones === "auto" ? MOST_TONES : tones;
  if (fixed.length > most)
    throw wrong(`${path}fixed`, `expected at most ${most} tones to stay; there are ${fixed.length}`);
  return fixed.map((t, i) => {
    if (fixed.findIndex((f) => f.code === t.code) < i)
      throw wrong(`${path}fixed[${i}].code`, `expected a code of its own: "${t.code}" stands there twice`);
    return { ink: placeOf(t.code, `${path}fixed[${i}].code`), coats: t.coats };
  });
}

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
  capacity: number,
  first?: AssessedGroup,
  laid: readonly { readonly ink: number; readonly coats: number }[] = group.tones,
): GroupOutput {
  const { desk } = open;
  const { inks, laying, passes, places, goal } = group;
  const code = (ink: number) => desk.inks[ink]!.code;
  const wanted = (n: number): Lab =>
    n === 0 ? goal.light : n === places.length - 1 ? goal.shadow : goal.places[n - 1]!;
  const shade = (kind: "underlay" | "overlay", list: readonly number[], coats: readonly number[]) =>
    list.map((ink, i) => ({ kind, code: code(ink), coats: coats[i]! }));
  return {
    school: laying.school,
    tones: group.tones.map((t) => ({
      code: code(t.ink),
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
    local: laying.local,
    localColourDeltaE00: group.localColourDeltaE00,
    localCloseness: closeness(group.localColourDeltaE00),
    score: group.score,
    contrast: spanOf(group),
    advice: group.advice.map((a) => ({ ...a, message: adviceInWords(a) })),
    difference: first ? differenceInWords(differenceOf(first, group)) : "",
    build: buildUp(
      open,
      laid,
      inks.under.flatMap((ink, i) => coatsOf({ ink, coats: laying.under[i]! })),
    ),
    shade: [...shade("underlay", inks.under, laying.under), ...shade("overlay", inks.over, laying.over)],
    passes: passes.map((p) => ({
      code: code(inkOfPass(p, inks)),
      coats: p.coats,
      from: p.from,
      to: p.to,
      wet: p.wet,
      kind: p.kind,
    })),
    places: places.map((p, n): PlaceOutput => {
      const colour = wanted(n);
      return {
        name: n === 0 ? "light" : n === places.length - 1 ? "shadow" : "tone",
        t: p.t,
        stack: laidAt(passes, inks, p.t).map((c) => ({ code: code(c.ink), coats: c.coats })),
        ...seen(p.lab),
        goal: colour,
        deltaE00: deltaE00(p.lab, colour),
      };
    }),
    strip: groupStrip(desk, passes, inks).map((lab) => displayLab(lab).hex),
    mostCoats: group.mostCoats,
    capacity,
  };
}

const spanOf = ({ zones }: AssessedGroup) => zones[0]!.lab[0] - zones.at(-1)!.lab[0];
const mean = ({ zones }: AssessedGroup, of: (lab: Lab) => number) =>
  zones.reduce((sum, t) => sum + of(t.lab), 0) / zones.length;

/** How a group differs from another as laid: contrast (L*), warmth (b* + ½a*, what painters call warm), chroma, markers, and the way it is made. */
export interface Difference {
  readonly contrast: number;
  readonly warmth: number;
  readonly chroma: number;
  /** Markers in common, and more (positive) or fewer of them. */
  readonly shared: number;
  readonly markers: number;
  /** Mean ΔE00 along the area. */
  readonly apart: number;
  /** Its school, where that is another. */
  readonly school?: School;
  /** How it makes its shadow end, where that is another way. */
  readonly shadow?: "deeper" | "underlay" | "overlay";
}

const shadowWayOf = ({ inks }: AssessedGroup) =>
  inks.under.length ? "underlay" : inks.over.length ? "overlay" : "deeper";

function differenceOf(first: AssessedGroup, other: AssessedGroup): Difference {
  const warmth = (lab: Lab) => lab[2] + lab[1] / 2;
  const purity = (lab: Lab) => Math.hypot(lab[1], lab[2]);
  const [mine, theirs] = [inksOf(other), inksOf(first)];
  const at = (g: AssessedGroup, t: number): Lab =>
    g.places.reduce((near, p) => (Math.abs(p.t - t) < Math.abs(near.t - t) ? p : near)).lab;
  return {
    contrast: spanOf(other) - spanOf(first),
    warmth: mean(other, warmth) - mean(first, warmth),
    chroma: mean(other, purity) - mean(first, purity),
    shared: mine.filter((ink) => theirs.includes(ink)).length,
    markers: mine.length - theirs.length,
    apart: other.places.reduce((sum, p) => sum + deltaE00(p.lab, at(first, p.t)), 0) / other.places.length,
    ...(other.laying.school !== first.laying.school && { school: other.laying.school }),
    ...(shadowWayOf(other) !== shadowWayOf(first) && { shadow: shadowWayOf(other) }),
  };
}
