import { One, OneOf, Optional, Whole, Within } from "@/border/fields";
import { wrong } from "@/border/problem";
import { scattered, SCATTERED_IN, type ScatteredIn } from "@/core/colouring/scatter";
import { valueField } from "@/core/light/value-field";
import { LEAST_WIDTH, MOST_MARKS, MOST_WIDTH, type Mark } from "@/core/media/mark";
import type { Work } from "@/core/progress";
import { groundFor } from "../grounds";
import { operation } from "../operation";
import { formsOf, LightQuestion, relievedFor, walkable } from "./light";
import { AreaOnly } from "./sparks";

/** Most pixels that spots are scattered among: smaller than a nib nothing is set. */
const MOST_SEEN = 1e6;

class ScatterQuestion extends LightQuestion {
  @One(() => AreaOnly, 'expected {"id"}') area!: AreaOnly;
  /** How far spots are from each other at least, and how wide each is. */
  @Within(0.3, 100, "mm") apart!: number;
  @Within(LEAST_WIDTH, MOST_WIDTH, "mm") width!: number;
  @Optional() @OneOf(SCATTERED_IN) part: ScatteredIn = "all";
  @Optional() @OneOf(["spark", "dab"]) kind: "spark" | "dab" = "spark";
  @Optional() @Whole(1, MOST_MARKS, "marks") most = MOST_MARKS;
  /** Another number, another scattering. */
  @Optional() @Whole(0, 1e6) seed = 1;
}

export interface ScatterOutput {
  readonly marks: readonly Mark[];
}

function* scatterOf(question: ScatterQuestion): Work<ScatterOutput> {
  walkable(question.forms);
  const named = groundFor(question);
  const area = named.ids.indexOf(String(question.area.id));
  if (area < 0) throw wrong("area.id", "expected the id of an area that lies on the drawing");
  yield 0.1;
  const by = Math.ceil(Math.sqrt(named.ground.own.length / MOST_SEEN));
  const { relieved } = relievedFor(named, formsOf(named, question.forms), Math.max(by, question.coarser));
  yield 0.6;
  const { values } = valueField(relieved, question.light);
  const { apart, width, part, most, seed, kind } = question;
  const spots = scattered(relieved.ground, area, values, { apart, room: width / 2, part, most, seed });
  return { marks: spots.map((at) => ({ kind, points: [at], width })) };
}

/** Spots scattered over an area, its light or its shadow: freckles, snow, dabs of a pad. */
export const scatter = operation(ScatterQuestion, scatterOf);
