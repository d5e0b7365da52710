import { memory } from "@/core/memory";
import type { ColourInput } from "@/border/colour";
import { Codes, Colour, One, Optional, Stack, Whole, Within } from "@/border/fields";
import { wrong } from "@/border/problem";
import { closeness, deltaE00, type Closeness } from "@/core/colour/delta-e00";
import type { Lab } from "@/core/colour/lab";
import { seenLab } from "@/core/ink/desk";
import { adjustTone } from "@/core/pencil/adjust";
import { chooseRoles } from "@/core/pencil/choose";
import type { FittedTooth } from "@/core/pencil/fit-pencils";
import {
  BASE_ABOVE,
  planPencil,
  shortfallOf,
  valueScale,
  wantedBase,
  type LaidPencil,
  type PencilPlan,
  type Surface,
} from "@/core/pencil/plan";
import { drawnLab } from "@/core/pencil/tooth";
import { reachOf } from "@/core/pencil/reach";
import { part, type Work } from "@/core/progress";
import { reachInWords, shortfallInWords, unsureInWords } from "@/words/pencil";
import { costOf } from "../cost";
import type { OpenDesk } from "../desk";
import { hashOf } from "../hash";
import { AmongOwned, deskOperation } from "../operation";
import { pencilsOf, type PencilDesk } from "../pencil-desk";
import { seen, type SeenColour } from "../seen";

class AdjustInput {
  @Stack(1) stack!: string[];
  @Within(-60, 60, "L*") deltaL!: number;
}

export class PencilPlanQuestion extends AmongOwned {
  @Colour() light!: ColourInput;
  @Colour() local!: ColourInput;
  @Colour() shadow!: ColourInput;
  @Optional() @Whole(5, 9) values = 7;
  /** Markers that may lie beneath; else those of the desk that suit. */
  @Optional() @Codes(1, 40) bases?: string[];
  /** A tone to be softened (positive) or deepened (negative) with one pencil. */
  @Optional() @One(() => AdjustInput, 'expected {"stack","deltaL"}') adjust?: AdjustInput;
}

export interface PencilStepOutput extends SeenColour {
  readonly wanted: SeenColour;
  readonly onPaper: boolean;
  readonly layers: readonly LaidPencil[];
  readonly deltaE00: number;
  /** ΔE00 from the predicted colour within which it comes out in nine of ten cases. */
  readonly doubt: number;
  readonly closeness: Closeness;
  /** That it may come out more than 4 ΔE00 from what is wanted, though it is predicted nearer; only where it may. */
  readonly unsure?: string;
  /** Why the step is out of reach; only where it is. */
  readonly shortfall?: string;
  /** What would bring a step that is out of reach nearer: another ground. */
  readonly reach?: string;
}

export interface PencilPlanOutput {
  readonly base: (SeenColour & { readonly code: string | null; readonly above: number }) | null;
  /** What the base should be: at least this much above the middle value. */
  readonly wantedAbove: number;
  readonly trio: readonly string[];
  readonly darks: readonly string[];
  readonly white: string | null;
  /** A further pencil over all, where it pays. */
  readonly fourth: string | null;
  readonly steps: readonly PencilStepOutput[];
  readonly medianDeltaE00: number;
  readonly tooth: FittedTooth;
  /** How each pencil of the plan changes over paper, base and the scale's ends before it is tried: three light layers. */
  readonly over: readonly {
    readonly code: string;
    readonly on: readonly { readonly under: string; readonly bare: SeenColour; readonly seen: SeenColour }[];
  }[];
  readonly adjustments?: readonly (SeenColour & {
    readonly code: string;
    readonly layers: number;
    readonly deltaL: number;
  })[];
}

/** A value that may come out farther from the wanted one than this (ΔE00) says so. */
const FAR = 4;
/** Share of the progress that fitting pencils and tooth takes. */
const FITTED = 0.5;
/** Bases that are planned through. */
const BASES = 3;
/** Layers with which a pencil is shown over what lies beneath. */
const SHOWN = { layers: 3, pressure: "light" } as const;
/** Pencils that are offered to soften or deepen a tone. */
const ADJUSTMENTS = 3;

/** Grounds that are tried for each value out of reach, in one coat and in two. */
const GROUNDS = 3;
/** A ground lies at most this much above the value that is wanted (L*), and hardly below it: pencil only darkens. */
const GROUND = { above: 16, below: 2 } as const;

interface Planned {
  readonly plan: PencilPlan;
  /** For each value what would bring it nearer, where it is out of reach. */
  readonly reaches: readonly (string | undefined)[];
}

/** Plans without their adjustment, so that a tone is softened and deepened without planning again. */
const plans = new WeakMap<OpenDesk, ReturnType<typeof memory<Planned>>>();
const MOST_PLANS = 6;

/** Markers that suit best beneath, as surfaces. */
function basesFor(
  open: OpenDesk,
  question: PencilPlanQuestion,
  { surface }: PencilDesk,
  light: Lab,
  local: Lab,
): Surface[] {
  const { desk, placeOf } = open;
  const price = costOf(open, question.ownedOnly);
  const may =
    question.bases?.map((c, i) => placeOf(c, `bases[${i}]`)) ??
    desk.inks.flatMap((_, i) => (price(i) === 0 ? [i] : []));
  const best = wantedBase(light, local);
  const tooDark = (ink: number) =>
    question.bases ? 0 : 2 * Math.max(0, local[0] + BASE_ABOVE - seenLab(desk, [ink])[0]);
  return may
    .map((ink) => ({ ink, off: deltaE00(seenLab(desk, [ink]), best) + tooDark(ink) }))
    .sort((a, b) => a.off - b.off)
    .slice(0, BASES)
    .map(({ ink }) => surface([ink]));
}

/** What could lie beneath a value that is out of reach: the markers nearest to it that are not darker, once and twice, and the base twice. */
function groundsFor(
  open: OpenDesk,
  question: PencilPlanQuestion,
  { surface }: PencilDesk,
  { base }: PencilPlan,
  wanted: Lab,
): { readonly stack: readonly number[]; readonly under: Surface }[] {
  const { desk } = open;
  const price = costOf(open, question.ownedOnly);
  const near = desk.inks
    .flatMap((_, ink) => {
      const lab = seenLab(desk, [ink]);
      const above = lab[0] - wanted[0];
      const may = price(ink) === 0 && ink !== base.base && above > -GROUND.below && above < GROUND.above;
      return may ? [{ ink, off: deltaE00(lab, wanted) }] : [];
    })
    .sort((a, b) => a.off - b.off)
    .slice(0, GROUNDS)
    .flatMap(({ ink }) => [[ink], [ink, ink]]);
  return [...(base.base < 0 ? [] : [[base.base, base.base]]), ...near].map((stack) => ({
    stack,
    under: surface(stack),
  }));
}

/** What would bring each value of a plan that is out of reach nearer, in words. */
function* reachesOf(
  open: OpenDesk,
  question: PencilPlanQuestion,
  own: PencilDesk,
  plan: PencilPlan,
): Work<(string | undefined)[]> {
  const out: (string | undefined)[] = [];
  for (const [n, step] of plan.steps.entries()) {
    const grounds = shortfallOf(step, plan) ? groundsFor(open, question, own, plan, step.wanted) : [];
    const found = yield* part(
      reachOf(
        step,
        grounds.map((g) => g.under),
        plan,
        own.fit,
        open.desk.paper.illuminant,
      ),
      n / plan.steps.length,
      1 / plan.steps.length,
    );
    const stack = found && grounds.find((g) => g.under === found.under)!.stack;
    out.push(stack && reachInWords(open.desk.inks[stack[0]!]!.code, stack.length, found.deltaE00));
  }
  return out;
}

function* planFor(open: OpenDesk, question: PencilPlanQuestion, own: PencilDesk): Work<Planned> {
  const { adjust: _, ...asked } = question;
  const key = hashOf(asked);
  const known = plans.get(open) ?? memory<Planned>(MOST_PLANS);
  plans.set(open, known);
  const kept = known.recall(key);
  if (kept) return kept;
  const [light, local, shadow] = [question.light, question.local, question.shadow].map(open.labOf) as [
    Lab,
    Lab,
    Lab,
  ];
  const wish = {
    scale: valueScale(light, local, shadow, question.values),
    middle: local,
    paper: own.surface([]),
    bases: basesFor(open, question, own, light, local),
    fit: own.fit,
    further: own.pencils,
    illuminant: open.desk.paper.illuminant,
    doubt: own.doubt,
  };
  const plan = yield* part(planPencil(wish, chooseRoles(own.pencils, local)), 0, 0.8);
  const reaches = yield* part(reachesOf(open, question, own, plan), 0.8, 0.2);
  return known.keep(key, { plan, reaches });
}

/** A pencil plan for an area: base, three neighbours, cool darks and white, and layer by layer each value of the scale. */
export const pencilPlan = deskOperation(
  PencilPlanQuestion,
  function* (question, open): Work<PencilPlanOutput> {
    const { desk, input, labOf } = open;
    if (!input.pencils.length)
      throw wrong("pencils", "expected at least one pencil with its colour over white");
    const own = yield* part(pencilsOf(open), 0, FITTED);
    const { plan, reaches } = yield* part(planFor(open, question, own), FITTED, 1 - FITTED);
    const { fit, surface, pencils } = own;
    const { illuminant } = desk.paper;
    const nameOf = (s: Surface) => (s.base < 0 ? null : desk.inks[s.base]!.code);
    const used = pencils.filter((p) => plan.steps.some((s) => s.layers.some((l) => l.code === p.film.code)));
    const name = nameOf(plan.base);
    const grounds = [
      { under: "paper", surface: surface([]) },
      ...(name === null
        ? []
        : [
            { under: name, surface: plan.base },
            { under: `${name} ×2`, surface: surface([plan.base.base, plan.base.base]) },
          ]),
    ];
    return {
      base: { ...seen(plan.base.lab), code: name, above: plan.base.lab[0] - labOf(question.local)[0] },
      wantedAbove: BASE_ABOVE,
      trio: plan.trio.map((p) => p.film.code),
      darks: plan.darks.map((p) => p.film.code),
      white: plan.white?.film.code ?? null,
      fourth: plan.fourth?.film.code ?? null,
      steps: plan.steps.map((s, i): PencilStepOutput => {
        const shortfall = shortfallOf(s, plan);
        return {
          ...seen(s.lab),
          wanted: seen(s.wanted),
          onPaper: s.onPaper,
          layers: s.layers,
          deltaE00: s.deltaE00,
          doubt: s.doubt,
          ...(!shortfall && s.deltaE00 + s.doubt > FAR && { unsure: unsureInWords(s.doubt) }),
          closeness: closeness(s.deltaE00),
          ...(shortfall && { shortfall: shortfallInWords(shortfall) }),
          ...(reaches[i] && { reach: reaches[i] }),
        };
      }),
      medianDeltaE00: plan.medianDeltaE00,
      tooth: fit,
      over: used.map((p) => ({
        code: p.film.code,
        on: grounds.map(({ under, surface: s }) => ({
          under,
          bare: seen(s.lab),
          seen: seen(drawnLab(s.reflectance, [{ film: p.film, ...SHOWN }], fit, illuminant)),
        })),
      })),
      ...(question.adjust && { adjustments: adjustmentsOf(open, own, question.adjust) }),
    };
  },
);

function adjustmentsOf(
  { desk, placeOf }: OpenDesk,
  { surface, pencils, fit }: PencilDesk,
  { stack, deltaL }: AdjustInput,
) {
  const { lab, reflectance } = surface(stack.map((c, i) => placeOf(c, `adjust.stack[${i}]`)));
  return adjustTone(reflectance, lab, deltaL, pencils, fit, ADJUSTMENTS, desk.paper.illuminant).map((a) => ({
    ...seen(a.lab),
    code: a.code,
    layers: a.layers,
    deltaL: a.deltaL,
  }));
}
