import { colourOf, type ColourInput } from "@/border/colour";
import { Colour, Flag, List, Optional, Whole, Within } from "@/border/fields";
import { MOST_AREAS } from "@/border/piece";
import { wrong } from "@/border/problem";
import { deltaE00 } from "@/core/colour/delta-e00";
import type { Lab } from "@/core/colour/lab";
import { toneMeans } from "@/core/colouring/tone-means";
import { NO_TONES } from "@/core/colouring/tone-map";
import { wantedAt } from "@/core/group/wanted";
import { part, type Work } from "@/core/progress";
import { addedPasses, bringsOf } from "@/core/media/medium";
import { covers } from "@/core/ink/span";
import { evenedByPlan } from "@/core/sheet/even-by-plan";
import { whyOff, type Explained } from "@/core/sheet/why";
import { coatsAt } from "@/core/work/at-desk";
import { byWhatInWords, whyInWords, type WhyOff } from "@/words/why";
import { costOf } from "../cost";
import { AreaId, type AreaIdInput } from "../grounds";
import { deskOperation } from "../operation";
import type { OpenDesk } from "../desk";
import { seen, type SeenColour } from "../seen";
import { ShownQuestion, shownIn } from "./render";
import { fieldFor, toneMapFor } from "./tone-map";

class LiesZoneInput {
  /** Number of the tone from 1, lightest first, as the tone map has them. */
  @Whole(1, 30) zone!: number;
  @Colour() lab!: ColourInput;
}

class LiesInput {
  @AreaId() id!: AreaIdInput;
  @List(() => LiesZoneInput, 1, 30, '{"zone","lab"}') zones!: LiesZoneInput[];
}

export class CompareSheetQuestion extends ShownQuestion {
  /** What was read on the sheet. */
  @List(() => LiesInput, 0, MOST_AREAS, '{"id","zones"}') lies!: LiesInput[];
  /** Median ΔE00 by which what was read may be wrong. */
  @Optional() @Within(0, 30, "ΔE00") photo = 2;
  /** Takes what is off everywhere alike for the photo's light: for one in which no colour is known. */
  @Optional() @Flag() evens = false;
  /** Whether only what is owned may have been taken by mistake. */
  @Optional() @Flag() ownedOnly = false;
}

export interface ComparedZone {
  readonly id: string;
  readonly zone: number;
  /** Tones of its area. */
  readonly of: number;
  readonly mm2: number;
  readonly planned: SeenColour;
  readonly lies: SeenColour;
  readonly deltaE00: number;
  /** What was picked there, and how far what lies is from that; left out where nothing was picked. */
  readonly picked?: SeenColour & { readonly deltaE00: number };
  /** How far prediction and photo may be wrong by themselves, and whether the difference is no larger. */
  readonly doubt: number;
  readonly within: boolean;
  /** Ink that was planned there, one entry a coat, and what most likely lies. */
  readonly stack: readonly string[];
  readonly likely: readonly string[];
  /** Whether pencil lies over it: no ink goes there any more. */
  readonly drawnOver: boolean;
  /** Places of the area that the zone takes, 0 its light end. */
  readonly from: number;
  readonly to: number;
  readonly causes: readonly WhyOff[];
  readonly says: string;
}

export interface CompareSheetOutput {
  /** Worst first: those that the photo can tell, by difference. */
  readonly zones: readonly ComparedZone[];
  /** Mean ΔE00 over what was read, by area on the paper. */
  readonly mean: number | null;
}

/** Zones of all areas together: some seconds' work on a large rack. */
const MOST_ZONES = 2000;

function* compareSheetOf(question: CompareSheetQuestion, open: OpenDesk): Work<CompareSheetOutput> {
  const field = fieldFor(question);
  const { ids } = field.named;
  const { ground } = field.relieved;
  if (question.lies.reduce((sum, { zones }) => sum + zones.length, 0) > MOST_ZONES)
    throw wrong("lies", `expected at most ${MOST_ZONES} zones in all`);
  const places = question.lies.map(({ id }, i) => {
    const at = ids.indexOf(String(id));
    if (at < 0) throw wrong(`lies[${i}].id`, "expected the id of an area that lies on the drawing");
    return at;
  });
  const shown = yield* part(shownIn(field, question, open), 0, 0.5);
  const price = costOf(open, question.ownedOnly);
  const usable = (ink: number) => Number.isFinite(price(ink));
  const said = new Map(question.areas.map((a) => [String(a.id), a]));
  const wishes = shown.map((s) => s?.wish ?? NO_TONES);
  const means = toneMeans(
    ground,
    toneMapFor(field, wishes),
    shown.map((s) => (s?.passes.length ? s.laid : undefined)),
    wishes.map((w) => w.borders),
  );
  const read = question.lies.flatMap(({ zones }, i) => {
    const at = places[i]!;
    const own = shown[at];
    if (!own?.passes.length) return [];
    const tones = means[at]!;
    return zones.flatMap(({ zone, lab }, n) => {
      if (zone > tones.length)
        throw wrong(`lies[${i}].zones[${n}].zone`, `expected a tone of the area, 1 to ${tones.length}`);
      const tone = tones[zone - 1];
      if (!tone) return [];
      return [{ id: ids[at]!, own, tones, zone, ...tone, planned: tone.lab, lies: colourOf(lab).lab }];
    });
  });
  const even = question.evens ? evenedByPlan(read) : (lab: Lab) => lab;
  const zones: ComparedZone[] = [];
  for (const [i, { id, own, tones, zone, planned, middle: t, from, to, mm2, ...rest }] of read.entries()) {
    const asked = said.get(id)!;
    const lying = [
      ...own.passes.slice(0, asked.upTo ?? own.passes.length),
      ...asked.added.flatMap(addedPasses),
    ];
    const codes = coatsAt(lying, t);
    const stack = codes.map((c) => open.find(c));
    const lies = even(rest.lies);
    const place = { planned, lies, lighter: tones[zone - 2]?.lab, darker: tones[zone]?.lab };
    // What was not read on this paper has a colour for nobody: nothing is said of why.
    const isKnown = stack.every((s) => s !== undefined);
    const why: Explained = isKnown
      ? whyOff(open.desk, { ...place, stack }, usable, question.photo)
      : { ...whyOff(open.desk, { ...place, stack: [] }, () => false, question.photo), causes: [] };
    const code = (ink: number) => open.inks[ink]!.code;
    const causes = why.causes.map((c): WhyOff => byWhatInWords(c, code));
    const picked = own.wanted?.length ? wantedAt(own.wanted, t) : undefined;
    zones.push({
      id,
      zone,
      of: tones.length,
      mm2,
      planned: seen(planned),
      lies: seen(lies),
      deltaE00: why.off,
      ...(picked && { picked: { ...seen(picked), deltaE00: deltaE00(lies, picked) } }),
      doubt: why.doubt,
      within: why.within,
      stack: codes,
      likely: (why.causes[0]?.stack ?? stack).flatMap((s) => (s === undefined ? [] : [code(s)])),
      drawnOver: lying.some((p) => bringsOf(p) === "pencil" && covers(p, t)),
      from,
      to,
      causes,
      says: whyInWords(why, causes, { lies, planned }),
    });
    if (i % 20 === 19) yield 0.5 + (0.5 * i) / read.length;
  }
  const mm2 = zones.reduce((sum, z) => sum + z.mm2, 0);
  return {
    zones: zones.sort((a, b) => Number(a.within) - Number(b.within) || b.deltaE00 - a.deltaE00),
    mean: mm2 ? zones.reduce((sum, z) => sum + z.mm2 * z.deltaE00, 0) / mm2 : null,
  };
}

/** What lies on a sheet against what was planned, tone by tone, and what would explain the difference. */
export const compareSheet = deskOperation(CompareSheetQuestion, compareSheetOf);
