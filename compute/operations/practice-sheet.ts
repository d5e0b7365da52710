import { colourOf, type ColourInput } from "@/border/colour";
import { Colour, Nullable, One, OneOf, Optional } from "@/border/fields";
import { PIXELS, PixelsInput } from "@/border/pixels";
import { wrong } from "@/border/problem";
import { BEYOND, Points } from "@/border/set-up";
import { memory } from "@/core/memory";
import type { Corners } from "@/core/picture/rectify";
import {
  BARE,
  CODE,
  exerciseOfCode,
  exerciseOf,
  exercisePlanes,
  type ExercisePlanes,
} from "@/core/practice/exercise";
import { EXERCISES, type ExerciseId } from "@/core/practice/shapes";
import { NothingToJudge, scoreSheet, type Finding, type SheetScore } from "@/core/practice/score";
import type { Work } from "@/core/progress";
import { readSheet, SheetUnread } from "@/core/sheet/read-sheet";
import { exerciseInWords, findingInWords, nextInWords, NOTHING_TO_JUDGE } from "@/words/practice";
import { sheetDoubtInWords, sheetRefusalInWords } from "@/words/sheet";
import { operation } from "../operation";
import { pixelsOf } from "../pictures";
import { seen, type SeenColour } from "../seen";

export class PracticeSheetQuestion {
  @OneOf(EXERCISES) exercise!: ExerciseId;
  /** A photo of the sheet that was practised on. */
  @One(() => PixelsInput, PIXELS) photo!: PixelsInput;
  /** Colour of its bare paper. */
  @Optional() @Colour() paper?: ColourInput;
  /** Corners of what is printed in shares of the photo, where somebody pointed at them. */
  @Nullable() @Points(4, 4, BEYOND) corners?: [number, number][] | null;
}

export interface PracticeSheetOutput {
  readonly score: number;
  readonly findings: readonly (Finding & { readonly says: string })[];
  readonly next: string;
  readonly places: SheetScore["places"];
  /** Where it lies off: 0 nobody's, else 128 as it should be, 6 a unit of L* (or ΔE00 of what should be bare) lighter or darker. */
  readonly map: { readonly width: number; readonly height: number; readonly data: Uint8Array };
  /** Colours of its zones, in order. */
  readonly colours: readonly SeenColour[];
  readonly doubts: readonly string[];
}

/** Pixels a millimetre in which a sheet is read, and in which it is shown where it lies off. */
const [PER_MM, MAP_STEP] = [4, 2] as const;
const USUAL_PAPER = [95.5, 0, 1] as const;
const [AS_IT_SHOULD, A_UNIT] = [128, 6] as const;

const planes = memory<ExercisePlanes>(EXERCISES.length);
const planesFor = (id: ExerciseId) =>
  planes.recall(id) ?? planes.keep(id, exercisePlanes(exerciseOf(id), PER_MM));

function mapOf({ labels, zones }: ExercisePlanes, places: SheetScore["places"]) {
  const [width, height] = [Math.floor(labels.width / MAP_STEP), Math.floor(labels.height / MAP_STEP)];
  const off = new Map(places.map((p) => [`${p.area} ${p.zone}`, p.off]));
  const data = new Uint8Array(width * height);
  for (let y = 0, o = 0; y < height; y++)
    for (let x = 0; x < width; x++, o++) {
      const p = (y * MAP_STEP + 1) * labels.width + x * MAP_STEP + 1;
      const by = off.get(`${labels.data[p]} ${zones.data[p]}`);
      if (by !== undefined) data[o] = Math.min(255, Math.max(1, Math.round(AS_IT_SHOULD + A_UNIT * by)));
    }
  return { width, height, data };
}

/** A sheet that was practised on, scored from a photo by what its exercise is about. */
export const practiceSheet = operation(
  PracticeSheetQuestion,
  function* (question): Work<PracticeSheetOutput> {
    const { exercise, corners } = question;
    const photo = pixelsOf(question.photo, "photo");
    const own = planesFor(exercise);
    const paper = question.paper ? colourOf(question.paper).lab : USUAL_PAPER;
    try {
      const read = yield* readSheet({
        photo,
        ...own,
        mmPerPixel: 1 / PER_MM,
        known: [{ area: BARE, lab: paper }],
        paper,
        corners: (corners as Corners | null | undefined) ?? null,
      });
      const bare = read.areas.find((a) => a.area === BARE)?.lab ?? paper;
      const shown = exerciseOfCode(
        CODE.map((n) => read.areas.find((a) => a.area === n)?.lab[0] ?? bare[0]),
        bare[0],
      );
      if (shown !== exercise)
        throw wrong(
          "photo",
          shown
            ? `This is another sheet: “${exerciseInWords[shown].name}”. Choose that one, and its photo again.`
            : "The three squares below the exercise, which say what sheet it is, are not seen clearly.",
        );
      const judged = scoreSheet(exercise, read.areas, bare);
      return {
        score: judged.score,
        findings: judged.findings.map((f) => ({ ...f, says: findingInWords(f) })),
        next: nextInWords(exercise, judged),
        places: judged.places,
        map: mapOf(own, judged.places),
        colours: (read.areas.find((a) => a.area === 1)?.zones ?? []).map((z) => seen(z.lab)),
        // That few colours are known is so on every sheet, and changes no order of values.
        doubts: read.doubts.filter((d) => d.kind !== "few known colours").map(sheetDoubtInWords),
      };
    } catch (e) {
      if (e instanceof SheetUnread) throw wrong("photo", sheetRefusalInWords(e.why));
      if (e instanceof NothingToJudge) throw wrong("photo", NOTHING_TO_JUDGE[e.why]);
      throw e;
    }
  },
);
