import { courseOf } from "@/core/course/course";
import { layStrip, type LaidPass } from "@/core/course/strip";
import type { ColourInput } from "@/border/colour";
import { Colour, List, ListOrOne, Nullable, One, OneOf, Optional, Within } from "@/border/fields";
import { SHEET, SheetInput } from "@/border/sheet";
import { ChosenToneInput, TONE, ToneInput } from "@/border/tone";
import { displayLab } from "@/core/colour/display";
import { cautionsOf, type Caution } from "@/core/group/caution";
import { MATERIALS, MATERIAL_HABITS, type Material } from "@/core/group/material";
import { SCHOOLS, type School } from "@/core/group/school";
import { FEWEST_TONES, MOST_TONES, type Tone } from "@/core/group/tone";
import { seenLab } from "@/core/ink/desk";
import type { Pass } from "@/core/media/medium";
import { inOrder } from "@/core/media/registry";
import { lightToDark } from "@/core/media/tone";
import { SCENES, type Scene } from "@/core/piece/piece";
import type { ShadowKind } from "@/core/shadow/shadow";
import { cautionInWords } from "@/words/caution";
import { whyInWords } from "@/words/material";
import { passStroke, passWhere } from "@/words/pass";
import { SCHOOL_WORDS } from "@/words/school";
import { coatsOf } from "../group-output";
import { deskOperation } from "../operation";

export class SchoolsQuestion {
  /** In the order of laying: light to dark, unless each says where it belongs. */
  @List(() => ChosenToneInput, FEWEST_TONES, MOST_TONES, TONE) tones!: ChosenToneInput[];
  @Optional() @OneOf(MATERIALS) material: Material = "other";
  @Optional() @OneOf(SCENES) scene: Scene = "neutral";
  @Nullable() @Within(1, 1e6, "mm²") mm2?: number | null;
  @Optional() @Colour() local?: ColourInput;
  @Optional() @One(() => SheetInput, SHEET) sheet: SheetInput = new SheetInput();
  /** Inks beneath the shadow end, dry before the group is laid, and over it. */
  @Optional() @ListOrOne(() => ToneInput, 8, TONE) under: ToneInput[] = [];
  @Optional() @ListOrOne(() => ToneInput, 8, TONE) over: ToneInput[] = [];
}

/** One time over the area with one of its tones. */
export interface SchoolPassOutput extends Pick<
  Pass,
  "code" | "kind" | "coats" | "from" | "to" | "stroke" | "wet"
> {
  readonly where: string;
  /** How the marker is moved. */
  readonly how: string;
}

export interface SchoolOutput {
  readonly school: School;
  readonly order: string;
  readonly suits: string;
  /** Why this school is the habit of the material; only on that one. */
  readonly habit?: string;
  readonly passes: readonly SchoolPassOutput[];
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
  function* (question, { desk, placeOf, find, labOf }): Generator<number, SchoolsOutput> {
    const coated = (kind: ShadowKind, list: readonly ToneInput[]) =>
      list.map(({ code, coats }) => ({
        medium: "shadow" as const,
        kind,
        code,
        coats,
        place: "shadow" as const,
      }));
    for (const field of ["tones", "under", "over"] as const)
      question[field].forEach((t, i) => placeOf(t.code, `${field}[${i}].code`));
    const layers = inOrder([
      ...question.tones.map((t) => ({ medium: "tone" as const, ...t })),
      ...coated("underlay", question.under),
      ...coated("overlay", question.over),
    ]);
    const tones = lightToDark(question.tones).map((t): Tone => {
      const tone = { ink: find(t.code)!, coats: t.coats };
      return { ...tone, lab: seenLab(desk, coatsOf(tone)) };
    });
    const { sheet, material } = question;
    const habit = MATERIAL_HABITS[material].school;
    const out: SchoolOutput[] = [];
    for (const school of SCHOOLS) {
      const { passes } = courseOf(layers, { school, capacity: sheet.capacity });
      const laid = passes.map(({ code, coats, from, to, wet, stroke }): LaidPass => ({
        ink: find(code)!,
        coats,
        from,
        to,
        wet,
        stroke,
      }));
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
        passes: passes
          .filter(({ role }) => role !== "underlay" && role !== "overlay")
          .map((p) => ({
            code: p.code,
            kind: p.kind,
            coats: p.coats,
            from: p.from,
            to: p.to,
            stroke: p.stroke,
            wet: p.wet,
            where: passWhere(p),
            how: passStroke(p),
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
