import { List, Optional, Stack, Text } from "@/border/fields";
import { TONE, ToneInput } from "@/border/tone";
import { assessGroup } from "@/core/group/assess";
import { FEWEST_TONES, MOST_TONES } from "@/core/group/tone";
import type { Coated } from "@/core/group/chosen";
import type { OpenDesk } from "../desk";
import { groupOutput, type GroupOutput } from "../group-output";
import { askedOf, GroupWish } from "../group-wish";
import { deskOperation } from "../operation";

/** A group that somebody chose. */
export class AssessQuestion extends GroupWish {
  /** In the order of laying. */
  @List(() => ToneInput, FEWEST_TONES, MOST_TONES, TONE) tones!: ToneInput[];
  /** What lies beneath, and over, their shadow end, one entry a coat. */
  @Optional() @Stack() beneath: string[] = [];
  @Optional() @Stack() over: string[] = [];
}

/** Coats of one ink after another as runs of one ink. */
function runsOf(inks: readonly number[]): Coated[] {
  const out: { ink: number; coats: number }[] = [];
  for (const ink of inks) {
    const last = out.at(-1);
    if (last?.ink === ink) last.coats++;
    else out.push({ ink, coats: 1 });
  }
  return out;
}

function judge(open: OpenDesk, wish: AssessQuestion, path = ""): GroupOutput {
  const { desk, placeOf } = open;
  const tones = wish.tones.map((t, i) => ({
    ink: placeOf(t.code, `${path}tones[${i}].code`),
    coats: t.coats,
  }));
  const of = (codes: readonly string[], field: string) =>
    runsOf(codes.map((code, i) => placeOf(code, `${path}${field}[${i}]`)));
  const chosen = { tones, under: of(wish.beneath, "beneath"), over: of(wish.over, "over") };
  const group = assessGroup(desk, chosen, askedOf(open, wish, tones.length));
  return groupOutput(open, group, wish.sheet.capacity, undefined, tones);
}

/** What is to be said of a group that somebody chose, and how it builds up. */
export const assess = deskOperation(AssessQuestion, (question, open) => ({ group: judge(open, question) }));

class AreaGroup extends AssessQuestion {
  @Text(60, 1) id!: string;
}

export class AssessAreasQuestion {
  @List(() => AreaGroup, 0, 400, '{"id","tones","target"}') areas!: AreaGroup[];
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
