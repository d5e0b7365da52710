import { invert } from "@/core/algebra/invert";
import { median } from "@/core/algebra/median";
import { solve } from "@/core/algebra/solve";
import { finish, part, type Work } from "@/core/progress";
import { deltaE00 } from "@/core/colour/delta-e00";
import type { Lab } from "@/core/colour/lab";
import { BANDS, type Illuminant } from "@/core/colour/observer";
import { fitInkSpectrum, RESTING_Z, spectrumOf, weighInk, type Coats, type InkFit } from "./fit-ink";
import { fitReadSpectrum, isSpectral, type SpectralFit } from "./fit-spectral";
import { DEFAULT_FIT, makePaper, paperAsRead, refit, uptakeOf, type Paper, type PaperFit } from "./paper";
import { wantedColour, type Reading } from "./reading";
import { carryAlong } from "./smooth";
import { type InkSpectrum } from "./stack";
import { inkedLab } from "./sheet";

export interface FittedPaper {
  readonly paper: Paper;
  /** One spectrum an ink, in the order given. */
  readonly inks: readonly InkSpectrum[];
  /** Median ΔE00 between readings and the model's own coats; 0 without inks. */
  readonly residual: number;
}

/** ln k1, logit k2, ln(u2−1), ln of the 3rd coat's gain over the 2nd's, ln depth: unbounded, so that steps need no walls. */
type Unknowns = readonly number[];

const logit = (p: number) => Math.log(p / (1 - p));
const [, U2, U3] = DEFAULT_FIT.uptake as [number, number, number];
const EXPECTED: Unknowns = [
  Math.log(DEFAULT_FIT.k1),
  logit(DEFAULT_FIT.k2),
  Math.log(U2 - 1),
  Math.log((U3 - U2) / (U2 - 1)),
  Math.log(DEFAULT_FIT.depth),
];
/** How far real papers are expected to lie from the middle: the prior's spread of each unknown. */
const PRIOR_SPREAD: Unknowns = [0.4, 0.4, 0.4, 0.4, 1.2];
const UNKNOWNS = EXPECTED.length;

/**
 * Share of the fall in uptake that belongs to ink crowding near the surface (band by band) rather than to less ink being taken, where inks are
 * known as colours. Where they were read band by band nothing of it is left: what bands do is in their spectra.
 */
const CROWDING_SHARE = 0.5;

/** An ink whose cost lies beyond this is a misread, and has no say in the paper's values. */
const OUTLIER = 40;
/** Inks that are enough to fit a paper; more only take time. */
const ENOUGH = 90;
const MOST_ROUNDS = 15;
const SMALL = 1e-3;

function fitOf(x: Unknowns, crowdingShare: number): PaperFit {
  const second = Math.exp(x[2]!);
  const third = second * Math.exp(x[3]!);
  const uptake = [1, 1 + second, 1 + second + third];
  const depth = Math.exp(x[4]!);
  const base: PaperFit = {
    ...DEFAULT_FIT,
    k1: Math.exp(x[0]!),
    k2: 1 / (1 + Math.exp(-x[1]!)),
    depth,
    uptake,
  };
  const loss = 1 - Math.log(uptake[1]!) / Math.LN2;
  return {
    ...base,
    crowding: Math.min(1, Math.max(0.5, 1 - crowdingShare * loss)),
    uptake: [...uptake, uptakeOf(base, 4)],
  };
}

const priorCost = (x: Unknowns) =>
  x.reduce((sum, v, k) => sum + ((v - EXPECTED[k]!) / PRIOR_SPREAD[k]!) ** 2, 0);

type Fit = InkFit | SpectralFit;
const isColours = (fit: Fit): fit is InkFit => "slopes" in fit;

/** What is fitted: the sheet, and the inks that tell about it. */
interface Problem {
  readonly sheet: Paper;
  readonly inks: readonly Coats[];
  readonly crowdingShare: number;
}

const paperAt = ({ sheet, crowdingShare }: Problem, x: Unknowns): Paper =>
  refit(sheet, fitOf(x, crowdingShare));

interface State {
  readonly x: Unknowns;
  readonly fits: readonly Fit[];
  readonly cost: number;
}

/** Inks that are fitted between two chances to stop. */
const AT_ONCE = 12;

/** The inks' best spectra on a paper of these values; yields a share (0–1) of itself. */
function* settle(problem: Problem, x: Unknowns, before?: readonly Fit[]): Work<State> {
  const paper = paperAt(problem, x);
  const fits: Fit[] = [];
  for (const [i, coats] of problem.inks.entries()) {
    fits.push(
      isSpectral(coats)
        ? fitReadSpectrum(coats, paper)
        : fitInkSpectrum(coats, paper, before?.[i]?.z, before ? 3 : 12),
    );
    if (i % AT_ONCE === AT_ONCE - 1) yield i / problem.inks.length;
  }
  return { x, fits, cost: fits.reduce((sum, f) => sum + Math.min(f.cost, OUTLIER), priorCost(x)) };
}

/** Gauss–Newton step of the paper's unknowns with every ink's spectrum marginalised (Schur complement of the joint problem). */
function stepOf({ x, fits }: State, problem: Problem, damping: number): number[] {
  const { inks } = problem;
  const normal = new Float64Array(UNKNOWNS * UNKNOWNS);
  const right = new Float64Array(UNKNOWNS);
  x.forEach((v, k) => {
    normal[k * UNKNOWNS + k]! += 1 / PRIOR_SPREAD[k]! ** 2;
    right[k]! += (EXPECTED[k]! - v) / PRIOR_SPREAD[k]! ** 2;
  });
  const nudged = x.map((_, k) =>
    paperAt(
      problem,
      x.map((v, j) => (j === k ? v + SMALL : v)),
    ),
  );
  const dot = (a: Float64Array, b: Float64Array) => a.reduce((sum, v, i) => sum + v * b[i]!, 0);
  fits.forEach((f, n) => {
    if (f.cost > OUTLIER) return;
    if (!isColours(f)) {
      // Its spectrum is the best on each paper: what is left is projected already (G. Golub & V. Pereyra, SIAM J. Numer. Anal. 10, 1973).
      const moved = nudged.map((paper) =>
        fitReadSpectrum(inks[n]!, paper).residual.map((v, r) => (v - f.residual[r]!) / SMALL),
      );
      moved.forEach((row, a) => {
        moved.forEach((column, b) => (normal[a * UNKNOWNS + b]! += dot(row, column)));
        right[a]! -= dot(row, f.residual);
      });
      return;
    }
    const m = f.residual.length;
    const trust = invert(readingSpread(f), m);
    const open = f.residual.map((v, r) => {
      let sum = v;
      for (let i = 0; i < BANDS; i++) sum += f.slopes[r * BANDS + i]! * (f.z[i]! - RESTING_Z);
      return sum;
    });
    const moved = nudged.map((paper) => {
      const residual = new Float64Array(m);
      weighInk(f.z, inks[n]!, paper, residual);
      return residual.map((v, r) => (f.residual[r]! - v) / SMALL);
    });
    const trusted = moved.map((row) =>
      row.map((_, c) => row.reduce((sum, v, r) => sum + v * trust[r * m + c]!, 0)),
    );
    trusted.forEach((row, a) => {
      moved.forEach((column, b) => (normal[a * UNKNOWNS + b]! += dot(row, column)));
      right[a]! += dot(row, open);
    });
  });
  for (let k = 0; k < UNKNOWNS; k++) normal[k * UNKNOWNS + k]! *= 1 + damping;
  return Array.from(solve(normal, right));
}

/** Covariance of an ink's residuals: reading error plus the freedom of a smooth spectrum. */
function readingSpread({ slopes, residual }: InkFit): Float64Array {
  const m = residual.length;
  const out = new Float64Array(m * m);
  const carried = carryAlong(slopes.slice());
  for (let r = 0; r < m; r++)
    for (let c = 0; c < m; c++) {
      let dot = r === c ? 1 : 0;
      for (let i = 0; i < 36; i++) dot += carried[r * 36 + i]! * slopes[c * 36 + i]!;
      out[r * m + c] = dot;
    }
  return out;
}

/** Inks that tell most about the paper: those with most coats, evenly picked. */
function telling(inks: readonly Coats[]): readonly Coats[] {
  const full = inks.filter((c) => c.length > 1);
  const stride = Math.max(1, full.length / ENOUGH);
  return Array.from({ length: Math.min(ENOUGH, full.length) }, (_, i) => full[Math.floor(i * stride)]!);
}

/** Share of the progress that the paper's own values take; the rest goes to every ink's spectrum. */
const PAPER_SHARE = 0.7;

/** The paper's own values (surface reflections k1 and k2, depth of the inked part, uptake), whichever inks' swatches tell them. */
function* fittingValues(sheet: Paper, inks: readonly Coats[]): Work<Paper> {
  const used = telling(inks);
  const byBand = used.filter(isSpectral).length / Math.max(1, used.length);
  const problem: Problem = { sheet, inks: used, crowdingShare: CROWDING_SHARE * (1 - byBand) };
  const share = PAPER_SHARE / (MOST_ROUNDS + 1);
  let state = yield* part(settle(problem, EXPECTED), 0, share);
  let damping = 1e-2;
  for (let round = 0; used.length && round < MOST_ROUNDS && damping < 1e4; round++) {
    const step = stepOf(state, problem, damping);
    const nudged = state.x.map((v, k) => v + Math.max(-0.7, Math.min(0.7, step[k]!)));
    const next = yield* part(settle(problem, nudged, state.fits), (round + 1) * share, share);
    if (!(next.cost < state.cost)) {
      damping *= 8;
      continue;
    }
    const gain = state.cost - next.cost;
    state = next;
    damping /= 5;
    if (gain < 0.05) break;
  }
  return paperAt(problem, state.x);
}

/**
 * Fits a paper (surface reflections k1 and k2, depth of the inked part, uptake) and every ink's spectrum on it from swatches of one, two and
 * three coats. Joint maximum a posteriori estimate; without swatches of several coats the expected values stand. Yields progress 0–1.
 * @param read the bare paper
 * @param inks readings of each ink, one to three coats
 * @param known the paper's values where these swatches were fitted before: the inks follow from them
 */
export function* fittingPaper(
  read: Lab | Reading,
  inks: readonly Coats[],
  illuminant: Illuminant = "D65",
  known?: PaperFit,
): Work<FittedPaper> {
  const sheet = "lab" in read ? paperAsRead(read, DEFAULT_FIT) : makePaper(read, DEFAULT_FIT, illuminant);
  const paper = known ? refit(sheet, known) : yield* fittingValues(sheet, inks);
  const spectra: InkSpectrum[] = [];
  for (const [i, coats] of inks.entries()) {
    spectra.push(
      spectrumOf(isSpectral(coats) ? fitReadSpectrum(coats, paper) : fitInkSpectrum(coats, paper)),
    );
    if (i % AT_ONCE === AT_ONCE - 1) yield PAPER_SHARE + ((1 - PAPER_SHARE) * i) / inks.length;
  }
  return { paper, inks: spectra, residual: medianResidual(paper, inks, spectra) };
}

/** {@link fittingPaper} in one go. */
export const fitPaper = (lab: Lab | Reading, inks: readonly Coats[], illuminant?: Illuminant): FittedPaper =>
  finish(fittingPaper(lab, inks, illuminant));

function medianResidual(paper: Paper, inks: readonly Coats[], spectra: readonly InkSpectrum[]): number {
  const errors = inks.flatMap((coats, n) =>
    coats.map((reading, c) => {
      const found = inkedLab(
        paper,
        spectra[n]!.map((k) => k * uptakeOf(paper.fit, c + 1)),
      );
      return deltaE00(found, wantedColour(reading, found));
    }),
  );
  return errors.length ? median(errors) : 0;
}
