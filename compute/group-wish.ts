import { AreaShares } from "@/border/area-shares";
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
import type { Asked } from "@/core/group/chosen";
import { groupGoal, type GoalWish, type GroupTarget } from "@/core/group/goal";
import { MATERIALS, MATERIAL_HABITS, tonesFor, type Material } from "@/core/group/material";
import { SCHOOLS, type School } from "@/core/group/school";
import type { FixedTone } from "@/core/group/search";
import { SHADOW_WAYS, type ShadowWay, type ShapeWish } from "@/core/group/shapes";
import { FEWEST_TONES, MOST_TONES } from "@/core/group/tone";
import { MOST_ON_RACK } from "@/core/stock/kinds";
import { isReady, judgedCost } from "./cost";
import type { OpenDesk } from "./desk";
import { AmongOwned } from "./operation";

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
  /** How the area is divided from its light end to its dark one, as a tone map tells it; evenly when it is left out. */
  @Nullable() @AreaShares() shares?: number[] | null;
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

/** An area that should stand out has this much more contrast, where none was read or asked for. */
const EMPHASIS = 1.25;

/** What else is asked of a wish's goals. */
const goalWishOf = ({ contrast, material, drift, shares }: GroupWish, emphasis: boolean): GoalWish => ({
  contrast: contrast ?? undefined,
  contrastShare: MATERIAL_HABITS[material].contrast * (emphasis ? EMPHASIS : 1),
  ...(drift && { drift }),
  ...(shares && { shares }),
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
