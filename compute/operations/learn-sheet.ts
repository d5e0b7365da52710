import { median } from "@/core/algebra/median";
import { Colour, List, Stack, Within } from "@/border/fields";
import type { ColourInput } from "@/border/colour";
import { deltaE00 } from "@/core/colour/delta-e00";
import { seenLab } from "@/core/ink/desk";
import { part, type Work } from "@/core/progress";
import { lessonsOf, movedBy, type Lesson, type TaughtPlace } from "@/core/sheet/learn";
import { openingDesk, type OpenDesk } from "../desk";
import { deskOperation } from "../operation";
import { seen, type SeenColour } from "../seen";

class PlaceInput {
  /** Ink that lies there, one entry a coat. */
  @Stack(1) stack!: string[];
  @Colour() planned!: ColourInput;
  @Colour() lies!: ColourInput;
  @Within(0.01, 1_000_000, "mm²") mm2!: number;
}

const MOST_PLACES = 2000;

export class LearnSheetQuestion {
  @List(() => PlaceInput, 0, MOST_PLACES, '{"stack","planned","lies","mm2"}') places!: PlaceInput[];
  /** Median ΔE00 by which what was read may be wrong. */
  @Within(0, 30, "ΔE00") photo!: number;
}

/** What the model would take on of a sheet. */
export interface LessonOutput {
  readonly stack: readonly string[];
  readonly predicted: SeenColour;
  readonly read: SeenColour;
  /** What would be kept as its reading. */
  readonly kept: SeenColour;
  /** Share of the difference that is believed. */
  readonly weight: number;
  readonly places: number;
  readonly mm2: number;
}

export interface LearnSheetOutput {
  /** The most ground first. */
  readonly lessons: readonly LessonOutput[];
  /**
   * Median ΔE00 between what is predicted and what was read: as the model is, and once it has learnt from the other places; each place is judged by a
   * model that has not seen its stack. Null where there are too few stacks to tell.
   */
  readonly now: number | null;
  readonly then: number | null;
}

/** Parts into which stacks are divided to judge each by what the others teach. */
const FOLDS = 4;
/** Stacks that are learnt at once: as many as a paper is fitted to in seconds. */
const MOST_LESSONS = 200;

/** The desk with what was learnt of some stacks, opened as it will be once that is kept. */
const taught = (open: OpenDesk, lessons: readonly Lesson[]): Work<OpenDesk> =>
  openingDesk({
    ...open.input,
    overlays: [
      ...open.input.overlays,
      ...lessons.map(({ stack, lab }) => ({ stack: stack.map((i) => open.inks[i]!.code), color: { lab } })),
    ],
    fit: { paper: open.fit.paper, blending: open.fit.blending },
  } as OpenDesk["input"]);

/** What a finished sheet can teach the model of its paper, and whether it would predict the rest of the sheet better. */
export const learnSheet = deskOperation(
  LearnSheetQuestion,
  function* (question, open): Work<LearnSheetOutput> {
    const { desk, labOf, placeOf } = open;
    const places = question.places.map(({ stack, planned, lies, mm2 }, i): TaughtPlace => ({
      stack: stack.map((code, j) => placeOf(code, `places[${i}].stack[${j}]`)),
      planned: labOf(planned),
      lies: labOf(lies),
      mm2,
    }));
    const lessons = lessonsOf(desk, places, question.photo)
      .sort((a, b) => b.mm2 - a.mm2)
      .slice(0, MOST_LESSONS);
    const now: number[] = [];
    const then: number[] = [];
    if (lessons.length >= FOLDS)
      for (let fold = 0; fold < FOLDS; fold++) {
        const isIn = (_: Lesson, i: number) => i % FOLDS !== fold;
        const after = (yield* part(taught(open, lessons.filter(isIn)), fold / FOLDS, 1 / FOLDS)).desk;
        for (const { stack, predicted, read } of lessons.filter((l, i) => !isIn(l, i))) {
          now.push(deltaE00(predicted, read));
          then.push(deltaE00(movedBy(predicted, seenLab(desk, stack), seenLab(after, stack)), read));
        }
      }
    return {
      lessons: lessons.map(({ stack, predicted, read, lab, ...rest }) => ({
        stack: stack.map((i) => open.inks[i]!.code),
        predicted: seen(predicted),
        read: seen(read),
        kept: seen(lab),
        ...rest,
      })),
      now: now.length ? median(now) : null,
      then: then.length ? median(then) : null,
    };
  },
);
