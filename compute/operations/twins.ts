import { CodedColourInput } from "@/border/coded-colour";
import { colourOf } from "@/border/colour";
import { List } from "@/border/fields";
import { twinPairs, type TwinPair } from "@/core/ink/twins";
import { operation } from "../operation";

export class TwinsQuestion {
  @List(() => CodedColourInput, 0, 2000, '{"code","color"}') inks!: CodedColourInput[];
}

/** Pairs that are told, nearest first: a rack of a thousand like inks has half a million. */
const MOST_PAIRS = 5000;

export interface TwinsOutput {
  readonly pairs: readonly TwinPair[];
  /** All pairs, told or not. */
  readonly count: number;
}

/** Every pair of inks that cannot be told apart in one coat. */
export const twins = operation(TwinsQuestion, ({ inks }): TwinsOutput => {
  const pairs = twinPairs(inks.map(({ code, color }) => ({ code, lab: colourOf(color).lab })));
  return { pairs: pairs.slice(0, MOST_PAIRS), count: pairs.length };
});
