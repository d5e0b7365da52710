import { memory, type Memory } from "@/core/memory";
import { colourOf } from "@/border/colour";
import type { FinisherInput } from "@/border/finisher";
import type { SheetInput } from "@/border/sheet";
import { shownOf } from "@/core/colour/display";
import type { Lab } from "@/core/colour/lab";
import { screenColours, type AreaColours } from "@/core/colouring/paint";
import type { SetMarks } from "@/core/colouring/set-marks";
import { courseOf, type Course } from "@/core/course/course";
import { layArea, type LaidArea } from "@/core/course/laid-area";
import { laidPasses } from "@/core/course/laid-passes";
import { layChosen, type WeighedChoice } from "@/core/group/chosen";
import { wantedOf, type Wanted } from "@/core/group/wanted";
import type { School } from "@/core/group/school";
import { reachOn } from "@/core/ink/reach";
import { layersOf, type Layer } from "@/core/media/layer";
import { addedPasses, bringsOf, type AddedInk } from "@/core/media/medium";
import { carrierOf, handOrderOf, lightToDark } from "@/core/media/tone";
import { shadowEnd } from "@/core/media/zones";
import type { Work } from "@/core/progress";
import type { OpenDesk } from "./desk";
import { askedOf, type GroupWish } from "./group-wish";
import { hashOf } from "./hash";
import { pencilsOf, type PencilDesk } from "./pencil-desk";

/** What is asked of an area that is shown. */
export interface LaidWish {
  readonly layers: readonly Layer[];
  readonly school: School;
  /** What its group should reach. */
  readonly wish?: GroupWish;
  /** Inks of the whole piece's underlay, light to dark. */
  readonly underlay: readonly string[];
  /** Passes that are laid so far; null lays all. */
  readonly upTo: number | null;
  /** Ink that was laid beside the plan, over all of that. */
  readonly added?: readonly AddedInk[];
}

/** An area as it will lie; what is not read on this paper is left out of the picture. */
export interface ShownArea extends Course {
  readonly laid: LaidArea;
  /** What its group should show along it; nothing where nothing is wished. */
  readonly wanted: readonly Wanted[] | undefined;
  readonly colours: () => AreaColours;
  /** What is set at its very spot over all of it. */
  readonly marks: readonly SetMarks[];
}

const WHITE: Lab = [96, 0, 0];

const kept = new WeakMap<OpenDesk, Memory<ShownArea>>();
const MOST_SHOWN = 900;

/** How a group that somebody chose is laid, and what is wanted along it; undefined where nothing is wished or not all of it was read. */
function chosenIn(
  open: OpenDesk,
  layers: readonly Layer[],
  wish: GroupWish | undefined,
): WeighedChoice | undefined {
  const tones = layersOf(layers, "tone");
  const { under, over } = shadowEnd(layers);
  const isKnown = ({ code }: { readonly code: string }) => open.find(code) !== undefined;
  if (!wish || tones.length < 2 || ![...tones, ...under, ...over].every(isKnown)) return undefined;
  const coated = (l: { code: string; coats: number }) => ({ ink: open.find(l.code)!, coats: l.coats });
  const hand = handOrderOf(tones);
  const chosen = {
    tones: lightToDark(tones).map(coated),
    local: carrierOf(tones),
    ...(hand && { hand }),
    under: under.map(coated),
    over: over.map(coated),
  };
  return layChosen(open.desk, chosen, askedOf(open, wish, tones.length));
}

type DrawnPencils = Pick<PencilDesk, "pencils" | "fit">;

/** Where nothing is drawn. */
export const NO_PENCILS: DrawnPencils = { pencils: [], fit: undefined as never };

/** The fitted pencils of the desk where something is drawn on one of these areas; fitting takes seconds, so nobody else waits for it. */
export function* pencilsFor(
  open: OpenDesk,
  areas: readonly { readonly layers: readonly Layer[] }[],
): Work<DrawnPencils> {
  const drawn = areas.some(({ layers }) =>
    courseOf(layers, { school: "light first", capacity: Infinity }).passes.some(
      (p) => bringsOf(p) === "pencil",
    ),
  );
  return drawn && open.input.pencils.length ? yield* pencilsOf(open) : NO_PENCILS;
}

/** All that is known of an area's layers as they will lie on the desk's paper; worked out once. */
export function shownArea(
  open: OpenDesk,
  asked: LaidWish,
  sheet: SheetInput,
  finishers: readonly FinisherInput[],
  pencils: DrawnPencils,
): ShownArea {
  const memories = kept.get(open) ?? memory<ShownArea>(MOST_SHOWN);
  kept.set(open, memories);
  const key = hashOf([asked, sheet, finishers, pencils.pencils.length]);
  return memories.recall(key) ?? memories.keep(key, showArea(open, asked, sheet, finishers, pencils));
}

function showArea(
  open: OpenDesk,
  { layers, school, wish, underlay, upTo, added = [] }: LaidWish,
  sheet: SheetInput,
  finishers: readonly FinisherInput[],
  { pencils, fit }: DrawnPencils,
): ShownArea {
  const { desk } = open;
  const course = courseOf(layers, { school, capacity: sheet.capacity, underlay });
  const chosen = chosenIn(open, layers, wish);
  const opaqueOf = (code: string): Lab => {
    const own = finishers.find((f) => f.code === code);
    return own ? colourOf(own.color).lab : WHITE;
  };
  const soFar = course.passes.slice(0, upTo ?? course.passes.length);
  const laid = laidPasses([...soFar, ...added.flatMap(addedPasses)], {
    inkOf: open.find,
    filmOf: (code) => pencils.find((p) => p.film.code === code)?.film,
    toothOf: () => fit,
    opaqueOf,
  });
  const area = layArea(desk, laid, reachOn(desk, sheet));
  let colours: AreaColours | undefined;
  return {
    ...course,
    laid: area,
    wanted: chosen && wantedOf(chosen.goal, chosen.weighed.places),
    colours: () => (colours ??= screenColours(area)),
    marks: soFar.flatMap(({ code, marks }) => (marks ? [{ marks, rgb: shownOf(opaqueOf(code)).rgb }] : [])),
  };
}
