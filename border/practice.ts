import { EYE_KINDS, type EyeKind } from "@/core/practice/eye";
import type { EyeAnswer } from "@/core/practice/schedule";
import { Flag, Id, List, OneOf, Text, Whole, Within } from "./fields";
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

export class EyeAnswersInput {
  @List(() => EyeAnswerInput, 1, MOST_ANSWERS, '{"id","at","kind","family","right","seconds","level"}')
  answers!: EyeAnswerInput[];
}
