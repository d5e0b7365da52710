import { List, Numbers, One, Optional } from "@/border/fields";
import { FormInput, LightInput } from "@/border/light";
import { MOST_AREAS } from "@/border/piece";
import { PIXELS, PixelsInput } from "@/border/pixels";
import { wrong } from "@/border/problem";
import { readAs } from "@/border/read-as";
import { PAIR, PairInput } from "@/border/set-up";
import { DEFAULT_FORM, type Form } from "@/core/light/form";
import type { Flow } from "@/core/light/growth";
import { coarser as coarserGround, extentsOf, finer, type Ground } from "@/core/light/ground";
import type { LightPlan } from "@/core/light/light";
import { referenceValues } from "@/core/light/reference-values";
import { DARKEST, flowsOf, mixedValues, relieve, valueField, type Relieved } from "@/core/light/value-field";
import { NO_GAINS } from "@/core/picture/balance";
import type { Bytes } from "@/core/picture/plane";
import { memory } from "@/core/memory";
import type { Work } from "@/core/progress";
import {
  AreaId,
  fields,
  groundFor,
  groundKey,
  GroundQuestion,
  reliefs,
  type AreaIdInput,
  type Field,
  type NamedGround,
} from "../grounds";
import { hashOf } from "../hash";
import { operation } from "../operation";
import type { Values } from "../packed-values";
import { pixelsOf } from "../pictures";

class AreaFormInput extends FormInput {
  @AreaId() id!: AreaIdInput;
}

/** A reference, and where it lies over the drawing. */
export class LaidReference {
  @One(() => PixelsInput, PIXELS) image!: PixelsInput;
  @Optional() @List(() => PairInput, 0, 4, PAIR) pairs: PairInput[] = [];
  @Optional() @Numbers(3, 0.02, 50) gains: [number, number, number] = [...NO_GAINS];
}

export class LightQuestion extends GroundQuestion {
  /** Areas that are left out have the usual form. */
  @Optional() @List(() => AreaFormInput, 0, MOST_AREAS, '{"id","kind",…}') forms: AreaFormInput[] = [];
  @Optional() @One(() => LightInput, 'expected {"main","second",…}') light: LightInput = new LightInput();
  /** Whose values are mixed in. */
  @Optional() @One(() => LaidReference, 'expected {"image","pairs","gains"}') reference?: LaidReference;
}

export interface LightOutput {
  /** Names the values for {@link toneMap} and {@link render}. */
  readonly field: string;
  /** 0 light to 255 dark; 0 too where no area is. */
  readonly values: Bytes;
  readonly mmPerPixel: number;
}

/** Points of all lines that are drawn over forms: each is walked pixel by pixel. */
const MOST_LINE_POINTS = 20_000;

/** @throws BadInput when more is drawn than can be walked in reasonable time */
export function walkable(forms: readonly AreaFormInput[]): void {
  const drawn = forms.flatMap((f) => [
    ...f.creases,
    ...(f.growth?.strokes ?? []),
    ...(f.growth?.partings ?? []),
  ]);
  const points = drawn.reduce((sum, line) => sum + line.length, 0);
  if (points > MOST_LINE_POINTS)
    throw wrong(
      "forms",
      `expected at most ${MOST_LINE_POINTS} points of creases and growth in all; there are ${points}`,
    );
}

/** Forms of a ground's areas in their order. */
export function formsOf({ ids }: NamedGround, said: readonly AreaFormInput[]): Form[] {
  const known = new Map(said.map(({ id, ...form }) => [String(id), form]));
  return ids.map((id) => known.get(id) ?? DEFAULT_FORM);
}

export function relievedFor(
  named: NamedGround,
  forms: readonly Form[],
  coarser: number,
): { key: string; relieved: Relieved } {
  const key = hashOf([named.key, forms, coarser]);
  const known = reliefs.recall(key);
  const placeOf = (id: string) => named.ids.indexOf(id);
  return { key, relieved: known ?? reliefs.keep(key, relieve(named.ground, forms, placeOf, coarser)) };
}

/** Most pixels that forms are worked out for; larger pictures are looked at more coarsely, which soft light bears. */
const MOST_EXACT = 6e6;

/** Values at the size that is asked for, from a look that may be coarser. */
function valuesAt(ground: Ground, relieved: Relieved, by: number, light: LightPlan): Uint16Array {
  const { values } = valueField(relieved, light);
  return by > 1 ? Uint16Array.from(finer(Float32Array.from(values), relieved.ground, ground, by)) : values;
}

/** Values of drawings as they were worked out elsewhere, by the name of the field. */
const kept = memory<Values>(3);

/** Names the values of a drawing under a light, before its ground is known; of no drawing, or with a reference mixed in, they have no such name. */
function keptName(question: LightQuestion): string | undefined {
  const { image, drawn, coarser, light, reference } = question;
  if (!image?.picture || !drawn || coarser !== 1 || (reference && light.fromReference)) return undefined;
  return hashOf([groundKey(image.picture, question), question.forms, light]);
}

/** Takes values in that were worked out elsewhere. False when the question has none that are kept. */
export function takeValues(plain: unknown, values: Values): boolean {
  const name = keptName(readAs(LightQuestion, plain));
  if (name) kept.keep(name, values);
  return name !== undefined;
}

/** Values as they lie here, for whoever asks the same next; undefined for those that have no name, or were put away. */
export function givenValues(plain: unknown, field: string): Values | undefined {
  const known = keptName(readAs(LightQuestion, plain)) ? fields.recall(field) : undefined;
  if (!known) return undefined;
  const { width, height } = known.relieved.ground;
  return { width, height, values: known.values };
}

/** A field of values that were worked out before: only hair needs the forms again. */
function knownField(question: LightQuestion, named: NamedGround): Field | undefined {
  const name = keptName(question);
  const known = name ? kept.recall(name) : undefined;
  const { ground } = named;
  if (!known || known.width !== ground.width || known.height !== ground.height) return undefined;
  const flows =
    ground.own.length > MOST_EXACT
      ? new Map<number, Flow>()
      : flowsOf(ground, formsOf(named, question.forms), extentsOf(ground));
  return {
    key: hashOf([name, "kept"]),
    named,
    relieved: { ground, flows },
    coarser: 1,
    values: known.values,
  };
}

/** A field of values that are worked out here. */
function* workedField(question: LightQuestion, named: NamedGround): Work<Field> {
  const { light, coarser, reference } = question;
  const ground = coarserGround(named.ground, coarser);
  const by = Math.ceil(Math.sqrt(ground.own.length / MOST_EXACT));
  yield 0.1;
  const { key, relieved } = relievedFor(named, formsOf(named, question.forms), coarser * by);
  yield 0.6;
  const computed = valuesAt(ground, relieved, by, light);
  const share = reference ? light.fromReference : 0;
  let values = computed;
  if (reference && share) {
    const picture = pixelsOf(reference.image, "reference.image");
    const shown = referenceValues(ground, picture, reference.pairs, reference.gains);
    values = mixedValues(computed, shown, share, ground);
  }
  const said = share &&
    reference && { ...reference, image: reference.image.picture ?? hashOf(reference.image.data) };
  // Growth is told on the drawing that was looked at; a coarser look cannot lend it to a finer picture.
  const flows = by > 1 ? new Map<number, Flow>() : relieved.flows;
  return { key: hashOf([key, light, said]), named, relieved: { ground, flows }, coarser, values };
}

function* lightOf(question: LightQuestion): Work<LightOutput> {
  walkable(question.forms);
  const named = groundFor(question);
  const field = knownField(question, named) ?? (yield* workedField(question, named));
  fields.keep(field.key, field);
  const { values } = field;
  const { width, height, mmPerPixel } = field.relieved.ground;
  const shown = new Uint8Array(values.length);
  for (let p = 0; p < shown.length; p++) shown[p] = (values[p]! * 255) / DARKEST + 0.5;
  return { field: field.key, values: { width, height, data: shown }, mmPerPixel };
}

/** Light and dark of every area: forms in depth, lit, with the shade of what passes before them. */
export const light = operation(LightQuestion, lightOf);
