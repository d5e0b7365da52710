import type { Material } from "@/core/group/material";
import { nearestOf } from "@/core/picture/distance";
import type { Form } from "./form";
import { extentsOf, type Ground } from "./ground";
import { longestAxis } from "./value-field";

/** How an area lies on the sheet. */
export interface AreaShape {
  readonly mm2: number;
  /** Radius of the largest disc that fits in it, mm. */
  readonly reach: number;
  /** How many times as long as wide it is, however it bends: its mm² over the square round that disc. */
  readonly slender: number;
  /** Share of the box round it, along its own longest extent, that it fills: 1 a rectangle, π/4 an ellipse, ½ a triangle. */
  readonly filled: number;
  /** Sides of the picture that it runs out to, and its share of the picture's frame. */
  readonly sides: number;
  readonly frame: number;
}

/** Why a form is proposed: what the area is made of, what it is called, how it lies. */
export type FormReason = "material" | "name" | "background" | "slender" | "square" | "round";

export interface FormProposal {
  readonly set: Pick<Form, "kind"> & Partial<Pick<Form, "height" | "shine" | "stands">>;
  readonly reason: FormReason;
}

/** Slenderness from which an area is a tube, and from which what is built of tubes (limbs, masts, strands) is one. */
const [SLENDER, LIMB] = [4, 2.2] as const;
/** Half as wide as a tube may be, mm: wider strips are walls and ways. */
const WIDEST_TUBE = 14;
/** A flat thing fills so much of its box, and is no smaller than this, mm². */
const [SQUARE, LEAST_SQUARE] = [0.9, 60] as const;
/** Cloth of fewer mm², or narrower than this radius in mm, has no room for folds. */
const [LEAST_FOLDED, FOLDED_REACH] = [150, 4] as const;
/** A background runs out to so many sides, or has so much of the frame. */
const [BACK_SIDES, BACK_FRAME] = [3, 0.35] as const;
/** How strongly polished things mirror what is around them. */
const SHINE: Partial<Record<Material, number>> = { metal: 0.6, glass: 0.4 };

/** Words of a name that tell a form whatever the material is. */
const NAMED: readonly (readonly [RegExp, FormProposal["set"]])[] = [
  [/\b(sky|sea|background|ground|floor|lawn|meadow|water|horizon)\b/, { kind: "flat", stands: 0 }],
  [/\b(wall|walls|window|door|board|boards|table|paper|card|page|sign|flag|panel|roof)\b/, { kind: "flat" }],
  [
    /\b(mast|pole|post|stem|stalk|trunk|branch|twig|rope|pipe|handle|chimney|tail|string|candle|pencil)\b/,
    { kind: "tube", height: 1 },
  ],
  [/\b(arm|leg|neck|finger|thumb|sleeve|scarf|strap|belt|strand|braid)\b/, { kind: "tube" }],
  [
    /\b(skirt|coat|dress|cloak|curtain|cape|robe|sail|apron|trousers|shirt|blanket|tent)\b/,
    { kind: "folded" },
  ],
  [
    /\b(ball|apple|orange|plum|cherry|berry|moon|sun|eye|eyes|head|face|cheek|cheeks|nose|pumpkin)\b/,
    { kind: "ball" },
  ],
];

/**
 * How each area of a ground lies on the sheet, in the order of the areas; those of no pixel have no size. Linear in the pixels.
 */
export function areaShapes(ground: Ground): AreaShape[] {
  const { width, height, own, count, mmPerPixel } = ground;
  const extents = extentsOf(ground);
  const edge = new Uint8Array(own.length);
  const reached = new Uint8Array(count);
  const frame = new Int32Array(count);
  const at = (side: number, p: number) => {
    const a = own[p]!;
    if (a < 0) return;
    reached[a]! |= 1 << side;
    frame[a]!++;
  };
  for (let x = 0; x < width; x++) {
    at(0, x);
    at(1, (height - 1) * width + x);
  }
  for (let y = 0; y < height; y++) {
    at(2, y * width);
    at(3, y * width + width - 1);
  }
  for (let y = 0, p = 0; y < height; y++)
    for (let x = 0; x < width; x++, p++)
      if (
        own[p]! < 0 ||
        (x + 1 < width && own[p] !== own[p + 1]) ||
        (y + 1 < height && own[p] !== own[p + width])
      )
        edge[p] = 1;
  const { squared } = nearestOf(edge, width, height);
  const deepest = new Float64Array(count);
  for (let p = 0; p < own.length; p++) {
    const a = own[p]!;
    if (a >= 0 && squared[p]! > deepest[a]!) deepest[a] = squared[p]!;
  }
  return extents.map((extent, a): AreaShape => {
    const mm2 = extent.pixels * mmPerPixel ** 2;
    // What has no edge at all is as deep as the picture allows.
    const far = Math.min(Math.sqrt(deepest[a]!) + 0.5, Math.max(width, height) / 2);
    const reach = far * mmPerPixel;
    return {
      mm2,
      reach,
      slender: mm2 / (4 * reach * reach),
      filled: extent.pixels ? filledShare(ground, a, extent) : 0,
      sides: [0, 1, 2, 3].filter((side) => reached[a]! & (1 << side)).length,
      frame: frame[a]! / (2 * (width + height)),
    };
  });
}

/** Share of the box along its longest extent that an area fills. */
function filledShare(ground: Ground, area: number, extent: ReturnType<typeof extentsOf>[number]): number {
  const axis = longestAxis(ground, area, extent);
  const [c, s] = [Math.cos(axis), -Math.sin(axis)];
  const [left, top, right, bottom] = extent.box;
  let [u0, u1, v0, v1] = [Infinity, -Infinity, Infinity, -Infinity];
  for (let y = top; y < bottom; y++)
    for (let x = left; x < right; x++) {
      if (ground.own[y * ground.width + x] !== area) continue;
      const [u, v] = [x * c + y * s, y * c - x * s];
      if (u < u0) u0 = u;
      if (u > u1) u1 = u;
      if (v < v0) v0 = v;
      if (v > v1) v1 = v;
    }
  // Pixels have a size of their own, which is larger across a turned box.
  const pixel = Math.abs(c) + Math.abs(s);
  return Math.min(1, extent.pixels / ((u1 - u0 + pixel) * (v1 - v0 + pixel)));
}

/** The form that suits an area best: by its name and material, where they tell, else by how it lies. */
export function proposeForm(shape: AreaShape, material: Material, name: string): FormProposal {
  const shine = SHINE[material];
  const polished = shine === undefined ? {} : { shine };
  if (material === "ground shadow") return { set: { kind: "flat", stands: 0 }, reason: "material" };
  const words = name.toLowerCase();
  const named = NAMED.find(([word]) => word.test(words));
  if (named) return { set: { ...named[1], ...polished }, reason: "name" };
  if (shape.sides >= BACK_SIDES || shape.frame >= BACK_FRAME)
    return { set: { kind: "flat", stands: 0 }, reason: "background" };
  const folds = shape.mm2 >= LEAST_FOLDED && shape.reach >= FOLDED_REACH;
  switch (material) {
    case "cloth":
    case "white cloth":
      if (folds && shape.slender < SLENDER) return { set: { kind: "folded" }, reason: "material" };
      break;
    case "fruit":
      return { set: { kind: "ball", height: 0.9 }, reason: "material" };
    case "fur":
      return { set: { kind: "ball" }, reason: "material" };
    case "leaf":
      return { set: { kind: "ball", height: 0.3 }, reason: "material" };
    default:
  }
  const limb = material === "other" || material === "black" ? SLENDER : LIMB;
  if (shape.slender >= limb && shape.reach <= WIDEST_TUBE)
    return { set: { kind: "tube", ...polished }, reason: "slender" };
  const board = material !== "skin" && material !== "hair";
  if (board && shape.filled >= SQUARE && shape.mm2 >= LEAST_SQUARE)
    return { set: { kind: "flat", ...polished }, reason: "square" };
  return { set: { kind: "ball", ...polished }, reason: "round" };
}
