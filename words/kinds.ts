import type { KindGroupName } from "@/core/stock/kinds";

/** What to know about what is kept together on the rack. */
export const remarkOn: Readonly<Record<KindGroupName, string>> = {
  Markers: "Alcohol ink: planned, blended and matched.",
  Pencils: "Over dry marker. A drawdown over white and one over black tell how much they cover.",
  Finishers: "Last, over dry ink. A liner that is not alcohol-proof smears when ink goes over it.",
  "Water-based pens": "Kept apart: they do not dissolve in alcohol and must not be mixed into a blend group.",
};
