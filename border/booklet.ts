import { Code, List, Nullable, Optional, Rule, Text, Within } from "./fields";

/** Steps of one order, and pictures on the way. */
export const MOST_STEPS = 3000;
export const MOST_MOMENTS = 8;
const LONGEST = 30 * 86_400;

/** A step of an order of work, as the screen says it. */
export class BookletStepInput {
  @Code() code!: string;
  @Text(80) area!: string;
  /** "2 of 3"; empty where an area is not cut. */
  @Text(20) part!: string;
  @Text(600) how!: string;
  /** Seconds since the beginning, and how long it takes. */
  @Within(0, LONGEST, "s") start!: number;
  @Within(0, LONGEST, "s") seconds!: number;
  /** Until when it is wet; null where it is no ink. */
  @Nullable() @Within(0, LONGEST, "s") wetUntil!: number | null;
}

/** What a booklet of the order of work is made of, beside its pictures. */
export class BookletInput {
  /** What the order costs, in a sentence. */
  @Text(400, 1) sum!: string;
  @List(() => BookletStepInput, 1, MOST_STEPS, '{"code","area","part","how","start","seconds","wetUntil"}')
  steps!: BookletStepInput[];
  /** After how many steps each picture is taken; the last is the finished piece. */
  @Optional()
  @Rule(
    `expected at most ${MOST_MOMENTS} whole numbers of steps, rising`,
    (v) =>
      Array.isArray(v) &&
      v.length <= MOST_MOMENTS &&
      v.every((n, i) => Number.isInteger(n) && n >= 1 && n <= MOST_STEPS && (i === 0 || n > v[i - 1])),
  )
  moments: number[] = [];
}
