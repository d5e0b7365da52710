import { median } from "@/core/algebra/median";
import { deltaE00 } from "@/core/colour/delta-e00";
import type { Lab } from "@/core/colour/lab";
import type { Illuminant, Spectrum } from "@/core/colour/observer";
import type { Pencil, PencilRoles } from "./choose";
import { labOf } from "@/core/colour/lab-of";
import { part, type Work } from "@/core/progress";
import {
  draw,
  seenReflectance,
  undrawn,
  type Drawn,
  type PencilLayer,
  type Pressure,
  type ToothFit,
} from "./tooth";

/** What pencil may be laid over. */
export interface Surface {
  /** Place of a marker among the candidates; −1 is the bare paper. */
  readonly base: number;
  readonly lab: Lab;
  readonly reflectance: Spectrum;
}

export interface LaidPencil {
  readonly code: string;
  readonly layers: number;
  readonly pressure: Pressure;
  readonly part: "dark beneath" | "white beneath" | "over all";
}

/** One value of the scale. */
export interface PencilStep {
  readonly wanted: Lab;
  /** Whether it lies on the base marker or on bare paper. */
  readonly onPaper: boolean;
  readonly layers: readonly LaidPencil[];
  readonly lab: Lab;
  readonly deltaE00: number;
  /** ΔE00 from `lab` within which it comes out in nine of ten cases; 0 where no one says. */
  readonly doubt: number;
}

/** ΔE00 within which layers over a surface come out in nine of ten cases. */
export type DoubtOf = (under: Surface, layers: readonly LaidPencil[]) => number;

export interface PencilPlan {
  readonly base: Surface;
  readonly trio: readonly Pencil[];
  readonly darks: readonly Pencil[];
  readonly white: Pencil | undefined;
  /** A further pencil over all, white that softens a shadow among them; only where it pays. */
  readonly fourth: Pencil | undefined;
  readonly steps: readonly PencilStep[];
  readonly medianDeltaE00: number;
}

export interface PencilWish {
  /** Wanted colours of the value scale, light to dark. */
  readonly scale: readonly Lab[];
  readonly middle: Lab;
  readonly paper: Surface;
  readonly bases: readonly Surface[];
  readonly fit: ToothFit;
  /** Pencils of which one may go over all beside the three; none where left out. */
  readonly further?: readonly Pencil[];
  readonly illuminant?: Illuminant;
  /** Where given, layers that are surer win over ones that only promise more. */
  readonly doubt?: DoubtOf;
}

/** A base should lie at least this much above the middle value: pencil only darkens it, and the base fills the tooth. */
export const BASE_ABOVE = 8;
/** ΔE00 within which a step counts as reached. */
export const REACHED = 3;
/** Drawings among which the doubt decides, and how much of it counts beside the distance. */
const DOUBTED = 5;
const DOUBT_WEIGHT = 0.5;
/** Partial drawings kept at each stage. */
const BEAM = 10;
/** The same while bases and trios are chosen among. */
const GLANCE = 4;
/** ΔE00 that a further layer must save. */
const LAYER_COST = 0.04;
const BENEATH: readonly (readonly [number, Pressure])[] = [
  [1, "light"],
  [3, "light"],
  [2, "medium"],
  [5, "medium"],
  [4, "firm"],
];
const OVER: readonly (readonly [number, Pressure])[] = [
  [1, "light"],
  [3, "light"],
  [2, "medium"],
  [4, "medium"],
  [3, "firm"],
];
/** ΔE00 that a fourth pencil must save a value, and all values of the scale together, to be taken up. */
const FOURTH_PAYS = { value: 0.8, scale: 2 } as const;
/** Drawings with a fourth pencil that are weighed by their doubt. */
const FOURTH_WEIGHED = 2;
/** Bases and trios that are planned through; the others are judged by the middle of the scale alone. */
const FINALISTS = 2;

/** A drawing over a surface, and what was drawn further from it: values of one scale have most of their drawings in common. */
interface Node {
  readonly drawn: Drawn;
  readonly layers: readonly LaidPencil[];
  readonly lab: Lab;
  readonly next: Map<string, Node>;
  /** What is seen once a usual layer of three lies over it. */
  readonly under: Map<readonly Pencil[], Lab>;
}

/** Drawings over each surface, as far as somebody asked for them. */
type Drawings = Map<Surface, Node>;

interface State {
  readonly node: Node;
  readonly layers: readonly LaidPencil[];
  readonly lab: Lab;
  readonly cost: number;
}

const weight = (layers: readonly LaidPencil[]) => layers.reduce((sum, l) => sum + l.layers, 0) * LAYER_COST;

/** A value as it is planned, what it costs, and what it would be with a further pencil over all. */
interface StepSearch {
  readonly step: PencilStep;
  readonly cost: number;
  readonly over: (pencil: Pencil) => { readonly step: PencilStep; readonly cost: number } | undefined;
}

/** The best layers for one wanted colour: beam search from the paper up, dark or white beneath, then the three over all. */
export const planStep = (...asked: Parameters<typeof searchStep>): PencilStep => searchStep(...asked).step;

const nodeOf = (drawn: Drawn, layers: readonly LaidPencil[], lab: Lab): Node => ({
  drawn,
  layers,
  lab,
  next: new Map(),
  under: new Map(),
});

function searchStep(
  wanted: Lab,
  surface: Surface,
  trio: readonly Pencil[],
  roles: Pick<PencilRoles, "darks" | "white">,
  fit: ToothFit,
  illuminant?: Illuminant,
  doubt: DoubtOf = () => 0,
  beam = BEAM,
  drawings: Drawings = new Map(),
): StepSearch {
  const stateOf = (node: Node): State => {
    const { layers, lab } = node;
    return { node, layers, lab, cost: deltaE00(lab, wanted) + weight(layers) };
  };
  const lay = (
    { node }: State,
    { film }: Pencil,
    layers: number,
    pressure: Pressure,
    part: LaidPencil["part"],
  ): State => {
    const key = `${film.code} ${layers} ${pressure} ${part}`;
    let next = node.next.get(key);
    if (!next) {
      const drawn = draw(node.drawn, { film, layers, pressure }, fit);
      const laid = [...node.layers, { code: film.code, layers, pressure, part }];
      next = nodeOf(drawn, laid, labOf(seenReflectance(drawn, fit), illuminant));
      node.next.set(key, next);
    }
    return stateOf(next);
  };
  const root = drawings.get(surface) ?? nodeOf(undrawn(surface.reflectance), [], surface.lab);
  drawings.set(surface, root);
  const start = stateOf(root);
  let nearest = [start];
  const keep = (states: State[], rank: (s: State) => number): State[] => {
    nearest = [...new Set([...nearest, ...states])].sort((a, b) => a.cost - b.cost).slice(0, DOUBTED);
    return states
      .map((s) => [rank(s), s] as const)
      .sort((a, b) => a[0] - b[0])
      .slice(0, beam)
      .map(([, s]) => s);
  };
  // What goes beneath is judged by how it looks once a usual layer of the three lies over it.
  const underThree = ({ node, layers, cost }: State) => {
    if (!trio.length) return cost;
    let seen = node.under.get(trio);
    if (!seen) {
      const three = trio.map((p): PencilLayer => ({ film: p.film, layers: 2, pressure: "light" }));
      const drawn = three.reduce((d, l) => draw(d, l, fit), node.drawn);
      node.under.set(trio, (seen = labOf(seenReflectance(drawn, fit), illuminant)));
    }
    return Math.min(cost, deltaE00(seen, wanted) + weight(layers) + 2 * trio.length * LAYER_COST);
  };
  const beneath = [
    ...(wanted[0] < surface.lab[0]
      ? roles.darks.filter((p) => !trio.includes(p)).map((p) => [p, "dark beneath"] as const)
      : []),
    ...(roles.white && wanted[0] > surface.lab[0] - 25 ? [[roles.white, "white beneath"] as const] : []),
  ];
  const placeOf = (code: string) => beneath.findIndex(([p]) => p.film.code === code);
  let states = [start];
  for (let round = 0; round < 2; round++) {
    const more = states.flatMap((s) =>
      s.layers.length === round
        ? beneath
            // In one order for all values: a pencil is taken in hand once for the whole area.
            .filter((_, i) => s.layers.every((l) => i > placeOf(l.code)))
            .flatMap(([p, part]) => BENEATH.map(([n, pressure]) => lay(s, p, n, pressure, part)))
        : [],
    );
    states = keep([...states, ...more], underThree);
  }
  for (const pencil of trio)
    states = keep(
      [
        ...states,
        ...states.flatMap((s) => OVER.map(([n, pressure]) => lay(s, pencil, n, pressure, "over all"))),
      ],
      (s) => s.cost,
    );
  const judged = (of: readonly State[]) => {
    const best = of
      .map((s) => {
        const own = doubt(surface, s.layers);
        return {
          s,
          own,
          cost: Math.hypot(deltaE00(s.lab, wanted), DOUBT_WEIGHT * own) + weight(s.layers),
        };
      })
      .reduce((a, b) => (b.cost < a.cost ? b : a));
    return {
      cost: best.cost,
      step: {
        wanted,
        onPaper: surface.base < 0,
        layers: best.s.layers,
        lab: best.s.lab,
        deltaE00: deltaE00(best.s.lab, wanted),
        doubt: best.own,
      },
    };
  };
  const found = judged(nearest);
  return {
    ...found,
    over: (pencil) => {
      const code = pencil.film.code;
      const more = nearest
        .filter((s) => s.layers.every((l) => l.code !== code || l.part !== "over all"))
        .flatMap((s) => OVER.map(([n, pressure]) => lay(s, pencil, n, pressure, "over all")))
        .sort((a, b) => a.cost - b.cost)
        .slice(0, FOURTH_WEIGHED);
      // What already costs more without its doubt is not worth asking for it.
      return more.length && more[0]!.cost + FOURTH_PAYS.value <= found.cost ? judged(more) : undefined;
    },
  };
}

/** Colour that serves best as a base: a little more than 8 L* above the middle, a little less colourful, no lighter than the light. */
export const wantedBase = (light: Lab, middle: Lab): Lab => [
  Math.min(light[0], middle[0] + BASE_ABOVE + 3),
  middle[1] * 0.8,
  middle[2] * 0.8,
];

/** Cost of a base for being less than 8 L* above the middle value. */
const baseCost = (base: Surface, middle: Lab) => 0.25 * Math.max(0, BASE_ABOVE - (base.lab[0] - middle[0]));

/**
 * The best pencil plan for a value scale: which base, which three neighbours, and for each value the layers from the paper up. Steps that
 * bare paper serves better do without the base. Where one further pencil over all pays, it is the one that pays most. Yields progress 0–1.
 */
export function* planPencil(wish: PencilWish, roles: PencilRoles): Generator<number, PencilPlan> {
  const { scale, middle, paper, fit, illuminant, doubt } = wish;
  const bases = wish.bases.length ? wish.bases : [paper];
  const trios = roles.trios.length ? roles.trios : [[]];
  const probes = [scale[scale.length >> 1]!, scale[Math.floor(0.8 * scale.length)]!];
  const drawings: Drawings = new Map();
  const pairs: { base: Surface; trio: readonly Pencil[]; cost: number }[] = [];
  const total = bases.length * trios.length;
  for (const base of bases)
    for (const trio of trios) {
      const off =
        probes.reduce(
          (sum, wanted) =>
            sum + planStep(wanted, base, trio, roles, fit, illuminant, undefined, GLANCE, drawings).deltaE00,
          0,
        ) / probes.length;
      pairs.push({ base, trio, cost: off + baseCost(base, middle) });
      yield (0.6 * pairs.length) / total;
    }
  let best: {
    readonly searches: readonly StepSearch[];
    readonly base: Surface;
    readonly trio: readonly Pencil[];
  };
  let least = Infinity;
  const finalists = pairs.sort((a, b) => a.cost - b.cost).slice(0, FINALISTS);
  for (const [n, { base, trio }] of finalists.entries()) {
    const searches: StepSearch[] = [];
    for (const wanted of scale) {
      const onBase = searchStep(wanted, base, trio, roles, fit, illuminant, doubt, BEAM, drawings);
      const onPaper =
        base.base >= 0 && wanted[0] > base.lab[0] - 4
          ? searchStep(wanted, paper, trio, roles, fit, illuminant, doubt, BEAM, drawings)
          : undefined;
      searches.push(onPaper && onPaper.step.deltaE00 + 0.5 < onBase.step.deltaE00 ? onPaper : onBase);
      yield 0.6 + (0.3 * (n + searches.length / scale.length)) / finalists.length;
    }
    const off = searches.map((s) => s.step.deltaE00);
    const cost = off.reduce((a, b) => a + b, 0) / off.length + baseCost(base, middle);
    if (cost < least) [least, best] = [cost, { searches, base, trio }];
  }
  const { base, trio, searches } = best!;
  const { fourth, steps } = yield* part(withFourth(searches, wish.further ?? [], trio), 0.9, 0.1);
  const { darks, white } = roles;
  return { base, trio, darks, white, fourth, steps, medianDeltaE00: median(steps.map((s) => s.deltaE00)) };
}

/** The values with that one pencil over all that saves them most, where it saves enough; else as they are. */
function* withFourth(
  searches: readonly StepSearch[],
  further: readonly Pencil[],
  trio: readonly Pencil[],
): Work<{ readonly fourth: Pencil | undefined; readonly steps: readonly PencilStep[] }> {
  let fourth: Pencil | undefined;
  let steps: readonly PencilStep[] = searches.map((s) => s.step);
  let least: number = FOURTH_PAYS.scale;
  for (const [n, pencil] of further.entries()) {
    if (trio.includes(pencil)) continue;
    let saved = 0;
    const tried = searches.map((s) => {
      const other = s.over(pencil);
      if (!other || s.cost - other.cost < FOURTH_PAYS.value) return s.step;
      saved += s.cost - other.cost;
      return other.step;
    });
    if (saved > least) [fourth, steps, least] = [pencil, tried, saved];
    yield (n + 1) / further.length;
  }
  return { fourth, steps };
}

/** Why a value is not reached, from the ends of what the pencils can do; lightness in L*. */
export type Shortfall =
  | { readonly kind: "no dark pencil" }
  | { readonly kind: "darkest too light"; readonly code: string; readonly lightness: number }
  | { readonly kind: "colour would go"; readonly code: string; readonly lightness: number }
  | { readonly kind: "white stops"; readonly lightness: number }
  | { readonly kind: "no white pencil" }
  | { readonly kind: "hue out of reach"; readonly found: Lab; readonly wanted: Lab };

/** Undefined when the step is reached. */
export function shortfallOf(step: PencilStep, plan: PencilPlan): Shortfall | undefined {
  if (step.deltaE00 <= REACHED) return undefined;
  const used = [...plan.trio, ...plan.darks, ...(plan.fourth ? [plan.fourth] : [])];
  const darkest = used.length ? used.reduce((a, b) => (b.own[0] < a.own[0] ? b : a)) : undefined;
  if (step.lab[0] > step.wanted[0] + 2) {
    if (!darkest) return { kind: "no dark pencil" };
    const { code } = darkest.film;
    return darkest.own[0] > step.wanted[0] - 2
      ? { kind: "darkest too light", code, lightness: darkest.own[0] }
      : { kind: "colour would go", code, lightness: step.lab[0] };
  }
  if (step.lab[0] < step.wanted[0] - 2)
    return plan.white ? { kind: "white stops", lightness: step.lab[0] } : { kind: "no white pencil" };
  return { kind: "hue out of reach", found: step.lab, wanted: step.wanted };
}

/**
 * Wanted colours of a value scale from the reference: even in lightness between its light and its shadow, its colour running through the
 * local one.
 * @param values number of steps, 5–9
 */
export function valueScale(light: Lab, local: Lab, shadow: Lab, values: number): Lab[] {
  return Array.from({ length: values }, (_, i) => {
    const L = light[0] + ((shadow[0] - light[0]) * i) / (values - 1);
    const [from, to] = L >= local[0] ? [local, light] : [local, shadow];
    const t = Math.abs(to[0] - from[0]) < 1e-6 ? 0 : (L - from[0]) / (to[0] - from[0]);
    return [L, from[1] + t * (to[1] - from[1]), from[2] + t * (to[2] - from[2])];
  });
}
