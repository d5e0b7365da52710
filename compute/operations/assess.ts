import { Codes, List, ListOfKinds, Optional, Stack, Text } from "@/border/fields";
import { FinisherInput } from "@/border/finisher";
import { MOST_LAYERS, PIECE_LAYERS } from "@/border/piece";
import { ChosenToneInput, TONE } from "@/border/tone";
import { assessGroup } from "@/core/group/assess";
import { FEWEST_TONES, MOST_TONES } from "@/core/group/tone";
import type { Coated } from "@/core/group/chosen";
import type { Layer } from "@/core/media/layer";
import { inOrder } from "@/core/media/registry";
import { carrierOf, handOrderOf, lightToDark } from "@/core/media/tone";
import { part, type Work } from "@/core/progress";
import type { OpenDesk } from "../desk";
import { groupOutput, type GroupOutput } from "../group-output";
import { askedOf, GroupWish, schoolOf } from "../group-wish";
import { pencilsFor, shownArea, type ShownArea } from "../laid-areas";
import { deskOperation } from "../operation";

/** A group that somebody chose. */
export class AssessQuestion extends GroupWish {
  /** In the order of laying: light to dark, unless each says where it belongs. */
  @List(() => ChosenToneInput, FEWEST_TONES, MOST_TONES, TONE) tones!: ChosenToneInput[];
  /** What lies beneath, and over, their shadow end, one entry a coat. */
  @Optional() @Stack() beneath: string[] = [];
  @Optional() @Stack() over: string[] = [];
  /** All that lies on the area, of which the strip is drawn; the group alone when it is left out. */
  @Optional() @ListOfKinds("medium", PIECE_LAYERS, MOST_LAYERS) layers?: Layer[];
  /** Inks of the whole piece's underlay, and colours of what is opaque, as for the colouring. */
  @Optional() @Codes(0, 4) underlay: string[] = [];
  @Optional() @List(() => FinisherInput, 0, 300, '{"code","color"}') finishers: FinisherInput[] = [];
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

function* judge(open: OpenDesk, wish: AssessQuestion, path = ""): Work<GroupOutput> {
  const { desk, placeOf } = open;
  const at = new Map(wish.tones.map((t, i) => [t, i]));
  const tones = lightToDark(wish.tones);
  const of = (codes: readonly string[], field: string) =>
    runsOf(codes.map((code, i) => placeOf(code, `${path}${field}[${i}]`)));
  const hand = handOrderOf(wish.tones);
  const chosen = {
    tones: tones.map((t) => ({ ink: placeOf(t.code, `${path}tones[${at.get(t)!}].code`), coats: t.coats })),
    ...(tones.some((t) => t.carries) && { local: carrierOf(wish.tones) }),
    ...(hand && { hand }),
    under: of(wish.beneath, "beneath"),
    over: of(wish.over, "over"),
  };
  const group = assessGroup(desk, chosen, askedOf(open, wish, tones.length));
  const whole = wish.layers && (yield* wholeArea(open, wish, wish.layers));
  return groupOutput(open, group, { sheet: wish.sheet, whole });
}

/** An area with all that lies on it. */
function* wholeArea(open: OpenDesk, wish: AssessQuestion, layers: readonly Layer[]): Work<ShownArea> {
  const { underlay, sheet, finishers } = wish;
  const asked = { layers: inOrder(layers), school: schoolOf(wish), underlay, upTo: null };
  const pencils = yield* pencilsFor(open, [asked]);
  return shownArea(open, asked, sheet, finishers, pencils);
}

/** What is to be said of a group that somebody chose, and how it builds up. */
export const assess = deskOperation(AssessQuestion, function* (question, open): Work<{
  group: GroupOutput;
}> {
  return { group: yield* judge(open, question) };
});

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
export const assessAreas = deskOperation(
  AssessAreasQuestion,
  function* ({ areas }, open): Work<AssessedAreas> {
    const out: { id: string; group: GroupOutput }[] = [];
    for (const [i, area] of areas.entries()) {
      const group = yield* part(judge(open, area, `areas[${i}].`), i / areas.length, 0);
      out.push({ id: area.id, group });
      yield (i + 1) / areas.length;
    }
    return { areas: out };
  },
);
