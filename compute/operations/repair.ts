import type { ColourInput } from "@/border/colour";
import { colourOf } from "@/border/colour";
import { FinisherInput } from "@/border/finisher";
import {
  Code,
  Colour,
  Flag,
  List,
  Nullable,
  One,
  OneOf,
  Optional,
  Stack,
  Whole,
  Within,
} from "@/border/fields";
import { closeness, deltaE00, type Closeness } from "@/core/colour/delta-e00";
import type { Lab } from "@/core/colour/lab";
import { seenLab } from "@/core/ink/desk";
import { DEFAULT_LIFTING } from "@/core/ink/paper";
import { drawnLab, type Pressure } from "@/core/pencil/tooth";
import type { Work } from "@/core/progress";
import { carriedOver, distinct, expected, LEAST_GAIN, remediesFor } from "@/core/repair/remedies";
import { SYMPTOMS, type Symptom } from "@/core/repair/symptom";
import { noRemedyInWords, remedyInWords, symptomAdvice, type MendedWith } from "@/words/repair";
import { costOf } from "../cost";
import { AmongOwned, deskOperation } from "../operation";
import type { OpenDesk } from "../desk";
import { pencilsOf } from "../pencil-desk";
import { seen, type SeenColour } from "../seen";

class BlenderInput {
  @Code() code!: string;
  /** Share of the ink that one pass takes away, as lift cells told. */
  @Optional() @Within(0, 0.95) lifts: number = DEFAULT_LIFTING.blender;
}

class WantedInput {
  @Colour() lab!: ColourInput;
}

/** Coats that a paper may still take. */
const MOST_LEFT = 12;
/** Until ink is dry where nobody says, s. */
const DRY = 300;
/** A blender is worked only on ink that is dry through and through, s. */
const THROUGH = 300;

export class RepairQuestion extends AmongOwned {
  /** What lies there, bottom to top. */
  @Stack() stack!: string[];
  @One(() => WantedInput, 'expected {"lab":C}') wanted!: WantedInput;
  /** What was read there, where a photo or an instrument told: what comes over it is counted from that. */
  @Nullable() @One(() => WantedInput, 'expected {"lab":C}') lies?: WantedInput | null;
  @Nullable() @OneOf(SYMPTOMS) symptom?: Symptom | null;
  @Optional() @Flag() wet = false;
  @Whole(0, MOST_LEFT, "coats") coatsLeft!: number;
  @Optional() @Whole(1, 20) top = 3;
  /** Until ink is dry on this paper. */
  @Optional() @Within(0, 86_400, "seconds") dryTime = DRY;
  @Optional() @One(() => BlenderInput, 'expected {"code","lifts"}') blender?: BlenderInput;
  /** What is opaque, and its colour. */
  @Optional() @List(() => FinisherInput, 0, 300, '{"code","color"}') finishers: FinisherInput[] = [];
  /** Whether the desk's pencils are tried as well: fitting them takes seconds the first time. */
  @Optional() @Flag() pencil = true;
}

export interface RemedyOutput extends SeenColour {
  readonly with: MendedWith;
  /** Codes in the order in which they are laid, one entry a coat. */
  readonly add: readonly string[];
  /** Of pencil. */
  readonly layers?: number;
  readonly pressure?: Pressure;
  readonly deltaE00: number;
  readonly closeness: Closeness;
  /** Laid at once, onto wet ink. */
  readonly onWet: boolean;
  /** How long to wait first, s. */
  readonly waits: number;
  readonly coatsLeft: number;
  readonly says: string;
}

export interface RepairOutput {
  readonly now: SeenColour & { readonly deltaE00: number; readonly closeness: Closeness };
  /** Best first. */
  readonly remedies: readonly RemedyOutput[];
  /** What to do whatever the inks are; and why there is nothing, where there is nothing. */
  readonly says: string;
}

/** Ways in which a pencil is tried. */
const DRAWN: readonly (readonly [layers: number, pressure: Pressure])[] = [
  [2, "light"],
  [4, "light"],
  [3, "medium"],
];

type Found = Pick<RemedyOutput, "with" | "add" | "layers" | "pressure" | "lab" | "deltaE00" | "onWet">;

/** By how much (ΔE00) pencil may come out otherwise than predicted on a tooth that few strips told of. */
const PENCIL_DOUBT = 2;
const countedOn = ({ with: how, deltaE00: to }: Found): number =>
  how === "pencil" ? to + PENCIL_DOUBT : expected({ blender: how === "blender", deltaE00: to });

function* byPencil(
  open: OpenDesk,
  stack: readonly number[],
  wanted: Lab,
  carried: (lab: Lab) => Lab,
): Work<Found[]> {
  const { pencils, fit, surface } = yield* pencilsOf(open);
  const under = surface(stack).reflectance;
  return pencils.flatMap(({ film }) =>
    DRAWN.map(([layers, pressure]): Found => {
      const lab = carried(drawnLab(under, [{ film, layers, pressure }], fit, open.desk.paper.illuminant));
      const add = [film.code];
      return { with: "pencil", add, layers, pressure, lab, deltaE00: deltaE00(lab, wanted), onWet: false };
    }),
  );
}

/** How a place that came out otherwise is brought nearer to what was wanted. */
export const repair = deskOperation(RepairQuestion, function* (question, open, show): Work<RepairOutput> {
  const { coatsLeft, wet, symptom, top, dryTime, blender, finishers } = question;
  const stack = question.stack.map((c, i) => open.placeOf(c, `stack[${i}]`));
  const wanted = open.labOf(question.wanted.lab);
  const price = costOf(open, question.ownedOnly);
  const predicted = seenLab(open.desk, stack);
  const lies = question.lies ? open.labOf(question.lies.lab) : undefined;
  const here = lies ?? predicted;
  const now = deltaE00(here, wanted);
  const worth = (found: Found) => now - countedOn(found) >= LEAST_GAIN;

  const answer = (found: readonly Found[]): RepairOutput => ({
    now: { ...seen(here), deltaE00: now, closeness: closeness(now) },
    remedies: [...found]
      .sort((a, b) => countedOn(a) - countedOn(b))
      .slice(0, top)
      .map((r) => {
        const dries = r.with === "blender" ? Math.max(dryTime, THROUGH) : dryTime;
        const waits = wet && stack.length && !r.onWet ? dries : 0;
        const near = { from: now, to: r.deltaE00 };
        return {
          ...r,
          ...seen(r.lab),
          closeness: closeness(r.deltaE00),
          waits,
          coatsLeft: coatsLeft - (r.with === "ink" ? r.add.length : 0),
          says: remedyInWords({ ...r, waits }, near),
        };
      }),
    says: found.length
      ? symptom
        ? symptomAdvice[symptom]
        : ""
      : noRemedyInWords(now, coatsLeft, here[0] < wanted[0]),
  });

  const all = yield* remediesFor(
    open.desk,
    { stack, wanted, lies, wet, coatsLeft },
    (ink) => Number.isFinite(price(ink)),
    blender?.lifts,
  );
  const inks = distinct(all, top).map(({ add, blender: lifted, onWet, lab, deltaE00: to }): Found => ({
    with: lifted ? "blender" : "ink",
    add: lifted ? [blender!.code] : add.map((i) => open.inks[i]!.code),
    lab,
    deltaE00: to,
    onWet,
  }));
  const opaque = finishers
    .map((f): Found => {
      const { lab } = colourOf(f.color);
      return { with: "opaque", add: [f.code], lab, deltaE00: deltaE00(lab, wanted), onWet: false };
    })
    .filter(worth)
    .sort((a, b) => a.deltaE00 - b.deltaE00)
    .slice(0, 1);
  const soFar = [...inks, ...opaque];
  if (!question.pencil || !open.input.pencils.length) return answer(soFar);
  show?.(answer(soFar));
  const drawn = (yield* byPencil(open, stack, wanted, lies ? carriedOver(predicted, lies) : (lab) => lab))
    .filter(worth)
    .sort((a, b) => a.deltaE00 - b.deltaE00)
    .slice(0, 1);
  return answer([...soFar, ...drawn]);
});
