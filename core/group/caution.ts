import type { Strip } from "@/core/course/strip";
import type { SheetHabit } from "@/core/ink/reach";
import { chroma, type Lab } from "@/core/colour/lab";
import type { Desk } from "@/core/ink/desk";
import type { Material } from "./material";
import type { Tone } from "./tone";

/** A mistake that shows before it is made, with its figures: L*, chroma, coats or mm, as the kind says. */
export type Caution =
  | {
      readonly kind: "flat black";
      readonly code: string;
      readonly lightness: number;
      readonly chroma: number;
      readonly material: Material;
    }
  | {
      readonly kind: "grey temperature";
      readonly greys: readonly { readonly code: string; readonly b: number }[];
      readonly scene: "warm" | "cool";
    }
  | { readonly kind: "highlight lost"; readonly closesBy: number }
  | { readonly kind: "white filled"; readonly belowPaper: number }
  | { readonly kind: "capacity"; readonly coats: number; readonly holds: number }
  | { readonly kind: "bleed"; readonly creep: number; readonly width: number }
  | { readonly kind: "dull"; readonly chromaShort: number };

export interface CautionCase {
  readonly desk: Desk;
  readonly tones: readonly Tone[];
  readonly material: Material;
  /** Local colour that is wanted; none when nothing was picked. */
  readonly local?: Lab;
  readonly scene: "neutral" | "warm" | "cool";
  /** Size of the area in mm²; null when it is not known. */
  readonly mm2: number | null;
  /** Coats that the paper holds. */
  readonly capacity: number;
  readonly sheet: SheetHabit;
  /** The group laid by its school. */
  readonly strip: Strip;
}

/** A near black: this dark and this grey. */
const BLACK = { lightness: 33, chroma: 6 } as const;
/** Greys lean to a side from this b* on. */
const LEANS = 2.5;
const GREY = 11;
/** L* that the lightest place may lie below the lightest tone, or below paper where paper should stay. */
const HIGHLIGHT_LOSS = 5;
const WHITE_LOSS = 7;
/** Share of an area's width beyond which creeping ink matters. */
const CREEP_SHARE = 0.12;
/** Chroma short of the wanted one that makes a pure colour dull. */
const DULL = 12;

const living: readonly Material[] = ["skin", "hair", "fur"];

/** What experienced colourists would warn of, each with its number; nothing when all is well. */
export function cautionsOf({
  desk,
  tones,
  material,
  local,
  scene,
  mm2,
  capacity,
  sheet,
  strip,
}: CautionCase): Caution[] {
  const out: Caution[] = [];
  const code = (t: Tone) => desk.inks[t.ink]!.code;
  for (const t of tones) {
    const c = chroma(t.lab);
    if (living.includes(material) && t.lab[0] < BLACK.lightness && c < BLACK.chroma)
      out.push({ kind: "flat black", code: code(t), lightness: t.lab[0], chroma: c, material });
  }
  if (scene !== "neutral") {
    const side = scene === "warm" ? -1 : 1;
    const greys = tones
      .filter((t) => chroma(t.lab) < GREY && t.lab[0] < 90 && side * t.lab[2] > LEANS)
      .map((t) => ({ code: code(t), b: t.lab[2] }));
    if (greys.length) out.push({ kind: "grey temperature", greys, scene });
  }
  const lightest = strip.profile.reduce((most, l) => Math.max(most, l[0]), 0);
  const closesBy = tones[0]!.lab[0] - lightest;
  const belowPaper = desk.paper.lab[0] - lightest;
  if (material === "white cloth" || material === "glass") {
    if (belowPaper > WHITE_LOSS) out.push({ kind: "white filled", belowPaper });
  } else if (closesBy > HIGHLIGHT_LOSS) out.push({ kind: "highlight lost", closesBy });
  if (strip.mostCoats - capacity > 0.5)
    out.push({ kind: "capacity", coats: strip.mostCoats, holds: capacity });
  if (mm2 !== null) {
    const width = Math.sqrt(mm2);
    const creep = sheet.bleed * Math.max(1, strip.mostCoats / capacity);
    if (creep / width > CREEP_SHARE) out.push({ kind: "bleed", creep, width });
  }
  if (local) {
    const chromaShort = chroma(local) - chroma(strip.profile[strip.profile.length >> 1]!);
    if (chromaShort > DULL) out.push({ kind: "dull", chromaShort });
  }
  return out;
}
