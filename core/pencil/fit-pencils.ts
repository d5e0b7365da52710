import { invert } from "@/core/algebra/invert";
import { median } from "@/core/algebra/median";
import { solve } from "@/core/algebra/solve";
import { deltaE00 } from "@/core/colour/delta-e00";
import { chroma, type Lab } from "@/core/colour/lab";
import { labOf } from "@/core/colour/lab-of";
import { BANDS, type Spectrum } from "@/core/colour/observer";
import type { Work } from "@/core/progress";
import { BLACK_BACKING, overlaid, WHITE_BACKING, type PencilFilm } from "./film";
import {
  filmAt,
  guessedPrecision,
  OWN,
  ownPrecision,
  SCATTER_AT,
  SHARED,
  sharedPrecision,
  toothAt,
  veilAt,
} from "./pencil-model";
import { drawnLab, type PencilLayer, type ToothFit } from "./tooth";

/** Layers of a pencil that is known by its place among the films. */
export interface NumberedLayer extends Omit<PencilLayer, "film"> {
  readonly pencil: number;
}

/** A drawing of pencil over something: what lies beneath (reflectance, 36 bands), and layers, first laid first. */
export interface Drawing {
  readonly under: Spectrum;
  readonly layers: readonly NumberedLayer[];
}

/** A trial strip: a drawing as read. */
export interface TrialStrip extends Drawing {
  readonly lab: Lab;
}

export interface FittedTooth extends ToothFit {
  /** Median ΔE00 of the strips from the model. */
  readonly residual: number;
  readonly strips: number;
}

/** Parameters in which films and tooth were fitted: where the shared ones and each pencil's own begin, and how surely all are known. */
export interface Posterior {
  readonly films: readonly PencilFilm[];
  readonly start: ToothFit;
  readonly x: Float64Array;
  readonly shared: number;
  readonly place: readonly number[];
  /** Covariance of the parameters, row-major. */
  readonly covariance: Float64Array;
}

export interface FittedPencils {
  /** As they draw on this paper, in the order given. */
  readonly films: readonly PencilFilm[];
  readonly tooth: FittedTooth;
  readonly posterior: Posterior;
}

/** Expected spread of a strip, in Lab as weighed: a hand is not even, and no model is the paper. */
export const STRIP_SPREAD = 1;
/** How far a drawdown may be from what the film says of it: a hand's drawdown covers, but not evenly. */
const DRAWDOWN_SPREAD = 2;
/** Strips farther off than this (in spreads) lose their say, as a Cauchy error does. */
const SAY = 3;
const MOST_ROUNDS = 14;
/** Change of a parameter with which a slope is measured. */
const NUDGE = 0.02;
/** Longest change of a parameter in a round. */
const LONGEST = 0.7;
const FIRST_DAMP = 0.3;
const DAMPINGS = 6;
/** Share of the cost that a round must save for another to follow. */
const WORTH = 1e-3;

/** A difference as an eye weighs it: one of chroma counts for less where there is much of it, as in CIEDE2000. */
export function weighed(lab: Lab, wanted: Lab): [number, number, number] {
  const sc = 1 + 0.045 * chroma(wanted);
  return [lab[0] - wanted[0], (lab[1] - wanted[1]) / sc, (lab[2] - wanted[2]) / sc];
}

/** What a drawing looks like with these parameters. */
export function labAt(
  { films, start, shared, place }: Posterior,
  x: Float64Array,
  { under, layers }: Drawing,
): Lab {
  const veil = veilAt(x, shared);
  return drawnLab(
    under,
    layers.map((l) => ({ ...l, film: filmAt(films[l.pencil]!, x, place[l.pencil]!, veil) })),
    toothAt(start, x, shared),
  );
}

const run = (from: number, count: number) => Array.from({ length: count }, (_, i) => from + i);

/** Parameters that have a say in a drawing. */
export const parametersOf = ({ shared, place }: Posterior, { layers }: Drawing): number[] => [
  ...run(shared, SHARED),
  ...[...new Set(layers.map((l) => l.pencil))].flatMap((p) => run(place[p]!, OWN)),
];

/** How values move with each of some parameters: one row of values a parameter. */
export function slopesOf(
  of: (x: Float64Array) => readonly number[],
  x: Float64Array,
  parameters: readonly number[],
  here = of(x),
): number[][] {
  const moved = x.slice();
  return parameters.map((i) => {
    moved[i]! += NUDGE;
    const there = of(moved);
    moved[i] = x[i]!;
    return there.map((v, c) => (v - here[c]!) / NUDGE);
  });
}

/** Something that was read: how far the model is from it, in spreads, and which parameters move that. */
interface Term {
  readonly off: (x: Float64Array) => number[];
  readonly parameters: readonly number[];
}

const squared = (values: readonly number[]) => values.reduce((sum, v) => sum + v * v, 0);

const WHITE = new Float64Array(BANDS).fill(WHITE_BACKING);
const BLACK = new Float64Array(BANDS).fill(BLACK_BACKING);

function drawdownTerm({ films, place }: Posterior, p: number): Term {
  // Of a guessed film nobody has seen what it does over black.
  const backings = films[p]!.guessed ? [WHITE] : [WHITE, BLACK];
  const read = backings.map((backing) => labOf(overlaid(films[p]!, 1, backing)));
  return {
    off: (x) => {
      const now = filmAt(films[p]!, x, place[p]!, 1);
      return backings.flatMap((backing, i) =>
        weighed(labOf(overlaid(now, 1, backing)), read[i]!).map((d) => d / DRAWDOWN_SPREAD),
      );
    },
    parameters: run(place[p]!, OWN),
  };
}

const stripTerm = (model: Posterior, strip: TrialStrip): Term => ({
  off: (x) => weighed(labAt(model, x, strip), strip.lab).map((d) => d / STRIP_SPREAD),
  parameters: parametersOf(model, strip),
});

/** Half the curvature of the cost and its downward slope in `n` parameters from the `first` on, as Gauss and Newton take them. */
function normalEquations(
  terms: readonly Term[],
  x: Float64Array,
  precision: Float64Array,
  n: number,
  first = 0,
) {
  const a = new Float64Array(n * n);
  const b = new Float64Array(n);
  for (const { off, parameters } of terms) {
    const here = off(x);
    const say = 1 / (1 + squared(here) / SAY ** 2);
    const slopes = slopesOf(off, x, parameters, here);
    parameters.forEach((i, r) => {
      for (let c = 0; c < here.length; c++) b[i - first]! -= say * slopes[r]![c]! * here[c]!;
      parameters.forEach((j, s) => {
        let dot = 0;
        for (let c = 0; c < here.length; c++) dot += slopes[r]![c]! * slopes[s]![c]!;
        a[(i - first) * n + j - first]! += say * dot;
      });
    });
  }
  for (let i = 0; i < n; i++) {
    a[i * n + i]! += precision[first + i]!;
    b[i]! -= precision[first + i]! * x[first + i]!;
  }
  return { a, b };
}

/**
 * Films and tooth that most likely drew what was read: all parameters at once, with what is expected of each beforehand, so that few strips move
 * little and one strip cannot bend a paper. Minimises Σ cauchy(strips) + Σ(drawdowns/σ)² + Σ(x/σ)² by damped Gauss–Newton steps
 * (K. Levenberg, Q. Appl. Math. 2 (1944) 164–168; D. W. Marquardt, J. SIAM 11 (1963) 431–441). Pencils of no strip keep their drawdown's film,
 * on this paper's veil. Yields progress 0–1.
 * @param known the parameters where these very strips were fitted before
 */
export function* fitPencils(
  films: readonly PencilFilm[],
  strips: readonly TrialStrip[],
  start: ToothFit,
  known?: readonly number[],
): Work<FittedPencils> {
  const sound = strips.filter((s) => s.lab.every(Number.isFinite));
  const drawn = new Set(sound.flatMap((s) => s.layers.map((l) => l.pencil)));
  // Pencils that were drawn come first, then what all share, so that elimination meets mostly zeros; the rest is not fitted.
  const order = [...films.keys()].sort((a, b) => Number(drawn.has(b)) - Number(drawn.has(a)));
  const shared = drawn.size * OWN;
  const n = shared + SHARED;
  const ownFirst = order.map((_, i) => i * OWN + (i < drawn.size ? 0 : SHARED));
  const model: Posterior = {
    films,
    start,
    x: new Float64Array(SHARED + films.length * OWN),
    shared,
    place: films.map((_, p) => ownFirst[order.indexOf(p)]!),
    covariance: new Float64Array(0),
  };
  const { x } = model;
  const precision = new Float64Array(x.length);
  precision.set(sharedPrecision, shared);
  ownFirst.forEach((first, i) => {
    precision.set(ownPrecision, first);
    if (films[order[i]!]!.guessed) precision[first + SCATTER_AT] = guessedPrecision;
  });
  const drawdowns = order.map((p) => drawdownTerm(model, p));
  const terms = [...drawdowns.slice(0, drawn.size), ...sound.map((s) => stripTerm(model, s))];
  const costOf = (at: Float64Array) =>
    terms.reduce((sum, t) => sum + SAY ** 2 * Math.log1p(squared(t.off(at)) / SAY ** 2), 0) +
    at.reduce((sum, v, i) => sum + precision[i]! * v * v, 0);
  const isKnown = known?.length === x.length;
  if (isKnown) x.set(known);
  let cost = costOf(x);
  let damp = FIRST_DAMP;
  for (let round = 0, going = sound.length > 0 && !isKnown; going && round < MOST_ROUNDS; round++) {
    const { a, b } = normalEquations(terms, x, precision, n);
    going = false;
    for (let tries = 0; tries < DAMPINGS; tries++) {
      yield (round + tries / DAMPINGS) / (MOST_ROUNDS + 1);
      const damped = a.slice();
      for (let i = 0; i < n; i++) damped[i * n + i]! *= 1 + damp;
      const step = solve(damped, b.slice());
      const next = x.map((v, i) => v + Math.max(-LONGEST, Math.min(LONGEST, step[i] ?? 0)));
      const then = costOf(next);
      if (!(then < cost)) {
        damp *= 4;
        continue;
      }
      going = cost - then > WORTH * cost;
      x.set(next);
      cost = then;
      damp = Math.max(1e-3, damp / 4);
      break;
    }
  }
  const covariance = new Float64Array(x.length ** 2);
  const know = (own: readonly Term[], first: number, count: number) => {
    const inverse = invert(normalEquations(own, x, precision, count, first).a, count);
    for (let i = 0; i < count; i++)
      covariance.set(inverse.subarray(i * count, (i + 1) * count), (first + i) * x.length + first);
  };
  know(terms, 0, n);
  drawdowns.slice(drawn.size).forEach((term, i) => know([term], n + i * OWN, OWN));
  const posterior = { ...model, covariance };
  const veil = veilAt(x, shared);
  return {
    films: films.map((f, p) => filmAt(f, x, model.place[p]!, veil)),
    tooth: {
      ...toothAt(start, x, shared),
      residual: sound.length ? median(sound.map((s) => deltaE00(labAt(model, x, s), s.lab))) : 0,
      strips: sound.length,
    },
    posterior,
  };
}
