import { Codes, List, Optional, Whole } from "@/border/fields";
import { wrong } from "@/border/problem";
import { TONE, ToneInput } from "@/border/tone";
import { assessGroup } from "@/core/group/assess";
import { planGroups } from "@/core/group/plan";
import { FEWEST_TONES, MOST_TONES } from "@/core/group/tone";
import { costOf, isReady, isUnowned, judgedCost } from "../cost";
import { GroupWish, goalOf, groupOutput, type GroupOutput } from "../group-output";
import { deskOperation } from "../operation";

export class GroupQuestion extends GroupWish {
  @Optional() @Whole(FEWEST_TONES, MOST_TONES) tones = 4;
  @Optional() @Whole(1, 20) top = 5;
  /** Tones that stay; the rest is planned around them. */
  @Optional() @List(() => ToneInput, 0, MOST_TONES, TONE) fixed: ToneInput[] = [];
  /** Codes that must not be used. */
  @Optional() @Codes(0, 6000) exclude: string[] = [];
  /** Most inks that are not owned (those of a cost) in one group. */
  @Optional() @Whole(0, 6) purchases?: number;
}

/** The best blend groups for a target, with their reasons. */
export const group = deskOperation(GroupQuestion, function* (question, open): Generator<
  number,
  { groups: GroupOutput[] }
> {
  const { desk, placeOf } = open;
  const { tones, top, purchases } = question;
  const price = costOf(open, question.ownedOnly);
  const excluded = new Set(question.exclude);
  const cost = (ink: number) => (excluded.has(desk.inks[ink]!.code) ? Infinity : price(ink));
  const fixed = question.fixed.map((t, i) => {
    if (question.fixed.findIndex((f) => f.code === t.code) < i)
      throw wrong(`fixed[${i}].code`, `expected a code of its own: "${t.code}" stands there twice`);
    return { ink: placeOf(t.code, `fixed[${i}].code`), coats: t.coats };
  });
  if (fixed.length > tones)
    throw wrong("fixed", `expected at most ${tones} tones to stay; there are ${fixed.length}`);
  const ready = desk.inks.filter((_, i) => Number.isFinite(cost(i)) || fixed.some((f) => f.ink === i)).length;
  if (ready < tones)
    throw wrong(
      "inks",
      `expected at least ${tones} inks that are not dry for ${tones} tones; there are ${ready}`,
    );
  const goal = goalOf(open, question, tones);
  const planned = yield* planGroups(desk, goal, top, {
    inkCost: cost,
    fixed,
    unowned: (ink) => isUnowned(open, ink),
    ...(purchases !== undefined && { purchases }),
  });
  const judged = planned.map((g) => assessGroup(desk, g.tones, goal, judgedCost(open), isReady(open)));
  return { groups: judged.map((g, i) => groupOutput(open, g, i ? judged[0] : undefined)) };
});
