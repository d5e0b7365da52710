import { displayLab } from "@/core/colour/display";
import { cautionsOf, type Caution } from "@/core/group/caution";
import { MATERIAL_HABITS } from "@/core/group/material";
import {
  schoolPasses,
  SCHOOL_FACTS,
  SCHOOLS,
  toneBorders,
  type School,
  type SchoolPass,
} from "@/core/group/school";
import { layStrip, type LaidPass } from "@/core/group/strip";
import type { Tone } from "@/core/group/tone";
import { seenLab } from "@/core/ink/desk";
import { deskOf, placeOf } from "./desk-memory";
import { colourOf } from "./inputs/colour";
import type { SchoolsInput } from "./inputs/planning";

export interface SchoolOutput {
  readonly school: School;
  readonly order: string;
  readonly suits: string;
  /** Why this school is the habit of the material; only on that one. */
  readonly habit?: string;
  readonly passes: readonly (Omit<SchoolPass, "tone"> & { readonly code: string })[];
  /** Sample strip, lane by lane from its lightest end. */
  readonly strip: { readonly cells: number; readonly lanes: number; readonly hex: readonly string[] };
  /** Largest ΔE00 within a millimetre beyond an even fade; evenness 0–1; spread of L* between strokes. */
  readonly edge: number;
  readonly softness: number;
  readonly texture: number;
  /** L* of the lightest and the darkest place. */
  readonly lightness: readonly [number, number];
  /** Coats over the whole area, by marker and in all. */
  readonly ink: readonly { readonly code: string; readonly coats: number }[];
  readonly inkTotal: number;
  readonly mostCoats: number;
  readonly cautions: readonly Caution[];
}

/** A group laid in each of the six schools on a sample strip: what it looks like, and what can be measured on it. */
export function schools(input: SchoolsInput): { schools: SchoolOutput[] } {
  const desk = deskOf(input);
  const tones = input.tones
    .map((t, i): Tone => {
      const ink = placeOf(desk, t.code, `tones[${i}].code`);
      return { ink, coats: t.coats, lab: seenLab(desk, Array<number>(t.coats).fill(ink)) };
    })
    .sort((a, b) => b.lab[0] - a.lab[0]);
  const { sheet } = input;
  const beneath: LaidPass[] = input.under
    ? [
        {
          ink: placeOf(desk, input.under.code, "under.code"),
          coats: input.under.coats,
          from: toneBorders(tones.length).at(-2)! - 0.08,
          to: 1,
          stroke: "circles",
          wet: false,
        },
      ]
    : [];
  return {
    schools: SCHOOLS.map((school): SchoolOutput => {
      const passes = schoolPasses(
        school,
        tones.map((t) => t.coats),
      );
      const laid = passes.map((p): LaidPass => ({ ...p, ink: tones[p.tone]!.ink }));
      const strip = layStrip(
        desk,
        [...beneath, ...laid.map((p, i) => (i === 0 && beneath.length ? { ...p, wet: false } : p))],
        sheet,
      );
      const ink = [...strip.inkUsed].map(([i, coats]) => ({ code: desk.inks[i]!.code, coats }));
      const L = strip.profile.map((l) => l[0]);
      return {
        school,
        ...SCHOOL_FACTS[school],
        ...(MATERIAL_HABITS[input.material].school === school && {
          habit: MATERIAL_HABITS[input.material].why,
        }),
        passes: passes.map(({ tone, ...p }) => ({ ...p, code: desk.inks[tones[tone]!.ink]!.code })),
        strip: { cells: strip.cells, lanes: strip.lanes, hex: strip.labs.map((lab) => displayLab(lab).hex) },
        edge: strip.edge,
        softness: strip.softness,
        texture: strip.texture,
        lightness: [Math.max(...L), Math.min(...L)],
        ink,
        inkTotal: ink.reduce((sum, i) => sum + i.coats, 0),
        mostCoats: strip.mostCoats,
        cautions: cautionsOf({
          desk,
          tones,
          material: input.material,
          ...(input.local && { local: colourOf(input.local).lab }),
          scene: input.scene,
          mm2: input.mm2 ?? null,
          capacity: sheet.capacity,
          sheet,
          strip,
        }),
      };
    }),
  };
}
