import { displayLab, type Displayed } from "@/core/colour/display";
import type { Lab } from "@/core/colour/lab";
import { knowledgeOf, seenLab, type Knowledge } from "@/core/ink/desk";
import { deskOf, placeOf } from "./desk-memory";
import type { PredictInput } from "./inputs/operations";

export interface SeenColour extends Displayed {
  readonly lab: Lab;
}

export const seen = (lab: Lab): SeenColour => ({ lab, ...displayLab(lab) });

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
  };
  readonly stacks: readonly (SeenColour & {
    readonly measured: boolean;
    /** How the colour is known. */ readonly knowledge: Knowledge;
  })[];
}

/** What one sees after each stack. */
export function predict(input: PredictInput): PredictOutput {
  const desk = deskOf(input);
  const stacks = input.stacks.map((codes, s) =>
    codes.map((code, c) => placeOf(desk, code, `stacks[${s}][${c}]`)),
  );
  const { k1, k2, uptake, depth, crowding, lifting } = desk.paper.fit;
  return {
    paper: { fit: { k1, k2, uptake, residual: desk.residual, depth, crowding, lifting } },
    stacks: stacks.map((stack) => {
      const knowledge = knowledgeOf(desk, stack);
      return { ...seen(seenLab(desk, stack)), measured: knowledge === "measured", knowledge };
    }),
  };
}
