import { Nullable, OneOf, Rule } from "@/border/fields";
import { MOST_AREAS } from "@/border/piece";
import { HANDS } from "@/border/studio";
import { MOST_SECTIONS } from "@/core/work/problem";
import { sectionPlane } from "@/core/work/sections";
import { operation } from "../operation";
import { fieldFor, ToneMapQuestion, toneMapOf } from "./tone-map";

class SectionsQuestion extends ToneMapQuestion {
  /** Sections of areas by id, as the order of work cuts them; what is left out is one. */
  @Rule(
    `expected {"id":n,…}, each a whole number from 1 to ${MOST_SECTIONS}`,
    (v) =>
      typeof v === "object" &&
      v !== null &&
      !Array.isArray(v) &&
      Object.keys(v).length <= 2 * MOST_AREAS &&
      Object.values(v).every(
        (n) => Number.isInteger(n) && (n as number) >= 1 && (n as number) <= MOST_SECTIONS,
      ),
  )
  sections!: Record<string, number>;
  @Nullable() @OneOf(HANDS) hand: (typeof HANDS)[number] | null = null;
}

export interface SectionsOutput {
  /** Section of each pixel from 1; 0 where no area is; 16 bits. */
  readonly sections: { readonly width: number; readonly height: number; readonly data: Uint16Array };
  /** Ids of the areas in the order in which `owner` of the tone map names them. */
  readonly ids: readonly string[];
}

/** Where the sections of every area lie, cut where a cut shows least. */
export const sections = operation(SectionsQuestion, (question): SectionsOutput => {
  const field = fieldFor(question);
  const { ground } = field.relieved;
  const { width, height } = ground;
  const { places } = toneMapOf(field, question.areas);
  const cut = field.named.ids.map((id) => question.sections[id] ?? 1);
  return {
    sections: { width, height, data: sectionPlane(ground, cut, places, question.hand ?? "right") },
    ids: field.named.ids,
  };
});
