import type { Material } from "@/core/group/material";
import { nearestOf } from "@/core/picture/distance";
import type { Form } from "./form";
import { coarser, extentsOf, type Extent, type Ground } from "./ground";
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
  /** Sides of the picture that it runs out to, and its share of the picture's frame; none of what is scattered. */
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
/** Share of an area that its largest part has where the area is one thing. */
const MOST_OF = 0.5;
/** Most pixels in the boxes round all areas. */
const MOST_IN_BOXES = 4e6;
/** How strongly polished things mirror what is around them. */
const SHINE: Partial<Record<Material, number>> = { metal: 0.6, glass: 0.4 };

/** Words of a name that tell a form whatever the material is. */
const NAMED: readonly (readonly [RegExp, FormProposal["set"]])[] = [
  [/\b(sky|sea|background|ground|floor|lawn|meadow|water|horizon)s?\b/, { kind: "flat", stands: 0 }],
  [/\b(wall|window|door|board|table|paper|card|page|sign|flag|panel|roof)s?\b/, { kind: "flat" }],
  [
    /\b(mast|pole|post|stem|stalk|trunk|branch|branche|twig|rope|pipe|handle|chimney|tail|string|candle|pencil)s?\b/,
    { kind: "tube", height: 1 },
  ],
  [/\b(arm|leg|neck|finger|thumb|sleeve|scarf|strap|belt|strand|braid)s?\b/, { kind: "tube" }],
  [
    /\b(skirt|coat|dress|cloak|curtain|cape|robe|sail|apron|trouser|shirt|blanket|tent)s?\b/,
    { kind: "folded" },
  ],
  [
    /\b(ball|apple|orange|plum|cherry|berry|berrie|moon|sun|eye|head|face|cheek|nose|pumpkin)s?\b/,
    { kind: "ball" },
  ],
];

/**
 * How each area of a ground lies on the sheet, in the order of the areas; those of no pixel have no size. What an area encloses dents its form
 * no more than a porthole does a hull, and of several parts the largest tells. Linear in the pixels: where the boxes round the areas lie over
 * each other all too much, all is looked at more coarsely.
 */
export function areaShapes(whole: Ground): AreaShape[] {
  const boxes = extentsOf(whole).reduce(
    (sum, { box: [left, top, right, bottom] }) => sum + Math.max(0, right - left) * Math.max(0, bottom - top),
    0,
  );
  const ground = coarser(whole, Math.ceil(Math.sqrt(boxes / MOST_IN_BOXES)));
  const { width, height, count, mmPerPixel } = ground;
  const edges = frameOf(ground);
  const extents = extentsOf(ground);
  return Array.from({ length: count }, (_, a): AreaShape => {
    const { pixels } = extents[a]!;
    const { sides, frame } = edges[a]!;
    const mm2 = pixels * mmPerPixel ** 2;
    if (!pixels) return { mm2, reach: 0, slender: 0, filled: 0, sides, frame };
    const part = largestPart(ground, a, extents[a]!);
    // Pebbles all over a beach are no background, wherever the last of them lie.
    const isOne = part.pixels >= MOST_OF * pixels;
    const { squared } = nearestOf(
      Uint8Array.from(part.own, (v) => (v ? 1 : 0)),
      part.width,
      part.height,
    );
    let deepest = 0;
    for (let p = 0; p < part.own.length; p++)
      if (!part.own[p] && squared[p]! > deepest) deepest = squared[p]!;
    // A pixel's middle lies half of one inside.
    const far = Math.min(Math.sqrt(deepest) - 0.5, Math.max(width, height) / 2);
    const reach = Math.max(0.5, far) * mmPerPixel;
    return {
      mm2,
      reach,
      slender: (part.pixels * mmPerPixel ** 2) / (4 * reach * reach),
      filled: filledShare(part),
      sides: isOne ? sides : 0,
      frame: isOne ? frame : 0,
    };
  });
}

/** Sides of the picture that each area runs out to, and its share of the frame. */
function frameOf({ width, height, own, count }: Ground) {
  const reached = Array.from({ length: count }, () => new Set<number>());
  const along = new Int32Array(count);
  const see = (side: number, p: number) => {
    const a = own[p]!;
    if (a < 0) return;
    reached[a]!.add(side);
    along[a]!++;
  };
  for (let x = 0; x < width; x++) {
    see(0, x);
    see(1, (height - 1) * width + x);
  }
  for (let y = 0; y < height; y++) {
    see(2, y * width);
    see(3, y * width + width - 1);
  }
  return reached.map((sides, a) => ({ sides: sides.size, frame: along[a]! / (2 * (width + height)) }));
}

/** A part of an area in a box of its own with a margin of one pixel: 0 where it is, −1 elsewhere. */
interface Part {
  readonly width: number;
  readonly height: number;
  readonly own: Int16Array;
  readonly pixels: number;
}

/** The largest part of an area, with what it encloses. */
function largestPart({ width, own }: Ground, area: number, { box }: Extent): Part {
  const [left, top, right, bottom] = box;
  const [w, h] = [right - left + 2, bottom - top + 2];
  // 0 not yet seen, 1 outside, 2 and more a part.
  const seen = new Int32Array(w * h);
  const isArea = new Uint8Array(w * h);
  for (let y = top; y < bottom; y++)
    for (let x = left; x < right; x++)
      if (own[y * width + x] === area) isArea[(y - top + 1) * w + x - left + 1] = 1;
  const queue = new Int32Array(w * h);
  const spread = (start: number, mark: number, within: (p: number) => boolean): number => {
    let [next, end] = [0, 1];
    queue[0] = start;
    seen[start] = mark;
    while (next < end) {
      const p = queue[next++]!;
      const x = p % w;
      for (const q of [x ? p - 1 : -1, x + 1 < w ? p + 1 : -1, p - w, p + w])
        if (q >= 0 && q < seen.length && !seen[q] && within(q)) {
          seen[q] = mark;
          queue[end++] = q;
        }
    }
    return end;
  };
  spread(0, 1, (q) => !isArea[q]);
  let [best, most, mark] = [0, 0, 1];
  for (let p = 0; p < seen.length; p++)
    if (!seen[p]) {
      const pixels = spread(p, ++mark, () => true);
      if (pixels > most) [best, most] = [mark, pixels];
    }
  return { width: w, height: h, own: Int16Array.from(seen, (v) => (v === best ? 0 : -1)), pixels: most };
}

/** Share of the box along its longest extent that a part fills. */
function filledShare(part: Part): number {
  const { width, height, own, pixels } = part;
  const axis = longestAxis(part, 0, { box: [0, 0, width, height] });
  const [c, s] = [Math.cos(axis), -Math.sin(axis)];
  let [u0, u1, v0, v1] = [Infinity, -Infinity, Infinity, -Infinity];
  for (let y = 0, p = 0; y < height; y++)
    for (let x = 0; x < width; x++, p++) {
      if (own[p]) continue;
      const [u, v] = [x * c + y * s, y * c - x * s];
      if (u < u0) u0 = u;
      if (u > u1) u1 = u;
      if (v < v0) v0 = v;
      if (v > v1) v1 = v;
    }
  // Pixels have a size of their own, which is larger across a turned box.
  const pixel = Math.abs(c) + Math.abs(s);
  return Math.min(1, pixels / ((u1 - u0 + pixel) * (v1 - v0 + pixel)));
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
