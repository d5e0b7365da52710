import { EYE_KINDS, type EyeKind } from "@/core/practice/eye";
import type { EyeAnswer } from "@/core/practice/schedule";
import { EXERCISES, type ExerciseId } from "@/core/practice/shapes";
import type { SheetResult } from "@/core/practice/sheet-result";
import { Codes, Flag, Id, List, OneOf, Text, Whole, Within } from "./fields";
import { EARLIEST, LATEST } from "./work-events";

/** Answers that are sent at once. */
export const MOST_ANSWERS = 500;

/** Something that an eye was asked, and how it answered. */
export class EyeAnswerInput implements EyeAnswer {
  @Id("answer") id!: string;
  /** When it was answered by the clock of its device. */
  @Whole(EARLIEST, LATEST, "ms since 1970") at!: number;
  @OneOf(EYE_KINDS) kind!: EyeKind;
  @Text(60) family!: string;
  @Flag() right!: boolean;
  @Within(0, 86_400, "seconds") seconds!: number;
  @Within(0, 1) level!: number;
}

/** Markers that a sheet was practised with. */
const MOST_CODES = 12;

/** A sheet that was practised on, as it was scored from its photo. */
export class SheetScoreInput implements SheetResult {
  @Id("sheet") id!: string;
  @Whole(EARLIEST, LATEST, "ms since 1970") at!: number;
  @OneOf(EXERCISES) exercise!: ExerciseId;
  @Whole(0, 100) score!: number;
  @Codes(0, MOST_CODES) codes!: string[];
}

/** Which sheet to print, and the markers to lay ready. */
export class PrintSheetInput {
  @OneOf(EXERCISES) exercise!: ExerciseId;
}

export class EyeAnswersInput {
  @List(() => EyeAnswerInput, 1, MOST_ANSWERS, '{"id","at","kind","family","right","seconds","level"}')
  answers!: EyeAnswerInput[];
}
