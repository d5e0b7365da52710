import type { Lab } from "@/core/colour/lab";
import type { Material } from "@/core/group/material";

/** A group that the demo studio keeps: planned from what it owns, on white card, for a colour. */
export interface DemoGroup {
  readonly name: string;
  readonly tags: readonly string[];
  readonly material: Material;
  readonly tones: number;
  readonly local: Lab;
  readonly contrast?: number;
  /** Whether a violet or blue goes beneath its shadow. */
  readonly underlay?: true;
  readonly notes?: string;
  /** How it came out on white card and on toned paper. */
  readonly verdicts?: readonly ["works" | "nearly" | "does not work", "works" | "nearly" | "does not work"];
}

export const demoGroups: readonly DemoGroup[] = [
  {
    name: "Skin, shell",
    tags: ["skin", "pale", "cool"],
    material: "skin",
    tones: 3,
    local: [89, 5, 7],
    contrast: 18,
    notes: "Barely there: paper is the light.",
    verdicts: ["works", "does not work"],
  },
  {
    name: "Skin, rose petal",
    tags: ["skin", "pale", "pink"],
    material: "skin",
    tones: 4,
    local: [82, 13, 11],
    verdicts: ["works", "nearly"],
  },
  {
    name: "Skin, warm sand",
    tags: ["skin", "light", "warm"],
    material: "skin",
    tones: 4,
    local: [78, 11, 20],
    verdicts: ["works", "works"],
  },
  {
    name: "Skin, olive light",
    tags: ["skin", "light", "olive"],
    material: "skin",
    tones: 4,
    local: [74, 6, 22],
    notes: "Keep pink out of the mids.",
  },
  {
    name: "Skin, terracotta",
    tags: ["skin", "medium", "warm"],
    material: "skin",
    tones: 4,
    local: [66, 17, 24],
    verdicts: ["works", "works"],
  },
  { name: "Skin, olive", tags: ["skin", "medium", "olive"], material: "skin", tones: 4, local: [58, 10, 24] },
  {
    name: "Skin, chestnut",
    tags: ["skin", "deep", "warm"],
    material: "skin",
    tones: 4,
    local: [47, 15, 21],
    underlay: true,
    verdicts: ["works", "nearly"],
  },
  {
    name: "Skin, deep with violet",
    tags: ["skin", "deep", "violet"],
    material: "skin",
    tones: 4,
    local: [38, 14, 14],
    underlay: true,
    notes: "Start the violet bolder than feels right.",
  },
  {
    name: "Skin, night walnut",
    tags: ["skin", "very deep"],
    material: "skin",
    tones: 4,
    local: [30, 9, 9],
    underlay: true,
    notes: "More coats, more blending; blush deep and dabbed.",
  },
  { name: "Hair, tow", tags: ["hair", "pale"], material: "hair", tones: 4, local: [80, 5, 28] },
  { name: "Hair, fox", tags: ["hair", "red"], material: "hair", tones: 4, local: [55, 28, 38] },
  {
    name: "Hair, hazel",
    tags: ["hair", "brown"],
    material: "hair",
    tones: 4,
    local: [46, 10, 20],
    verdicts: ["works", "works"],
  },
  { name: "Hair, peat", tags: ["hair", "brown", "dark"], material: "hair", tones: 4, local: [32, 6, 9] },
  {
    name: "Hair, raven over blue",
    tags: ["hair", "black"],
    material: "black",
    tones: 4,
    local: [34, 0, -6],
    underlay: true,
    notes: "Leave the lights as paper.",
  },
  { name: "Hair, silver braid", tags: ["hair", "grey"], material: "hair", tones: 4, local: [66, 0, -2] },
  { name: "Green, spring reed", tags: ["greens", "leaf"], material: "leaf", tones: 4, local: [74, -9, 38] },
  {
    name: "Green, fern in sun",
    tags: ["greens", "leaf"],
    material: "leaf",
    tones: 4,
    local: [60, -17, 22],
    verdicts: ["works", "nearly"],
  },
  {
    name: "Green, pine shade",
    tags: ["greens", "leaf", "dark"],
    material: "leaf",
    tones: 4,
    local: [42, -16, 12],
  },
  {
    name: "White, linen in shade",
    tags: ["whites", "cool"],
    material: "white cloth",
    tones: 3,
    local: [82, 0, -6],
    contrast: 20,
  },
  {
    name: "White, wool by lamp",
    tags: ["whites", "warm"],
    material: "white cloth",
    tones: 3,
    local: [88, 1, 9],
    contrast: 20,
  },
  { name: "Metal, brass", tags: ["metals", "warm"], material: "metal", tones: 5, local: [64, 8, 44] },
  {
    name: "Metal, tin",
    tags: ["metals", "cool"],
    material: "metal",
    tones: 5,
    local: [60, 0, -6],
    verdicts: ["works", "works"],
  },
  { name: "Metal, old copper", tags: ["metals", "warm"], material: "metal", tones: 5, local: [52, 20, 24] },
  { name: "Sea under cloud", tags: ["water", "blue"], material: "other", tones: 4, local: [60, -8, -18] },
];
