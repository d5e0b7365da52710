import { List, One, Optional, Within } from "@/border/fields";
import {
  againstReference,
  meetingsOf,
  seeArea,
  valuesOfColouring,
  type Values,
} from "@/core/colouring/look-over";
import { paint } from "@/core/colouring/paint";
import { NO_TONES } from "@/core/colouring/tone-map";
import { referenceValues } from "@/core/light/reference-values";
import type { Bytes } from "@/core/picture/plane";
import { part, type Work } from "@/core/progress";
import { noticedInWords, type Noticed } from "@/words/check";
import { Names } from "../area-names";
import type { OpenDesk } from "../desk";
import { targetOf } from "../group-wish";
import { deskOperation } from "../operation";
import { COVERED, darkerBy, isCramped, isMerging, paleCover } from "../noticing";
import { pixelsOf } from "../pictures";
import { LaidReference } from "./light";
import { seen, type SeenColour } from "../seen";
import { ShownQuestion, shownIn } from "./render";
import { fieldFor, toneMapFor } from "./tone-map";

export class LookOverQuestion extends ShownQuestion {
  /** ΔE00 under which two areas that touch run together. */
  @Optional() @Within(0, 60, "ΔE00") apart = 8;
  @Optional() @One(() => LaidReference, 'expected {"image","pairs","gains"}') reference?: LaidReference;
  /** What areas are called; their ids where nothing is said. */
  @Optional() @List(() => Names, 0, 400, '{"id","name"}') names: Names[] = [];
}

export interface LookOverOutput {
  /** What to look at before a marker is uncapped, worst first. */
  readonly noticed: readonly (Noticed & {
    readonly says: string;
    readonly figure: string;
    readonly advice: string;
  })[];
  /** Mean ΔE00 of each area from what was picked, over its pixels, none for what was not; and its colour from afar, where something lies there. */
  readonly areas: readonly {
    readonly id: string;
    readonly deltaE00?: number;
    readonly seen?: SeenColour;
  }[];
  readonly values: Values;
  readonly wanted?: Values;
  /** 128 none, 255 the colouring is 50 L* lighter than the reference, 0 that much darker. */
  readonly differences?: Bytes;
}

/** ΔE00 over its pixels from which on an area is off. */
const OFF = 5;
/** L* from dark to light under which a picture is flat, and by which it may be flatter than its reference. */
const [FLAT, FLATTER] = [35, 12] as const;

function* lookOverOf(question: LookOverQuestion, open: OpenDesk): Work<LookOverOutput> {
  const field = fieldFor(question);
  const { ground } = field.relieved;
  const shown = yield* part(shownIn(field, question, open), 0, 0.6);
  const wishes = shown.map((s) => s?.wish ?? NO_TONES);
  const map = toneMapFor(field, wishes);
  const colours = shown.map((s) => (s?.passes.length ? s.colours() : undefined));
  const rgba = paint(ground, map.places, colours, field.relieved.flows, {
    paper: open.desk.paper.lab,
    texture: 0,
  });
  yield 0.8;
  const ids = field.named.ids;
  const asked = new Map(question.areas.map((a) => [String(a.id), a]));
  const noticed: Noticed[] = [];
  const areas = ids.map((id, a): LookOverOutput["areas"][number] => {
    const own = shown[a];
    if (!own?.passes.length) return { id };
    const looked = seeArea(own.laid, map, a, own.wanted, own.borders[1] ?? 1, ground.mmPerPixel);
    if (looked.off !== undefined && looked.off > OFF)
      noticed.push({ kind: "off target", area: id, deltaE00: looked.off });
    const cramped = isCramped(own, map, a, looked.lightest, ground.mmPerPixel);
    if (cramped) noticed.push({ kind: "small highlight", area: id, mm2: looked.lightest });
    const wish = asked.get(id)?.wish;
    const darker = wish ? darkerBy(targetOf(open, wish.target), looked, own.wish) : 0;
    // What has no room at all is not covered.
    if (darker > COVERED && !cramped) noticed.push({ kind: "lost highlight", area: id, darker });
    const turn = paleCover(open, own, question.sheet);
    if (turn !== undefined) noticed.push({ kind: "pale cover", area: id, turn });
    return {
      id,
      seen: seen(looked.mean),
      ...(looked.off !== undefined && { deltaE00: looked.off }),
    };
  });
  for (const {
    areas: [a, b],
    mm,
    merging,
    deltaE00,
  } of meetingsOf(ground, rgba, question.apart))
    if (isMerging(mm, merging) && colours[a] && colours[b])
      noticed.push({ kind: "merging", areas: [ids[a]!, ids[b]!], share: merging, deltaE00 });
  // What has no plan yet is neither light nor dark.
  const planned = shown.map((s) => (s && (s.passes.length || s.wish.white) ? 1 : 0));
  const values = valuesOfColouring(ground, rgba, planned);
  const span = values.light - values.dark;
  let compared: { wanted: Values; differences: Bytes } | undefined;
  if (question.reference) {
    const { image, pairs, gains } = question.reference;
    const reference = referenceValues(ground, pixelsOf(image, "reference.image"), pairs, gains);
    const { values: wanted, differences } = againstReference(ground, rgba, reference, planned);
    compared = { wanted, differences: { width: ground.width, height: ground.height, data: differences } };
    const theirs = wanted.light - wanted.dark;
    if (theirs - span > FLATTER) noticed.push({ kind: "less contrast", span, wanted: theirs });
  } else if (span < FLAT && areas.some((a) => a.deltaE00 !== undefined)) noticed.push({ kind: "flat", span });
  const names = new Map(question.names.map((n) => [String(n.id), n.name]));
  const nameOf = (id: string) => names.get(id) ?? id;
  return {
    noticed: noticed.map((n) => ({ ...n, ...noticedInWords(n, nameOf) })),
    areas,
    values,
    ...compared,
  };
}

/** Looks a predicted colouring over: what runs together, what is off, what gets lost, and its values against the reference's. */
export const lookOver = deskOperation(LookOverQuestion, lookOverOf);
