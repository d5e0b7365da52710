import type { School } from "./school";

/** What an area is made of. */
export const MATERIALS = [
  "skin",
  "hair",
  "fur",
  "white cloth",
  "black",
  "cloth",
  "metal",
  "glass",
  "leaf",
  "fruit",
  "wood",
  "ground shadow",
  "other",
] as const;
export type Material = (typeof MATERIALS)[number];

export interface MaterialHabit {
  readonly school: School;
  /** Why this school. */
  readonly why: string;
  /** Tones more or less than an area of this size would get. */
  readonly moreTones: number;
  /** Share of the natural contrast that suits it. */
  readonly contrast: number;
}

export const MATERIAL_HABITS: Readonly<Record<Material, MaterialHabit>> = {
  skin: {
    school: "light first",
    why: "Skin is blended softly, and the lightest tone over all unifies it.",
    moreTones: 0,
    contrast: 0.9,
  },
  hair: {
    school: "dark first",
    why: "Flicks from root and tip keep the direction of growth, and the highlight across it stays paper.",
    moreTones: 1,
    contrast: 1.15,
  },
  fur: {
    school: "dark second",
    why: "The dark goes in while the base is wet, so tufts stay soft where they overlap.",
    moreTones: 0,
    contrast: 1,
  },
  "white cloth": {
    school: "layered",
    why: "Most of it stays paper; pale layers on dry ones keep the folds crisp.",
    moreTones: -1,
    contrast: 0.6,
  },
  black: {
    school: "dark first",
    why: "Black is greys from dark to light; over-blending would close the lights.",
    moreTones: 1,
    contrast: 1.2,
  },
  cloth: {
    school: "light first",
    why: "Folds are soft: flood, darken, blend back.",
    moreTones: 0,
    contrast: 1,
  },
  metal: {
    school: "middle out",
    why: "Metal wants hard lights: the middle first, with white left for the glint.",
    moreTones: 1,
    contrast: 1.3,
  },
  glass: {
    school: "layered",
    why: "Very pale first, crisp second layers when dry.",
    moreTones: -1,
    contrast: 0.7,
  },
  leaf: {
    school: "dark second",
    why: "The dark sits in the fold of the leaf at once and is stepped back to the light.",
    moreTones: 0,
    contrast: 1,
  },
  fruit: {
    school: "dark second",
    why: "A round form: shadow early, then lighter tones pull it round.",
    moreTones: 0,
    contrast: 1,
  },
  wood: { school: "light first", why: "The grain is laid into an even base.", moreTones: 0, contrast: 0.9 },
  "ground shadow": {
    school: "layered",
    why: "Two or three flat tones over dry neighbours, last of all.",
    moreTones: -1,
    contrast: 0.7,
  },
  other: { school: "light first", why: "The school with the most control.", moreTones: 0, contrast: 1 },
};

/** Areas in mm² up to which a number of tones suits, from tiny to small and so on. */
const TONES_BY_SIZE: readonly (readonly [mm2: number, tones: number])[] = [
  [40, 2],
  [250, 3],
  [4000, 4],
  [Infinity, 5],
];

/**
 * Number of tones (2–6) that suits an area.
 * @param mm2 size in mm²; null when it is not known
 */
export function tonesFor(material: Material, mm2: number | null): number {
  const bySize = mm2 === null ? 4 : TONES_BY_SIZE.find(([most]) => mm2 <= most)![1];
  const wanted = bySize + (bySize > 2 ? MATERIAL_HABITS[material].moreTones : 0);
  return Math.min(6, Math.max(2, wanted));
}
