import { CodedColourInput } from "@/border/coded-colour";
import { colourOf } from "@/border/colour";
import { List } from "@/border/fields";
import { partingPairs, twinPairs, type PartingPair, type TwinPair } from "@/core/ink/twins";
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
  /** Pairs that match by day and part under a lamp, of the inks whose spectrum was read; farthest apart first. */
  readonly parting: readonly PartingPair[];
}

/** Every pair of inks that cannot be told apart in one coat, and which of those part under a lamp. */
export const twins = operation(TwinsQuestion, ({ inks }): TwinsOutput => {
  const read = inks.map(({ code, color }) => ({ code, ...colourOf(color) }));
  const pairs = twinPairs(read);
  const spectra = read.flatMap(({ code, reflectance }) => (reflectance ? [{ code, reflectance }] : []));
  return {
    pairs: pairs.slice(0, MOST_PAIRS),
    count: pairs.length,
    parting: partingPairs(spectra).slice(0, MOST_PAIRS),
  };
});
