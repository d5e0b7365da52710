/** A marker as far as its ink is known at the beginning. */
export interface InkMarker {
  readonly code: string;
  /** Ink of a full one, ml. */
  readonly full: number;
  /** Ink at the beginning, ml, and how far that may be off (standard deviation). */
  readonly left: number;
  readonly spread: number;
}

/** What happened to markers, first things first. */
export type InkEvent =
  | {
      readonly kind: "laid";
      readonly code: string;
      readonly mm2: number;
      readonly coats: number;
      readonly paper: string;
    }
  | { readonly kind: "weighed"; readonly code: string; readonly grams: number }
  /** So much was added. */
  | { readonly kind: "filled"; readonly code: string; readonly ml: number }
  /** So much is in it, whatever was before: it is new, or was filled up. */
  | { readonly kind: "full"; readonly code: string; readonly ml: number };

/** Ink that is to be laid. */
export interface InkStep {
  readonly code: string;
  readonly mm2: number;
  readonly coats: number;
  readonly paper: string;
}

export interface Amount {
  readonly ml: number;
  /** It lies between these in nine cases of ten. */
  readonly low: number;
  readonly high: number;
}

export interface MarkerInk {
  readonly code: string;
  /** Now, and once all steps are laid. */
  readonly left: Amount;
  readonly after: Amount;
  /** What the steps take. */
  readonly takes: Amount;
  /** Chance that it runs out before the steps are laid, 0–1… */
  readonly chance: number;
  /** …and the first step after which it is likelier dry than not; null where none is. */
  readonly driesAt: number | null;
}

export interface InkUse {
  readonly markers: readonly MarkerInk[];
  /** Laydown of one coat, ml/m², by paper; `weighed` tells whether a scale had a say. */
  readonly laydown: readonly (Amount & { readonly paper: string; readonly weighed: boolean })[];
  /** Lost at each opening, ml. */
  readonly opening: Amount;
}

/**
 * What is expected beforehand, and how far it may be off. A coat of alcohol ink is a wet film of about 12 µm, and markers and papers differ by a third;
 * an opening costs a few µl. Nothing here was measured on a product: a scale soon outweighs it.
 */
export const INK_PRIOR = {
  /** ml/m² of a coat, and as a share of it how far papers lie apart. */
  laydown: 12,
  papers: 0.35,
  /** How far markers lie apart by their nibs, and one step of a marker from its next, as shares. */
  nibs: 0.18,
  steps: 0.15,
  /** ml an opening, and how far that may be off. */
  opening: 0.004,
  openings: 0.004,
} as const;
/** Grams of one ml of ink: alcohols of about 0.8, and the dye. */
const DENSITY = 0.85;
/** A kitchen scale shows tenths: off by a thirtieth as a rule of what it rounds, and a little of its own, g. */
const SCALE = 0.05;
/** Standard deviations within which nine cases of ten lie. */
const NINE_OF_TEN = 1.6449;
/** How far a marker that was filled up may be off, as a share. */
const FULL_OFF = 0.05;
const MM2 = 1e-6;

interface Paperwise {
  /** m² × coats on each paper, by place of the paper. */
  readonly area: Float64Array;
  /** Sum of the squares of the steps' areas, for what differs from step to step. */
  squares: number;
  openings: number;
}

const nothing = (papers: number): Paperwise => ({ area: new Float64Array(papers), squares: 0, openings: 0 });

const together = (uses: readonly Paperwise[]): Paperwise => ({
  area: uses[0]!.area.map((_, p) => uses.reduce((sum, u) => sum + u.area[p]!, 0)),
  squares: uses.reduce((sum, u) => sum + u.squares, 0),
  openings: uses.reduce((sum, u) => sum + u.openings, 0),
});

/** Lower triangle L of a positive matrix L·Lᵀ, in place. */
function factor(a: Float64Array[]): void {
  for (let j = 0; j < a.length; j++) {
    for (let k = 0; k < j; k++) for (let i = j; i < a.length; i++) a[i]![j]! -= a[i]![k]! * a[j]![k]!;
    const root = Math.sqrt(Math.max(1e-300, a[j]![j]!));
    for (let i = j; i < a.length; i++) a[i]![j]! /= root;
  }
}

function solved(l: readonly Float64Array[], b: ArrayLike<number>): Float64Array {
  const x = Float64Array.from(b);
  for (let i = 0; i < x.length; i++) {
    for (let k = 0; k < i; k++) x[i]! -= l[i]![k]! * x[k]!;
    x[i]! /= l[i]![i]!;
  }
  for (let i = x.length - 1; i >= 0; i--) {
    for (let k = i + 1; k < x.length; k++) x[i]! -= l[k]![i]! * x[k]!;
    x[i]! /= l[i]![i]!;
  }
  return x;
}

/** Ink that a marker gave between two weighings. */
interface Weighed extends Paperwise {
  readonly marker: number;
  readonly ml: number;
}

/** Papers' laydown, the loss an opening and the nibs of weighed markers, as known from weighings. */
interface Learnt {
  readonly laydown: Float64Array;
  readonly opening: number;
  /** Factor of a weighed marker's nib, by marker. */
  readonly nib: ReadonlyMap<number, number>;
  /** Covariance of a use with a use: what the parameters leave open. */
  readonly spread: (marker: number, use: Paperwise) => number;
  readonly weighed: ReadonlySet<number>;
  readonly sdOfPaper: (paper: number) => number;
  readonly sdOfOpening: number;
}

/** Rounds in which the product of paper and nib is taken as straight about the last estimate. */
const ROUNDS = 4;
/** Markers whose nibs are learnt, those weighed last: as many as one system is solved for. */
const MOST_NIBS = 200;
/** A chance of running dry that is said before the first step: on the simulated desk none ran dry below it (`bench -- ink`). */
export const MAY_RUN_DRY = 0.003;

/**
 * Bayesian linear regression (Gaussian priors, weights by the scale's and the steps' spread) of what weighings say was used, on area by paper,
 * openings, and a factor a nib; linearised a few times about its own estimate (Gauss–Newton).
 */
function learn(all: readonly Weighed[], papers: number): Learnt {
  const { laydown, papers: apart, nibs, steps, opening, openings } = INK_PRIOR;
  const markers = [...new Set(all.map((w) => w.marker))].slice(-MOST_NIBS);
  const weighings = all.filter((w) => markers.includes(w.marker));
  const nibAt = new Map(markers.map((m, i) => [m, papers + 1 + i]));
  const n = papers + 1 + markers.length;
  const prior = Float64Array.from({ length: n }, (_, i) =>
    i < papers ? laydown : i === papers ? opening : 1,
  );
  const sd = Float64Array.from({ length: n }, (_, i) =>
    i < papers ? laydown * apart : i === papers ? openings : nibs,
  );
  let at = prior.slice();
  let l: Float64Array[] = [];
  const rowOf = (marker: number | undefined, use: Paperwise, by: Float64Array): Float64Array => {
    const row = new Float64Array(n);
    const nib = marker === undefined ? undefined : nibAt.get(marker);
    const k = nib === undefined ? 1 : by[nib]!;
    let ink = 0;
    for (let p = 0; p < papers; p++) {
      row[p] = use.area[p]! * k;
      ink += use.area[p]! * by[p]!;
    }
    row[papers] = use.openings;
    if (nib !== undefined) row[nib] = ink;
    return row;
  };
  for (let round = 0; round < (weighings.length ? ROUNDS : 1); round++) {
    const a = Array.from({ length: n }, (_, i) => {
      const row = new Float64Array(n);
      row[i] = 1 / sd[i]! ** 2;
      return row;
    });
    const b = prior.map((p, i) => p / sd[i]! ** 2);
    for (const w of weighings) {
      const row = rowOf(w.marker, w, at);
      const nib = nibAt.get(w.marker)!;
      const mean = at.subarray(0, papers).reduce((s, x) => s + x, 0) / Math.max(1, papers);
      const noise =
        2 * (SCALE / DENSITY) ** 2 + (steps * mean) ** 2 * w.squares + w.openings * at[papers]! ** 2;
      // Straight about the estimate: area × (λ·k₀ + λ₀·(k − k₀)).
      const given = w.ml + row[nib]! * at[nib]!;
      const told = [...row.keys()].filter((i) => row[i]);
      for (const i of told) {
        for (const j of told) a[i]![j]! += (row[i]! * row[j]!) / noise;
        b[i]! += (row[i]! * given) / noise;
      }
    }
    factor(a);
    l = a;
    at = solved(l, b).map((v, i) => Math.max(prior[i]! / 20, v));
  }
  const unit = (i: number) => Float64Array.from({ length: n }, (_, k) => Number(k === i));
  const inverse = Array.from({ length: n }, (_, i) => solved(l, unit(i)));
  const covariance = (row: Float64Array) => {
    const told = [...row.keys()].filter((i) => row[i]);
    let sum = 0;
    for (const i of told) for (const j of told) sum += row[i]! * inverse[i]![j]! * row[j]!;
    return Math.max(0, sum);
  };
  return {
    laydown: at.slice(0, papers),
    opening: at[papers]!,
    nib: new Map(markers.map((m) => [m, at[nibAt.get(m)!]!])),
    spread: (marker, use) => covariance(rowOf(marker, use, at)),
    weighed: new Set(weighings.flatMap((w) => [...w.area].flatMap((v, p) => (v > 0 ? [p] : [])))),
    sdOfPaper: (p) => Math.sqrt(inverse[p]![p]!),
    sdOfOpening: Math.sqrt(inverse[papers]![papers]!),
  };
}

/** Ink that a use takes in the mean, without openings, by the nib if it was learnt, ml. */
const inkOf = ({ area }: Paperwise, { laydown, nib }: Learnt, marker: number): number =>
  area.reduce((sum, a, p) => sum + a * laydown[p]!, 0) * (nib.get(marker) ?? 1);

interface Spread {
  readonly mean: number;
  readonly variance: number;
}

/** What a use takes, ml. */
function taken(learnt: Learnt, marker: number, use: Paperwise): Spread {
  const ink = inkOf(use, learnt, marker);
  const coats = use.area.reduce((sum, a) => sum + a, 0);
  const mean = coats > 0 ? ink / coats : 0;
  const ofNib = learnt.nib.has(marker) ? 0 : (INK_PRIOR.nibs * ink) ** 2;
  return {
    mean: ink + use.openings * learnt.opening,
    variance:
      learnt.spread(marker, use) +
      ofNib +
      (INK_PRIOR.steps * mean) ** 2 * use.squares +
      use.openings * learnt.opening ** 2,
  };
}

/** Chance of a standard normal below x (Abramowitz & Stegun 7.1.26, off by 1e-7 at most). */
function below(x: number): number {
  const t = 1 / (1 + (0.3275911 * Math.abs(x)) / Math.SQRT2);
  const tail =
    t *
    (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429)))) *
    Math.exp(-(x * x) / 2);
  return x >= 0 ? 1 - tail / 2 : tail / 2;
}

/** A normal that cannot be more than so much, by its first two moments (Johnson, Kotz & Balakrishnan 1994, 13.10). */
function notMore({ mean, variance }: Spread, most: number): Spread {
  const sd = Math.sqrt(variance);
  if (!(sd > 0)) return { mean: Math.min(mean, most), variance: 0 };
  const at = (most - mean) / sd;
  const rate = Math.exp(-(at * at) / 2) / Math.sqrt(2 * Math.PI) / Math.max(1e-9, below(at));
  return { mean: mean - sd * rate, variance: variance * Math.max(0.01, 1 - at * rate - rate * rate) };
}

const within = ({ mean, variance }: Spread, most = Infinity): Amount => {
  const off = NINE_OF_TEN * Math.sqrt(variance);
  const clip = (v: number) => Math.min(most, Math.max(0, v));
  return { ml: clip(mean), low: clip(mean - off), high: clip(mean + off) };
};

/**
 * How much ink markers have, what steps take of it, and which will not last: ink laid is area × coats × laydown of the paper × the nib's factor, and
 * each step an opening; laydown, loss and nibs are learnt from weighings.
 */
export function inkUse(
  markers: readonly InkMarker[],
  events: readonly InkEvent[],
  steps: readonly InkStep[],
): InkUse {
  const papers = [
    ...new Set([
      ...events.flatMap((e) => (e.kind === "laid" ? [e.paper] : [])),
      ...steps.map((s) => s.paper),
    ]),
  ];
  const paperAt = new Map(papers.map((p, i) => [p, i]));
  const markerAt = new Map(markers.map((m, i) => [m.code, i]));
  const lay = (use: Paperwise, { mm2, coats, paper }: Omit<InkStep, "code">) => {
    const area = mm2 * MM2 * coats;
    use.area[paperAt.get(paper)!]! += area;
    use.squares += area * area;
    use.openings++;
  };
  // Ink by stretches between weighings: before the first, weighed ones, and since the last.
  const weighings: Weighed[] = [];
  const states = markers.map((m) => ({
    level: notMore({ mean: m.left, variance: m.spread ** 2 }, m.full),
    before: nothing(papers.length),
    since: nothing(papers.length),
    filled: 0,
    grams: undefined as number | undefined,
    /** Ink that the scale saw go, ml, and in how many parts. */
    gone: 0,
    full: m.full,
  }));
  for (const e of events) {
    const at = markerAt.get(e.code);
    if (at === undefined) continue;
    const s = states[at]!;
    if (e.kind === "laid") lay(s.since, e);
    else if (e.kind === "full") {
      s.level = notMore({ mean: e.ml, variance: (FULL_OFF * e.ml) ** 2 }, s.full);
      s.before = nothing(papers.length);
      s.since = nothing(papers.length);
      s.grams = undefined;
      s.filled = s.gone = 0;
    } else if (e.kind === "filled") s.filled += e.ml;
    else {
      if (s.grams === undefined) s.before = s.since;
      else {
        const ml = (s.grams - e.grams) / DENSITY + s.filled;
        weighings.push({ ...s.since, marker: at, ml });
        s.gone += (s.grams - e.grams) / DENSITY;
        s.filled = 0;
      }
      if (s.grams === undefined) {
        s.level = { mean: s.level.mean + s.filled, variance: s.level.variance };
        s.filled = 0;
      }
      s.grams = e.grams;
      s.since = nothing(papers.length);
    }
  }
  const learnt = learn(weighings, papers.length);
  const wanted = markers.map(() => nothing(papers.length));
  const last = markers.map(() => -1);
  const known = states.map((s, i) => ({
    ml: s.level.mean - s.gone + s.filled - taken(learnt, i, together([s.before, s.since])).mean,
    driesAt: null as number | null,
  }));
  steps.forEach((step, i) => {
    const at = markerAt.get(step.code);
    if (at === undefined) return;
    const use = wanted[at]!;
    lay(use, step);
    last[at] = i;
    const own = known[at]!;
    if (own.driesAt === null && inkOf(use, learnt, at) + use.openings * learnt.opening > own.ml)
      own.driesAt = i;
  });
  return {
    markers: markers.map(({ code, full }, i) => {
      const s = states[i]!;
      const scale = s.grams === undefined ? 0 : 2 * (SCALE / DENSITY) ** 2;
      // What was laid unweighed and what is to come are off alike.
      const past = together([s.before, s.since]);
      const laid = taken(learnt, i, past);
      const all = taken(learnt, i, together([past, wanted[i]!]));
      const left = {
        mean: Math.min(full, known[i]!.ml),
        variance: s.level.variance + scale + laid.variance,
      };
      const after = {
        mean: left.mean - (all.mean - laid.mean),
        variance: s.level.variance + scale + all.variance,
      };
      const takes = taken(learnt, i, wanted[i]!);
      return {
        code,
        left: within(left, full),
        after: within(after, full),
        takes: within(takes),
        chance: last[i]! >= 0 ? below(-after.mean / Math.sqrt(Math.max(1e-12, after.variance))) : 0,
        driesAt: known[i]!.driesAt,
      };
    }),
    laydown: papers.map((paper, p) => ({
      paper,
      ...within({ mean: learnt.laydown[p]!, variance: learnt.sdOfPaper(p) ** 2 }),
      weighed: learnt.weighed.has(p),
    })),
    opening: within({ mean: learnt.opening, variance: learnt.sdOfOpening ** 2 }),
  };
}
