import { Stacks } from "@/border/fields";
import { knowledgeOf, seenLab, type Knowledge } from "@/core/ink/desk";
import { deskOperation } from "../operation";
import { seen, type SeenColour } from "../seen";

/** Stacks that are predicted at once. */
const MOST_STACKS = 20_000;

export class PredictQuestion {
  @Stacks(MOST_STACKS) stacks!: string[][];
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
}

/** What one sees after each stack. */
export const predict = deskOperation(PredictQuestion, function* ({ stacks }, { desk, placeOf }): Generator<
  number,
  PredictOutput
> {
  const { k1, k2, uptake, depth, crowding, lifting } = desk.paper.fit;
  const out: PredictOutput["stacks"][number][] = [];
  for (const [s, codes] of stacks.entries()) {
    const stack = codes.map((code, c) => placeOf(code, `stacks[${s}][${c}]`));
    const knowledge = knowledgeOf(desk, stack);
    out.push({ ...seen(seenLab(desk, stack)), measured: knowledge === "measured", knowledge });
    if (s % 100 === 99) yield s / stacks.length;
  }
  const fit = { k1, k2, uptake, residual: desk.residual, depth, crowding, lifting };
  return { paper: { fit, clamped: desk.paper.clamped }, stacks: out };
});
