import type { Caution } from "@/core/group/caution";
import { signed } from "./numbers";

/** A sentence with its number, and what to do instead. */
export function cautionInWords(c: Caution): string {
  switch (c.kind) {
    case "flat black":
      return `${c.code} is nearly black (lightness ${c.lightness.toFixed(0)}, colour strength ${c.chroma.toFixed(0)}): on ${c.material} it goes flat. Take a deep brown or a dark with a violet or blue under it.`;
    case "grey temperature": {
      const says = c.greys.map((g) => `${g.code} (b* ${signed(g.b)})`).join(", ");
      const side = c.scene === "warm" ? "cool" : "warm";
      return c.greys.length === 1
        ? `${says} is a ${side} grey in a ${c.scene} scene: it will look like another light.`
        : `${says} are ${side} greys in a ${c.scene} scene: they will look like another light.`;
    }
    case "highlight lost":
      return `The highlight closes by ${c.closesBy.toFixed(0)} in lightness as the lighter passes go over it: stop them short of it, or lift it with the blender.`;
    case "white filled":
      return `The lightest place comes out ${c.belowPaper.toFixed(0)} darker than bare paper: leave paper there, white things live from it.`;
    case "capacity":
      return `${c.coats.toFixed(1)} coats in the shadow where the paper holds ${c.holds}: uptake stops and bleed grows. Thinner coats, or another school.`;
    case "bleed":
      return `Ink creeps about ${c.creep.toFixed(1)} mm and the area is about ${c.width.toFixed(0)} mm across: dab, and stop that far short of the line.`;
    case "dull":
      return `The middle comes out ${c.chromaShort.toFixed(0)} short in colour strength of the colour that is wanted: opposites neutralise on the way. One more coat of the colour that should win, or purer inks.`;
  }
}
