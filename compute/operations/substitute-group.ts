import { Codes, Colours, Optional, Whole } from "@/border/fields";
import type { ColourInput } from "@/border/colour";
import { wrong } from "@/border/problem";
import { closeness, type Closeness } from "@/core/colour/delta-e00";
import { assessGroup } from "@/core/group/assess";
import { goalLike, likeness, LIKENESS_WEIGHTS } from "@/core/group/like";
import { planGroups } from "@/core/group/plan";
import { FEWEST_TONES, MOST_TONES } from "@/core/group/tone";
import type { Work } from "@/core/progress";
import { costOf, isReady } from "../cost";
import { groupOutput, type GroupOutput } from "../group-output";
import { AmongOwned, deskOperation } from "../operation";

/** Coats that a tone which stands in for another may have. */
const MOST_COATS = 3;

export class SubstituteGroupQuestion extends AmongOwned {
  /** Colours of the tones as they are known. */
  @Colours(FEWEST_TONES, MOST_TONES) tones!: ColourInput[];
  @Codes(1, 6000) among!: string[];
  @Optional() @Whole(1, 10) top = 3;
}

export interface SubstituteGroupOutput {
  readonly groups: readonly {
    readonly group: GroupOutput;
    readonly each: readonly number[];
    readonly mean: number;
    readonly closeness: Closeness;
  }[];
}

/** A known group made again from other inks on this paper: each tone as near as may be to what it stands for, and still a group. */
export const substituteGroup = deskOperation(
  SubstituteGroupQuestion,
  function* (question, open): Work<SubstituteGroupOutput> {
    const { desk, labOf, placeOf } = open;
    const among = new Set(question.among.map((code, i) => placeOf(code, `among[${i}]`)));
    const price = costOf(open, question.ownedOnly);
    const may = (ink: number) => (among.has(ink) ? price(ink) : Infinity);
    const wanted = question.tones.map(labOf).sort((a, b) => b[0] - a[0]);
    const ready = desk.inks.filter((_, i) => Number.isFinite(may(i))).length;
    if (ready < wanted.length)
      throw wrong("among", `expected at least ${wanted.length} inks that are not dry; there are ${ready}`);
    const goal = goalLike(wanted);
    const found = yield* planGroups(desk, goal, question.top, {
      inkCost: may,
      weights: LIKENESS_WEIGHTS,
      maxCoats: MOST_COATS,
    });
    return {
      groups: found
        .map((g) => {
          const { each, mean } = likeness(g.tones, wanted);
          const group = groupOutput(
            open,
            assessGroup(desk, g.tones, goal, () => 0, isReady(open)),
          );
          return { group, each, mean, closeness: closeness(mean) };
        })
        .sort((a, b) => a.mean - b.mean),
    };
  },
);
