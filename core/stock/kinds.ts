/** What stands on the rack. Only markers are planned with; the others finish a piece or are kept apart. */
export const KINDS = [
  "marker",
  "pencil",
  "gel pen",
  "gouache",
  "paint marker",
  "liner",
  "blender",
  "water pen",
] as const;
/** Most things on one rack: as many as a desk may hold. */
export const MOST_ON_RACK = 6000;

export type Kind = (typeof KINDS)[number];

export type KindGroupName = "Markers" | "Pencils" | "Finishers" | "Water-based pens";

export interface KindGroup {
  readonly name: KindGroupName;
  readonly kinds: readonly Kind[];
}

/** Kinds as they are kept together. */
export const KIND_GROUPS: readonly KindGroup[] = [
  { name: "Markers", kinds: ["marker"] },
  { name: "Pencils", kinds: ["pencil"] },
  { name: "Finishers", kinds: ["gel pen", "gouache", "paint marker", "liner", "blender"] },
  { name: "Water-based pens", kinds: ["water pen"] },
];

/** How much is left in a marker. */
export const STATES = ["full", "fine", "low", "dry"] as const;
export type MarkerState = (typeof STATES)[number];
