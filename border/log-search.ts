import type { WorkEventKind } from "@/core/work/record";
import { Codes, Id, OneOf, Optional, Text, Whole } from "./fields";

/** What is looked for by kind. */
export const LOG_KINDS = ["laid", "repaired", "exchanged", "noted", "photographed", "entered"] as const;
export type LogKind = (typeof LOG_KINDS)[number];

export const EVENTS_OF: Readonly<Record<LogKind, readonly WorkEventKind[]>> = {
  laid: ["done", "part"],
  repaired: ["added"],
  exchanged: ["exchanged"],
  noted: ["noted"],
  photographed: ["photographed"],
  entered: ["entered"],
};

/** Words that are looked for at most, and codes that a colour stands for. */
export const MOST_WORDS = 8;
const MOST_CODES = 60;

/** What is looked for in the log; all of it must hold. */
export class LogSearchInput {
  /** Words of notes, names of pieces and areas, codes; each as a beginning. */
  @Optional() @Text(200) words = "";
  /** Any of these codes. */
  @Optional() @Codes(0, MOST_CODES) codes: string[] = [];
  @Optional() @OneOf(LOG_KINDS) kind?: LogKind;
  @Optional() @Id("piece") piece?: string;
  /** Moments, ms since 1970: not before, and before. */
  @Optional() @Whole(0, 7_258_118_399_000, "ms since 1970") from?: number;
  @Optional() @Whole(0, 7_258_118_399_000, "ms since 1970") until?: number;
}
