import { List } from "@/border/fields";
import { MOST_AREAS } from "@/border/piece";
import { mirroredMarks } from "@/core/light/mirror";
import { valueField } from "@/core/light/value-field";
import type { Mark } from "@/core/media/mark";
import type { Work } from "@/core/progress";
import { AreaId, groundFor, type AreaIdInput } from "../grounds";
import { operation } from "../operation";
import { formsOf, LightQuestion, relievedFor, walkable } from "./light";

/** An area that is meant. */
export class AreaOnly {
  @AreaId() id!: AreaIdInput;
}

/** Most pixels that are looked at for sparks: smaller than a nib nothing is set. */
const MOST_SEEN = 1e6;

class SparksQuestion extends LightQuestion {
  /** Areas that are looked at. */
  @List(() => AreaOnly, 1, MOST_AREAS, '{"id"}') areas!: AreaOnly[];
}

export interface SparksOutput {
  readonly areas: readonly { readonly id: string; readonly marks: readonly Mark[] }[];
}

function* sparksOf(question: SparksQuestion): Work<SparksOutput> {
  walkable(question.forms);
  const named = groundFor(question);
  yield 0.1;
  const by = Math.ceil(Math.sqrt(named.ground.own.length / MOST_SEEN));
  const { relieved } = relievedFor(named, formsOf(named, question.forms), Math.max(by, question.coarser));
  yield 0.7;
  const { values } = valueField(relieved, question.light);
  const wanted = question.areas.map(({ id }) => named.ids.indexOf(String(id))).filter((a) => a >= 0);
  const found = mirroredMarks(relieved, question.light.main, values, [...new Set(wanted)]);
  const byArea = new Map<number, Mark[]>();
  for (const { area, mark } of found) byArea.set(area, [...(byArea.get(area) ?? []), mark]);
  return { areas: [...byArea].map(([area, marks]) => ({ id: named.ids[area]!, marks })) };
}

/** Where the forms of areas mirror the main light: what a white pen sets last. */
export const sparks = operation(SparksQuestion, sparksOf);
