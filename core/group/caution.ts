import { chroma, type Lab } from "@/core/colour/lab";
import type { Desk } from "@/core/ink/desk";
import type { Material } from "./material";
import type { SheetHabit, Strip } from "./strip";
import type { Tone } from "./tone";

export type CautionKind =
  "flat black" | "grey temperature" | "highlight lost" | "capacity" | "bleed" | "dull" | "white filled";

/** A mistake that shows before it is made, with its number. */
export interface Caution {
  readonly kind: CautionKind;
  readonly message: string;
}

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
const num = (v: number, digits = 0) => v.toFixed(digits);

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
      out.push({
        kind: "flat black",
        message: `${code(t)} is nearly black (L* ${num(t.lab[0])}, chroma ${num(c)}): on ${material} it goes flat. Take a deep brown or a dark with a violet or blue under it.`,
      });
  }
  const side = scene === "warm" ? -1 : scene === "cool" ? 1 : 0;
  const astray = side
    ? tones.filter((t) => chroma(t.lab) < GREY && t.lab[0] < 90 && side * t.lab[2] > LEANS)
    : [];
  if (astray.length) {
    const one = astray.length === 1;
    const says = astray.map((t) => `${code(t)} (b* ${num(t.lab[2]).replace("-", "−")})`).join(", ");
    out.push({
      kind: "grey temperature",
      message: `${says} ${one ? "is a" : "are"} ${side < 0 ? "cool" : "warm"} ${one ? "grey" : "greys"} in a ${scene} scene: ${one ? "it" : "they"} will look like another light.`,
    });
  }
  const lightest = strip.profile.reduce((most, l) => Math.max(most, l[0]), 0);
  const first = tones[0]!;
  if (material === "white cloth" || material === "glass") {
    const lost = desk.paper.lab[0] - lightest;
    if (lost > WHITE_LOSS)
      out.push({
        kind: "white filled",
        message: `The lightest place comes out ${num(lost)} L* below bare paper: leave paper there, white things live from it.`,
      });
  } else if (first.lab[0] - lightest > HIGHLIGHT_LOSS)
    out.push({
      kind: "highlight lost",
      message: `The highlight closes by ${num(first.lab[0] - lightest)} L* as the lighter passes go over it: stop them short of it, or lift it with the blender.`,
    });
  const over = strip.mostCoats - capacity;
  if (over > 0.5)
    out.push({
      kind: "capacity",
      message: `${num(strip.mostCoats, 1)} coats in the shadow where the paper holds ${capacity}: uptake stops and bleed grows. Thinner coats, or another school.`,
    });
  if (mm2 !== null) {
    const width = Math.sqrt(mm2);
    const creep = sheet.bleed * Math.max(1, strip.mostCoats / capacity);
    if (creep / width > CREEP_SHARE)
      out.push({
        kind: "bleed",
        message: `Ink creeps about ${num(creep, 1)} mm and the area is about ${num(width)} mm across: dab, and stop that far short of the line.`,
      });
  }
  if (local) {
    const middle = strip.profile[strip.profile.length >> 1]!;
    const short = chroma(local) - chroma(middle);
    if (short > DULL)
      out.push({
        kind: "dull",
        message: `The middle comes out ${num(short)} of chroma short of the colour that is wanted: opposites neutralise on the way. One more coat of the colour that should win, or purer inks.`,
      });
  }
  return out;
}
