import { AreaShares } from "@/border/area-shares";
import { Codes, Colours, Nullable, One, OneOf, Optional, Whole } from "@/border/fields";
import { SHEET, SheetInput } from "@/border/sheet";
import type { ColourInput } from "@/border/colour";
import { wrong } from "@/border/problem";
import { closeness, type Closeness } from "@/core/colour/delta-e00";
import { judgeLaid } from "@/core/group/assess";
import { groupGoal } from "@/core/group/goal";
import { AREA_LIKENESS_WEIGHTS, goalLike, likeness, LIKENESS_WEIGHTS } from "@/core/group/like";
import { planGroups } from "@/core/group/plan";
import { SCHOOLS, type School } from "@/core/group/school";
import type { ShapeWish } from "@/core/group/shapes";
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
  @Optional() @OneOf(SCHOOLS) school: School = "light first";
  @Optional() @One(() => SheetInput, SHEET) sheet: SheetInput = new SheetInput();
  /** How the area that it is laid on is divided from its light end to its dark one; without it each tone counts alike. */
  @Nullable() @AreaShares() shares?: number[] | null;
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
    const capacity = question.sheet.capacity;
    const steps = question.shares ?? undefined;
    const weights = steps ? AREA_LIKENESS_WEIGHTS : LIKENESS_WEIGHTS;
    const wish: ShapeWish = {
      target: { local: wanted[wanted.length >> 1]! },
      wish: {},
      paper: desk.paper.lab,
      tones: wanted.length,
      mostTones: wanted.length,
      school: question.school,
      shadow: "deeper",
      capacity,
    };
    const found = yield* planGroups(
      desk,
      wish,
      question.top,
      { inkCost: may, weights, goalOf: (shape) => goalLike(desk, wanted, shape, steps) },
      MOST_COATS,
    );
    return {
      groups: found
        .map((g) => {
          const asked = {
            school: g.laying.school,
            capacity,
            // A group with a tone more has places of its own between the same colours.
            goalOf: (places: number, local: number) =>
              places === g.goal.places.length
                ? g.goal
                : groupGoal(g.goal, places, desk.paper.lab, { shares: steps }, local),
            owned: isReady(open),
            weights,
          };
          const judged = judgeLaid(desk, g, asked);
          const { each, mean } = likeness(judged.tones, wanted, steps && judged.goal.shares);
          return {
            group: groupOutput(open, judged, { sheet: question.sheet }),
            each,
            mean,
            closeness: closeness(mean),
          };
        })
        .sort((a, b) => a.mean - b.mean),
    };
  },
);
