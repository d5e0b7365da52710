import { Optional, Whole } from "@/border/fields";
import { wrong } from "@/border/problem";
import { judgeLaid } from "@/core/group/assess";
import { planGroups } from "@/core/group/plan";
import { shapesOf, toneCounts } from "@/core/group/shapes";
import { FEWEST_TONES } from "@/core/group/tone";
import type { Work } from "@/core/progress";
import { counted } from "@/words/numbers";
import { costOf, isUnowned } from "../cost";
import { groupOutput, type GroupOutput } from "../group-output";
import { askedOf, fixedOf, PlanWish, shapeWishOf } from "../group-wish";
import { deskOperation } from "../operation";

export class GroupQuestion extends PlanWish {
  @Optional() @Whole(1, 20) top = 5;
  /** Most inks that are not owned (those of a cost) in one group. */
  @Optional() @Whole(0, 6) purchases?: number;
}

/** The best blend groups for a target as they will lie on the paper, with their reasons. */
export const group = deskOperation(GroupQuestion, function* (question, open): Work<{
  groups: GroupOutput[];
}> {
  const { desk } = open;
  const { top, purchases, sheet } = question;
  const price = costOf(open, question.ownedOnly);
  const excluded = new Set(question.exclude);
  const cost = (ink: number) => (excluded.has(desk.inks[ink]!.code) ? Infinity : price(ink));
  const fixed = fixedOf(open, question);
  const tones = question.tones === "auto" ? FEWEST_TONES : question.tones;
  const ready = desk.inks.filter((_, i) => Number.isFinite(cost(i)) || fixed.some((f) => f.ink === i)).length;
  if (ready < tones)
    throw wrong(
      "inks",
      `expected at least ${tones} inks that are not dry for ${tones} tones; there are ${ready}`,
    );
  const wish = shapeWishOf(open, question);
  const planned = yield* planGroups(desk, wish, top, {
    inkCost: cost,
    fixed,
    unowned: (ink) => isUnowned(open, ink),
    ...(purchases !== undefined && { purchases }),
  });
  // The paper is at fault only where it holds no way to lay the group, whatever the inks.
  if (!planned.length && toneCounts(wish, fixed.length).some((n) => shapesOf(wish, n).length))
    throw wrong(
      "inks",
      "expected inks that fall in lightness enough for such a group around this colour; ask for fewer tones, or let more inks in",
    );
  if (!planned.length)
    throw wrong(
      "sheet.capacity",
      `expected a paper that holds such a group: with ${question.tones === "auto" ? "any number of" : question.tones} tones laid like this nothing fits in ${counted(sheet.capacity, "coat")}. Ask for fewer tones, another school, or another way to make the shadow`,
    );
  const judged = planned.map((g) =>
    judgeLaid(desk, g, { ...askedOf(open, question, g.inks.tones.length), school: g.laying.school }),
  );
  return {
    groups: judged.map((g, i) => groupOutput(open, g, { sheet, ...(i && { first: judged[0] }) })),
  };
});
