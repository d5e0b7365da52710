import { Flag, List, Optional, Stack, Stacks } from "@/border/fields";
import { knowledgeOf, seenLab, type Knowledge } from "@/core/ink/desk";
import { addedLab } from "@/core/repair/remedies";
import { deskOperation } from "../operation";
import { seen, type SeenColour } from "../seen";

/** Stacks that are predicted at once. */
const MOST_STACKS = 20_000;

/** Things that are held over what lies, at once. */
const MOST_OVER = 1000;

class OverInput {
  /** What lies there, and what comes over it: the first of it onto wet ink or onto dry. */
  @Stack() stack!: string[];
  @Stack(1) add!: string[];
  @Optional() @Flag() wet = false;
}

export class PredictQuestion {
  @Stacks(MOST_STACKS) stacks!: string[][];
  @Optional() @List(() => OverInput, 0, MOST_OVER, '{"stack","add","wet"}') over: OverInput[] = [];
}

export interface PredictOutput {
  readonly paper: {
    readonly fit: {
      k1: number;
      k2: number;
      uptake: readonly number[];
      residual: number;
      depth: number;
      crowding: number;
      lifting: number;
    };
    /** Whether no sheet can have the colour that was given for the paper: everything is then seen on the nearest one that can. */
    readonly clamped: boolean;
  };
  readonly stacks: readonly (SeenColour & {
    readonly measured: boolean;
    /** How the colour is known. */
    readonly knowledge: Knowledge;
  })[];
  /** What is seen once each thing is laid over what lies there. */
  readonly over: readonly SeenColour[];
}

/** What one sees after each stack. */
export const predict = deskOperation(
  PredictQuestion,
  function* ({ stacks, over }, { desk, placeOf }): Generator<number, PredictOutput> {
    const { k1, k2, uptake, depth, crowding, lifting } = desk.paper.fit;
    const out: PredictOutput["stacks"][number][] = [];
    for (const [s, codes] of stacks.entries()) {
      const stack = codes.map((code, c) => placeOf(code, `stacks[${s}][${c}]`));
      const knowledge = knowledgeOf(desk, stack);
      out.push({ ...seen(seenLab(desk, stack)), measured: knowledge === "measured", knowledge });
      if (s % 100 === 99) yield s / stacks.length;
    }
    const fit = { k1, k2, uptake, residual: desk.residual, depth, crowding, lifting };
    const placed = (codes: readonly string[], path: string) =>
      codes.map((c, i) => placeOf(c, `${path}[${i}]`));
    return {
      paper: { fit, clamped: desk.paper.clamped },
      stacks: out,
      over: over.map(({ stack, add, wet }, i) =>
        seen(addedLab(desk, placed(stack, `over[${i}].stack`), placed(add, `over[${i}].add`), wet)),
      ),
    };
  },
);
