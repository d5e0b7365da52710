import { List, Optional, Stack, Text } from "@/border/fields";
import { TONE, ToneInput } from "@/border/tone";
import { assessGroup } from "@/core/group/assess";
import { FEWEST_TONES, MOST_TONES } from "@/core/group/tone";
import { isReady, judgedCost } from "../cost";
import type { OpenDesk } from "../desk";
import { goalOf, groupOutput, GroupWish, type GroupOutput } from "../group-output";
import { deskOperation } from "../operation";

/** A group that somebody chose. */
export class AssessQuestion extends GroupWish {
  /** In the order of laying. */
  @List(() => ToneInput, FEWEST_TONES, MOST_TONES, TONE) tones!: ToneInput[];
  /** What lies beneath all of them, one entry a coat. */
  @Optional() @Stack() beneath: string[] = [];
}

function judge(open: OpenDesk, wish: AssessQuestion, path = ""): GroupOutput {
  const { desk, placeOf } = open;
  const chosen = wish.tones.map((t, i) => ({
    ink: placeOf(t.code, `${path}tones[${i}].code`),
    coats: t.coats,
  }));
  const beneath = wish.beneath.map((code, i) => placeOf(code, `${path}beneath[${i}]`));
  const goal = goalOf(open, wish, chosen.length);
  const group = assessGroup(desk, chosen, goal, judgedCost(open), isReady(open));
  return groupOutput(open, group, undefined, chosen, beneath);
}

/** What is to be said of a group that somebody chose, and how it builds up. */
export const assess = deskOperation(AssessQuestion, (question, open) => ({ group: judge(open, question) }));

class AreaGroup extends AssessQuestion {
  @Text(60, 1) id!: string;
}

export class AssessAreasQuestion {
  @List(() => AreaGroup, 0, 200, '{"id","tones","target"}') areas!: AreaGroup[];
}

export interface AssessedAreas {
  readonly areas: readonly { readonly id: string; readonly group: GroupOutput }[];
}

/** The kept groups of a piece in one go, as ramps and strata need them. */
export const assessAreas = deskOperation(AssessAreasQuestion, function* ({ areas }, open): Generator<
  number,
  AssessedAreas
> {
  const out: { id: string; group: GroupOutput }[] = [];
  for (const [i, area] of areas.entries()) {
    out.push({ id: area.id, group: judge(open, area, `areas[${i}].`) });
    yield (i + 1) / areas.length;
  }
  return { areas: out };
});
