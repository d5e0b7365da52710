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
  /** Tones more or less than an area of this size would get. */
  readonly moreTones: number;
  /** Share of the natural contrast that suits it. */
  readonly contrast: number;
}

export const MATERIAL_HABITS: Readonly<Record<Material, MaterialHabit>> = {
  skin: {
    school: "light first",
    moreTones: 0,
    contrast: 0.9,
  },
  hair: {
    school: "dark first",
    moreTones: 1,
    contrast: 1.15,
  },
  fur: {
    school: "dark second",
    moreTones: 0,
    contrast: 1,
  },
  "white cloth": {
    school: "layered",
    moreTones: -1,
    contrast: 0.6,
  },
  black: {
    school: "dark first",
    moreTones: 1,
    contrast: 1.2,
  },
  cloth: {
    school: "light first",
    moreTones: 0,
    contrast: 1,
  },
  metal: {
    school: "middle out",
    moreTones: 1,
    contrast: 1.3,
  },
  glass: {
    school: "layered",
    moreTones: -1,
    contrast: 0.7,
  },
  leaf: {
    school: "dark second",
    moreTones: 0,
    contrast: 1,
  },
  fruit: {
    school: "dark second",
    moreTones: 0,
    contrast: 1,
  },
  wood: { school: "light first", moreTones: 0, contrast: 0.9 },
  "ground shadow": {
    school: "layered",
    moreTones: -1,
    contrast: 0.7,
  },
  other: { school: "light first", moreTones: 0, contrast: 1 },
};

/** Areas in mm² up to which a number of tones suits, from tiny to small and so on. */
const TONES_BY_SIZE: readonly (readonly [mm2: number, tones: number])[] = [
  [40, 2],
  [250, 3],
  [4000, 4],
  [Infinity, 5],
];

export const AREA_SIZES = ["tiny", "small", "medium", "large"] as const;
export type AreaSize = (typeof AREA_SIZES)[number];

/** What somebody who colours would call an area of so many mm²: by how many tones it bears. */
export const areaSizeOf = (mm2: number): AreaSize =>
  AREA_SIZES[TONES_BY_SIZE.findIndex(([most]) => mm2 <= most)]!;

/**
 * Number of tones (2–6) that suits an area.
 * @param mm2 size in mm²; null when it is not known
 */
export function tonesFor(material: Material, mm2: number | null): number {
  const bySize = mm2 === null ? 4 : TONES_BY_SIZE.find(([most]) => mm2 <= most)![1];
  const wanted = bySize + (bySize > 2 ? MATERIAL_HABITS[material].moreTones : 0);
  return Math.min(6, Math.max(2, wanted));
}
