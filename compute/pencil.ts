import { closeness, deltaE00, type Closeness } from "@/core/colour/delta-e00";
import type { Lab } from "@/core/colour/lab";
import { seenLab, type Desk, type Stack } from "@/core/ink/desk";
import { adjustTone, pencilGreys } from "@/core/pencil/adjust";
import { stackReflectance } from "@/core/ink/stack-reflectance";
import { chooseRoles, pencilsOn, type Pencil } from "@/core/pencil/choose";
import { pencilFilm, type PencilFilm } from "@/core/pencil/film";
import { fitTooth, type FittedTooth, type Strip } from "@/core/pencil/fit-tooth";
import {
  BASE_ABOVE,
  planPencil,
  type PencilPlan,
  shortfallOf,
  valueScale,
  wantedBase,
  type LaidPencil,
  type Surface,
} from "@/core/pencil/plan";
import { refineFilm } from "@/core/pencil/refine-film";
import { drawnLab, usualTooth } from "@/core/pencil/tooth";
import { neutralPairs as inkPairs } from "@/core/shadow/neutral";
import { costOf } from "./group";
import { deskOf, placeOf } from "./desk-memory";
import { colourOf } from "./inputs/colour";
import type { NeutralPairsInput, PencilDeskInput, PencilPlanInput } from "./inputs/planning";
import { seen, type SeenColour } from "./predict";
import { memory } from "./memory";
import { part } from "@/core/progress";
import { BadInput } from "./problem";

export interface PencilStepOutput extends SeenColour {
  readonly wanted: SeenColour;
  readonly onPaper: boolean;
  readonly layers: readonly LaidPencil[];
  readonly deltaE00: number;
  readonly closeness: Closeness;
  /** Why the step is out of reach; only where it is. */
  readonly shortfall?: string;
}

export interface PencilPlanOutput {
  readonly base: (SeenColour & { readonly code: string | null; readonly above: number }) | null;
  /** What the base should be: at least this much above the middle value. */
  readonly wantedAbove: number;
  readonly trio: readonly string[];
  readonly darks: readonly string[];
  readonly white: string | null;
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

/** Share of the progress that fitting pencils and tooth takes. */
const FITTED = 0.5;
/** Bases that are planned through. */
const BASES = 3;
/** Layers with which a pencil is shown over what lies beneath. */
const SHOWN = { layers: 3, pressure: "light" } as const;

interface PencilDesk {
  readonly desk: Desk;
  readonly pencils: readonly Pencil[];
  readonly fit: FittedTooth;
  readonly surface: (stack: Stack) => Surface;
}

/** Fitting films and tooth takes seconds; the last papers are kept. */
const kept = memory<PencilDesk>(3);
/** Plans without their adjustment, so that a tone is softened and deepened without planning again. */
const plans = memory<PencilPlan>(6);

/** Pencils on a paper: films from drawdowns, bent to the strips there are; how the paper takes wax from those strips. */
function* pencilDeskOf(input: PencilDeskInput): Generator<number, PencilDesk> {
  const desk = deskOf(input);
  const seenTwice = input.pencils.findIndex(
    (p, i) => input.pencils.findIndex((q) => q.code === p.code) !== i,
  );
  if (seenTwice >= 0)
    throw new BadInput([
      {
        path: `pencils[${seenTwice}].code`,
        expected: `expected a code of its own: "${input.pencils[seenTwice]!.code}" stands there twice`,
      },
    ]);
  const films = input.pencils.map((p) => pencilFilm(p.code, colourOf(p.white).lab, colourOf(p.black).lab));
  const strips = (now: typeof films): Strip[] =>
    input.strips.map((s, i) => ({
      under: stackReflectance(
        desk,
        s.stack.map((c, j) => placeOf(desk, c, `strips[${i}].stack[${j}]`)),
      ),
      layers: s.layers.map((l, j) => {
        const film = now.find((f) => f.code === l.code);
        if (!film)
          throw new BadInput([
            {
              path: `strips[${i}].layers[${j}].code`,
              expected: `expected the code of one of the pencils; "${l.code}" is not among them`,
            },
          ]);
        return { film, layers: l.layers, pressure: l.pressure };
      }),
      lab: colourOf(s.color).lab,
    }));
  const key = JSON.stringify([
    input.paper,
    input.inks.map((i) => [i.code, i.coats]),
    input.pencils,
    input.strips,
    input.grain,
  ]);
  const known = kept.recall(key);
  if (known) return known;
  const first = fitTooth(strips(films), usualTooth(input.grain ?? null));
  yield FITTED * 0.4;
  const drawn = strips(films);
  const refined: PencilFilm[] = [];
  for (const film of films) {
    refined.push(first.strips ? refineFilm(film, drawn, first) : film);
    yield FITTED * (0.4 + (0.3 * refined.length) / films.length);
  }
  const fit = first.strips ? fitTooth(strips(refined), first) : first;
  const surface = (stack: Stack): Surface => ({
    base: stack[0] ?? -1,
    lab: seenLab(desk, stack),
    reflectance: stackReflectance(desk, stack),
  });
  return kept.keep(key, { desk, fit, pencils: pencilsOn(refined, desk.paper.reflectance, fit), surface });
}

/** A pencil plan for an area: base, three neighbours, cool darks and white, and layer by layer each value of the scale. */
export function* pencilPlan(input: PencilPlanInput): Generator<number, PencilPlanOutput> {
  if (!input.pencils.length)
    throw new BadInput([
      {
        path: "pencils",
        expected: "expected at least one pencil with its drawdowns over white and over black",
      },
    ]);
  const { desk, pencils, fit, surface } = yield* pencilDeskOf(input);
  const [light, local, shadow] = [input.light, input.local, input.shadow].map((c) => colourOf(c).lab) as [
    Lab,
    Lab,
    Lab,
  ];
  const price = costOf(input.inks);
  const may = input.bases
    ? input.bases.map((c, i) => placeOf(desk, c, `bases[${i}]`))
    : desk.inks.flatMap((_, i) => (price(i) === 0 ? [i] : []));
  const best = wantedBase(light, local);
  const bases = may
    .map((ink) => ({
      ink,
      off:
        deltaE00(seenLab(desk, [ink]), best) +
        (input.bases ? 0 : 2 * Math.max(0, local[0] + BASE_ABOVE - seenLab(desk, [ink])[0])),
    }))
    .sort((a, b) => a.off - b.off)
    .slice(0, BASES)
    .map(({ ink }) => surface([ink]));
  const paper = surface([]);
  const scale = valueScale(light, local, shadow, input.values);
  const { adjust: _, ...asked } = input;
  const key = JSON.stringify(asked);
  const plan =
    plans.recall(key) ??
    plans.keep(
      key,
      yield* part(
        planPencil(
          { scale, middle: local, paper, bases, fit, illuminant: desk.paper.illuminant },
          chooseRoles(pencils, local),
        ),
        FITTED,
        1 - FITTED,
      ),
    );
  const nameOf = (s: Surface) => (s.base < 0 ? null : desk.inks[s.base]!.code);
  const used = pencils.filter((p) => plan.steps.some((s) => s.layers.some((l) => l.code === p.film.code)));
  const darkest = seenLab(desk, plan.base.base < 0 ? [] : [plan.base.base, plan.base.base]);
  return {
    base: { ...seen(plan.base.lab), code: nameOf(plan.base), above: plan.base.lab[0] - local[0] },
    wantedAbove: BASE_ABOVE,
    trio: plan.trio.map((p) => p.film.code),
    darks: plan.darks.map((p) => p.film.code),
    white: plan.white?.film.code ?? null,
    steps: plan.steps.map((s): PencilStepOutput => {
      const shortfall = shortfallOf(s, plan);
      return {
        ...seen(s.lab),
        wanted: seen(s.wanted),
        onPaper: s.onPaper,
        layers: s.layers,
        deltaE00: s.deltaE00,
        closeness: closeness(s.deltaE00),
        ...(shortfall && { shortfall }),
      };
    }),
    medianDeltaE00: plan.medianDeltaE00,
    tooth: fit,
    over: used.map((p) => ({
      code: p.film.code,
      on: [
        { under: "paper", surface: paper },
        ...(plan.base.base < 0
          ? []
          : [
              { under: nameOf(plan.base)!, surface: plan.base },
              {
                under: `${nameOf(plan.base)!} ×2`,
                surface: { ...surface([plan.base.base, plan.base.base]), lab: darkest },
              },
            ]),
      ].map(({ under, surface: s }) => ({
        under,
        bare: seen(s.lab),
        seen: seen(drawnLab(s.reflectance, [{ film: p.film, ...SHOWN }], fit, desk.paper.illuminant)),
      })),
    })),
    ...(input.adjust && {
      adjustments: adjustmentsOf(
        input.adjust.stack.map((c, i) => placeOf(desk, c, `adjust.stack[${i}]`)),
        input.adjust.deltaL,
      ),
    }),
  };

  function adjustmentsOf(stack: Stack, deltaL: number) {
    const { lab, reflectance } = surface(stack);
    return adjustTone(reflectance, lab, deltaL, pencils, fit, 3, desk.paper.illuminant).map((a) => ({
      ...seen(a.lab),
      code: a.code,
      layers: a.layers,
      deltaL: a.deltaL,
    }));
  }
}

export interface NeutralPairsOutput {
  readonly pairs: readonly (SeenColour & {
    readonly codes: readonly [string, string];
    readonly amounts: readonly [number, number];
    readonly chroma: number;
    readonly alone: readonly [SeenColour, SeenColour];
  })[];
}

/** Which two inks, or two pencils, neutralise each other best, in which amounts: computed as they would be laid. */
export function* neutralPairs(input: NeutralPairsInput): Generator<number, NeutralPairsOutput> {
  if (input.of === "pencils") {
    const { desk, pencils, fit, surface } = yield* pencilDeskOf(input);
    const under = surface(input.base.map((c, i) => placeOf(desk, c, `base[${i}]`)));
    const own = (code: string) => seen(pencils.find((p) => p.film.code === code)!.own);
    return {
      pairs: pencilGreys(under.reflectance, pencils, fit, input.top, desk.paper.illuminant).map((g) => ({
        ...seen(g.lab),
        codes: g.codes,
        amounts: g.layers,
        chroma: g.chroma,
        alone: [own(g.codes[0]), own(g.codes[1])],
      })),
    };
  }
  const desk = deskOf(input);
  const price = costOf(input.inks);
  const wish = {
    usable: (i: number) => Number.isFinite(price(i)),
    top: input.top,
    ...(input.lightness !== undefined && { lightness: input.lightness }),
    ...(input.with !== undefined && { with: placeOf(desk, input.with, "with") }),
  };
  return {
    pairs: inkPairs(desk, wish).map((p) => ({
      ...seen(p.lab),
      codes: [desk.inks[p.inks[0]]!.code, desk.inks[p.inks[1]]!.code],
      amounts: p.coats,
      chroma: p.chroma,
      alone: [seen(seenLab(desk, [p.inks[0]])), seen(seenLab(desk, [p.inks[1]]))],
    })),
  };
}
