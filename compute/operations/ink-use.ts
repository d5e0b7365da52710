import { Code, List, ListOfKinds, Nullable, OneOf, Optional, Text, Within } from "@/border/fields";
import { wrong } from "@/border/problem";
import {
  inkUse as inkUseOf,
  MAY_RUN_DRY,
  type InkEvent,
  type InkMarker,
  type InkUse,
} from "@/core/stock/ink-use";
import { inkOfState, USUAL_FULL } from "@/core/stock/ink-level";
import { STATES, type MarkerState } from "@/core/stock/kinds";
import { operation } from "../operation";

const MOST_MARKERS = 6000;
const MOST_EVENTS = 20_000;
/** Papers whose laydown is told apart. */
const MOST_PAPERS = 40;
const MOST_ML = 1000;

class InkMarkerInput {
  @Code() code!: string;
  /** Ink of a full one, ml. */
  @Optional() @Within(0.05, MOST_ML, "ml") full = USUAL_FULL;
  /** Ink at the beginning, ml, with how far that may be off; else by its state. */
  @Nullable() @Within(0, MOST_ML, "ml") left: number | null = null;
  @Nullable() @Within(0, MOST_ML, "ml") spread: number | null = null;
  @Optional() @OneOf(STATES) state: MarkerState = "full";
}

class LaidInput {
  @OneOf(["laid"]) kind!: "laid";
  @Code() code!: string;
  @Within(0, 1e6, "mm²") mm2!: number;
  @Within(0, 30, "coats") coats!: number;
  @Optional() @Text(80) paper = "";
}

class WeighedInput {
  @OneOf(["weighed"]) kind!: "weighed";
  @Code() code!: string;
  @Within(0, 10_000, "g") grams!: number;
}

class FilledInput {
  @OneOf(["filled", "full"]) kind!: "filled" | "full";
  @Code() code!: string;
  @Within(0, MOST_ML, "ml") ml!: number;
}

class InkStepInput {
  @Code() code!: string;
  @Within(0, 1e6, "mm²") mm2!: number;
  @Within(0, 30, "coats") coats!: number;
  @Optional() @Text(80) paper = "";
}

const KINDS = {
  laid: () => LaidInput,
  weighed: () => WeighedInput,
  filled: () => FilledInput,
  full: () => FilledInput,
};

export class InkUseQuestion {
  @List(() => InkMarkerInput, 1, MOST_MARKERS, '{"code","full","left","spread","state"}')
  markers!: InkMarkerInput[];
  /** What happened, first things first. */
  @Optional() @ListOfKinds("kind", KINDS, MOST_EVENTS) events: InkEvent[] = [];
  /** What is to be laid, in its order. */
  @Optional()
  @List(() => InkStepInput, 0, MOST_EVENTS, '{"code","mm2","coats","paper"}')
  steps: InkStepInput[] = [];
}

export interface InkUseOutput extends Omit<InkUse, "markers"> {
  readonly markers: readonly (InkUse["markers"][number] & {
    /** It may run dry, and that is to be said before the first step. */
    readonly warns: boolean;
  })[];
}

/** A marker as it is known at the beginning. */
function markerOf({ code, full, left, spread, state }: InkMarkerInput): InkMarker {
  const said = inkOfState(state, full);
  return left === null
    ? { code, full, ...said, ...(spread !== null && { spread }) }
    : { code, full, left: Math.min(full, left), spread: spread ?? 0 };
}

/** How much ink markers have, what steps take of it, and which will not last. */
export const inkUse = operation(InkUseQuestion, ({ markers, events, steps }): InkUseOutput => {
  const codes = new Set<string>();
  const papers = new Set<string>();
  markers.forEach(({ code }, i) => {
    if (codes.has(code)) throw wrong(`markers[${i}].code`, "expected every marker once");
    codes.add(code);
  });
  const check = (path: string, { code, paper }: { readonly code: string; readonly paper?: string }) => {
    if (!codes.has(code)) throw wrong(`${path}.code`, "expected the code of one of the markers");
    if (paper !== undefined && papers.add(paper).size > MOST_PAPERS)
      throw wrong(`${path}.paper`, `expected at most ${MOST_PAPERS} papers in all`);
  };
  events.forEach((e, i) => check(`events[${i}]`, e));
  steps.forEach((s, i) => check(`steps[${i}]`, s));
  const use = inkUseOf(markers.map(markerOf), events, steps);
  return { ...use, markers: use.markers.map((m) => ({ ...m, warns: m.chance >= MAY_RUN_DRY })) };
});
