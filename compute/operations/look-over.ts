import { reachOn } from "@/core/ink/reach";
import { inkPasses } from "@/core/course/laid-passes";
import { fadeOf } from "@/core/ink/fade";
import { List, One, Optional, Within } from "@/border/fields";
import { hueTurn, hue, chroma, type Lab } from "@/core/colour/lab";
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
import { reads } from "@/core/shadow/monochrome";
import { noticedInWords, type Noticed } from "@/words/check";
import { Names } from "../area-names";
import type { OpenDesk } from "../desk";
import { targetOf } from "../group-wish";
import { deskOperation } from "../operation";
import { pixelsOf } from "../pictures";
import { LaidReference } from "./light";
import { seen, type SeenColour } from "../seen";
import { ShownQuestion, shownIn, type ShownInField } from "./render";
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

/** A border shorter than this is a touch of corners, mm; and the share of one that has to run together to be told. */
const [SHORTEST, MUCH] = [4, 0.4] as const;
/** ΔE00 over its pixels from which on an area is off. */
const OFF = 5;
/** mm² of a highlight that a nib can hardly lay; of areas larger than so many mm². */
const [SMALL, OF_LARGE] = [3, 60] as const;
/** L* by which a highlight is covered. */
const COVERED = 7;
/** L* from dark to light under which a picture is flat, and by which it may be flatter than its reference. */
const [FLAT, FLATTER] = [35, 12] as const;

/** How far the hue of a shadow is held by its underlay, degrees; undefined when the cover reads as itself, or there is no underlay. */
function paleCover(open: OpenDesk, shown: ShownInField, question: ShownQuestion): number | undefined {
  const under = shown.passes.filter((p) => p.role === "underlay" || p.role === "undertone");
  if (!under.length) return undefined;
  const { desk } = open;
  const t = (Math.max(...under.map((p) => p.from)) + 1) / 2;
  const cover = fadeOf(
    desk,
    inkPasses(
      shown.passes.filter((p) => !under.includes(p)),
      open.find,
    ),
    reachOn(desk, question.sheet),
  ).at(t, 0);
  const seen: Lab = shown.laid.at(t, 0);
  return reads(cover, seen) || chroma(cover) < 4 ? undefined : Math.abs(hueTurn(hue(cover), hue(seen)));
}

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
    const size =
      map.counts.subarray(a * 256, a * 256 + 256).reduce((s, n) => s + n, 0) * ground.mmPerPixel ** 2;
    const tones = own.borders.length - 1;
    const cramped = tones > 2 && size > OF_LARGE && looked.lightest < SMALL && own.wish.whites.length === 0;
    if (cramped) noticed.push({ kind: "small highlight", area: id, mm2: looked.lightest });
    const target = asked.get(id)?.wish && targetOf(open, asked.get(id)!.wish!.target);
    const darker = target?.light ? target.light[0] - looked.ends[0][0] : 0;
    // What has no room at all is not covered.
    if (darker > COVERED && !cramped) noticed.push({ kind: "lost highlight", area: id, darker });
    const turn = paleCover(open, own, question);
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
    if (mm > SHORTEST && merging > MUCH && colours[a] && colours[b])
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
