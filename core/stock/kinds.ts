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
export type Kind = (typeof KINDS)[number];

export interface KindGroup {
  readonly name: string;
  readonly kinds: readonly Kind[];
  /** What to know about them. */
  readonly remark: string;
}

/** Kinds as they are kept together. */
export const KIND_GROUPS: readonly KindGroup[] = [
  { name: "Markers", kinds: ["marker"], remark: "Alcohol ink: planned, blended and matched." },
  {
    name: "Pencils",
    kinds: ["pencil"],
    remark: "Over dry marker. A drawdown over white and one over black tell how much they cover.",
  },
  {
    name: "Finishers",
    kinds: ["gel pen", "gouache", "paint marker", "liner", "blender"],
    remark: "Last, over dry ink. A liner that is not alcohol-proof smears when ink goes over it.",
  },
  {
    name: "Water-based pens",
    kinds: ["water pen"],
    remark: "Kept apart: they do not dissolve in alcohol and must not be mixed into a blend group.",
  },
];
