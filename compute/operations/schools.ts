import type { ColourInput } from "@/border/colour";
import { Colour, List, ListOrOne, Nullable, One, OneOf, Optional, Whole, Within } from "@/border/fields";
import { SHEET, SheetInput } from "@/border/sheet";
import { wrong } from "@/border/problem";
import { TONE, ToneInput } from "@/border/tone";
import { displayLab } from "@/core/colour/display";
import { cautionsOf, type Caution } from "@/core/group/caution";
import { MATERIALS, MATERIAL_HABITS, type Material } from "@/core/group/material";
import { inkOfPass, isOfTone, layingPasses } from "@/core/group/lay";
import { middleTone, SCHOOLS, type School, type SchoolPass } from "@/core/group/school";
import { layStrip, type LaidPass } from "@/core/group/strip";
import { FEWEST_TONES, MOST_TONES, type Tone } from "@/core/group/tone";
import { seenLab } from "@/core/ink/desk";
import { SCENES, type Scene } from "@/core/piece/piece";
import { cautionInWords } from "@/words/caution";
import { whyInWords } from "@/words/material";
import { SCHOOL_WORDS, whereInWords } from "@/words/school";
import { coatsOf } from "../group-output";
import { deskOperation } from "../operation";

export class SchoolsQuestion {
  @List(() => ToneInput, FEWEST_TONES, MOST_TONES, TONE) tones!: ToneInput[];
  @Optional() @OneOf(MATERIALS) material: Material = "other";
  @Optional() @OneOf(SCENES) scene: Scene = "neutral";
  @Nullable() @Within(1, 1e6, "mm²") mm2?: number | null;
  @Optional() @Colour() local?: ColourInput;
  @Optional() @One(() => SheetInput, SHEET) sheet: SheetInput = new SheetInput();
  /** The tone that carries the local colour, light to dark from 0; the middle one when it is left out. */
  @Optional() @Whole(0, MOST_TONES - 1) carries?: number;
  /** Inks beneath the shadow end, dry before the group is laid. */
  @Optional() @ListOrOne(() => ToneInput, 8, TONE) under: ToneInput[] = [];
}

export interface SchoolOutput {
  readonly school: School;
  readonly order: string;
  readonly suits: string;
  /** Why this school is the habit of the material; only on that one. */
  readonly habit?: string;
  readonly passes: readonly (Omit<SchoolPass, "tone" | "where"> & {
    readonly code: string;
    readonly where: string;
  })[];
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
  readonly cautions: readonly (Caution & { readonly message: string })[];
}

/** A group laid in each of the six schools on a sample strip: what it looks like, and what can be measured on it. */
export interface SchoolsOutput {
  readonly schools: readonly SchoolOutput[];
  /** Whether long cells tell how wet ink moves on the paper; else it is assumed. */
  readonly movesAsRead: boolean;
}

export const schools = deskOperation(
  SchoolsQuestion,
  function* (question, { desk, placeOf, labOf }): Generator<number, SchoolsOutput> {
    if ((question.carries ?? 0) >= question.tones.length)
      throw wrong("carries", `expected the place of one of ${question.tones.length} tones, from 0`);
    const tones = question.tones
      .map((t, i): Tone => {
        const tone = { ink: placeOf(t.code, `tones[${i}].code`), coats: t.coats };
        return { ...tone, lab: seenLab(desk, coatsOf(tone)) };
      })
      .sort((a, b) => b.lab[0] - a.lab[0]);
    const { sheet, material } = question;
    const habit = MATERIAL_HABITS[material].school;
    const under = question.under.map((t, i) => ({
      ink: placeOf(t.code, `under[${i}].code`),
      coats: t.coats,
    }));
    const inks = { tones: tones.map((t) => t.ink), under: under.map((t) => t.ink), over: [] };
    const out: SchoolOutput[] = [];
    for (const school of SCHOOLS) {
      const passes = layingPasses({
        school,
        coats: tones.map((t) => t.coats),
        local: question.carries ?? middleTone(tones.length),
        under: under.map((t) => t.coats),
        over: [],
        capacity: sheet.capacity,
      });
      const laid = passes.map((p): LaidPass => ({ ...p, ink: inkOfPass(p, inks) }));
      const strip = layStrip(desk, laid, sheet);
      const ink = [...strip.inkUsed].map(([i, coats]) => ({ code: desk.inks[i]!.code, coats }));
      const L = strip.profile.map((l) => l[0]);
      const cautions = cautionsOf({
        desk,
        tones,
        material,
        ...(question.local && { local: labOf(question.local) }),
        scene: question.scene,
        mm2: question.mm2 ?? null,
        capacity: sheet.capacity,
        sheet,
        strip,
      });
      out.push({
        school,
        ...SCHOOL_WORDS[school],
        ...(habit === school && { habit: whyInWords[material] }),
        passes: passes.filter(isOfTone).map(({ tone, where, ...p }) => ({
          ...p,
          code: desk.inks[tones[tone]!.ink]!.code,
          where: whereInWords[where],
        })),
        strip: { cells: strip.cells, lanes: strip.lanes, hex: strip.labs.map((lab) => displayLab(lab).hex) },
        edge: strip.edge,
        softness: strip.softness,
        texture: strip.texture,
        lightness: [Math.max(...L), Math.min(...L)],
        ink,
        inkTotal: ink.reduce((sum, i) => sum + i.coats, 0),
        mostCoats: strip.mostCoats,
        cautions: cautions.map((c) => ({ ...c, message: cautionInWords(c) })),
      });
      yield out.length / SCHOOLS.length;
    }
    const { mixing, wetLifting } = desk.blending ?? {};
    return { schools: out, movesAsRead: !!mixing && !!wetLifting };
  },
);
