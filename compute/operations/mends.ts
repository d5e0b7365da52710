import { List, OneOf, Optional, Rule, Within } from "@/border/fields";
import { wrong } from "@/border/problem";
import { bordersOf, seeArea, type Border } from "@/core/colouring/look-over";
import { zoneMarks, type ZoneMark } from "@/core/colouring/zones";
import { NO_TONES, type ToneMap, type ToneWish } from "@/core/colouring/tone-map";
import { part, type Work } from "@/core/progress";
import { AnewInput, keptIn, laidWith, schoolNow, type OtherGroup } from "../area-anew";
import type { OpenDesk } from "../desk";
import { pencilsFor, type ShownArea } from "../laid-areas";
import { better, leftWhite, MENDED, roomier, type Mend, type Mended, type Place } from "../mend-one";
import { parted } from "../mend-pair";
import { deskOperation } from "../operation";
import { ShownQuestion, shownIn } from "./render";
import { fieldFor, toneMapFor, zonesOfMap } from "./tone-map";

/** Something that was noticed, to be mended. */
class FindingInput {
  @OneOf(MENDED) kind!: Mended;
  @Rule(
    "expected a list of one or two area ids",
    (v) =>
      Array.isArray(v) &&
      v.length >= 1 &&
      v.length <= 2 &&
      v.every((id) => typeof id === "string" && id.length <= 60),
  )
  areas!: string[];
}

const MOST_FINDINGS = 24;
/** Findings times inks that are looked at at once: about half a minute's work. */
const MOST_WORK = 6_000;

export class MendsQuestion extends ShownQuestion {
  /** What is wished of every area that is among the findings. */
  @List(() => AnewInput, 1, 2 * MOST_FINDINGS, '{"id","target"}') wishes!: AnewInput[];
  @List(() => FindingInput, 1, MOST_FINDINGS, '{"kind","areas"}') findings!: FindingInput[];
  /** ΔE00 under which two areas that touch run together. */
  @Optional() @Within(0, 60, "ΔE00") apart = 8;
}

export interface MendsOutput {
  /** One for each finding that something mends, in the order in which they were asked. */
  readonly mends: readonly Mend[];
}

function* mendsOf(
  question: MendsQuestion,
  open: OpenDesk,
  show?: (soFar: MendsOutput) => void,
): Work<MendsOutput> {
  if (question.findings.length * open.desk.inks.length > MOST_WORK)
    throw wrong("findings", `expected fewer at once: findings times inks are to be at most ${MOST_WORK}`);
  const field = fieldFor(question);
  const { ids } = field.named;
  const { ground } = field.relieved;
  const shown = yield* part(shownIn(field, question, open), 0, 0.3);
  const pencils = yield* part(pencilsFor(open, question.areas), 0.3, 0.05);
  const toneWishes = shown.map((s) => s?.wish ?? NO_TONES);
  const map = toneMapFor(field, toneWishes);
  const said = new Map(question.areas.map((a) => [String(a.id), a]));
  const wishes = new Map(question.wishes.map((w, i) => [String(w.id), { wish: w, path: `wishes[${i}].` }]));
  let borders: Border[] | undefined;

  /** Where tones go once some areas are wished otherwise. */
  const mapWith = (other: ReadonlyMap<number, ToneWish>) =>
    toneMapFor(
      field,
      toneWishes.map((w, i) => other.get(i) ?? w),
    );
  let marks: readonly ZoneMark[] | undefined;
  /** Where the lightest tone of an area has most room. */
  const roomOf = (at: number) => {
    marks ??= zoneMarks(
      ground,
      zonesOfMap(ground.own, { places: map.places, wishes: toneWishes }),
      field.relieved.flows,
    );
    return marks.find((m) => m.area === at && m.zone === 1);
  };
  const placeOf = (id: string, path: string): Place | undefined => {
    const at = ids.indexOf(id);
    if (at < 0) throw wrong(path, "expected the id of an area that lies on the drawing");
    const [area, wished, now] = [said.get(id), wishes.get(id), shown[at]];
    // What is not planned, and what nothing is wished of, has nothing that could be changed.
    if (!area || !wished || !now?.passes.length) return undefined;
    const { wish, path: of } = wished;
    const seenOn = (s: ShownArea, on: ToneMap) =>
      seeArea(s.laid, on, at, s.wanted, s.borders[1] ?? 1, ground.mmPerPixel);
    const look: Place["look"] = (s) => seenOn(s, map);
    const lookAgain: Place["lookAgain"] = (s, change) =>
      seenOn(s, mapWith(new Map([[at, { ...now.wish, borders: s.borders, ...change }]])));
    const lay = (other: OtherGroup) => laidWith(open, question, area, wish, other, pencils);
    return {
      id,
      at,
      now,
      area,
      wish,
      path: of,
      look,
      lookAgain,
      lay,
      kept: { ...keptIn(area.layers), school: schoolNow(area, wish) },
    };
  };
  const mends: Mend[] = [];
  for (const [n, { kind, areas }] of question.findings.entries()) {
    const places = areas.map((id, i) => placeOf(id, `findings[${n}].areas[${i}]`));
    const [from, wide] = [0.35 + (0.65 * n) / question.findings.length, 0.65 / question.findings.length];
    let found: Mend | undefined;
    if (kind === "merging") {
      if (areas.length !== 2) throw wrong(`findings[${n}].areas`, "expected two areas that run together");
      borders ??= bordersOf(ground);
      const both = places.filter((p) => p !== undefined);
      if (both.length)
        found = yield* part(
          parted(open, field, question.apart, shown, mapWith, borders, both, areas),
          from,
          wide,
        );
    } else {
      if (areas.length !== 1) throw wrong(`findings[${n}].areas`, "expected one area");
      const [place] = places;
      if (place && kind === "small highlight") found = roomier(place, map, ground.mmPerPixel);
      else if (place && kind !== "small highlight") {
        found = yield* part(better(open, question, place, kind), from, wide);
        if (!found && kind === "lost highlight") found = leftWhite(open, place, roomOf(place.at));
      }
    }
    if (found) mends.push(found);
    show?.({ mends: [...mends] });
    yield from + wide;
  }
  return { mends };
}

/** Ways to mend what was noticed of a colouring: each is laid and measured as {@link lookOver} does before it is offered. */
export const mends = deskOperation(MendsQuestion, mendsOf);
