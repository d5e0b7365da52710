import { doseOfK, kOfDose } from "@/core/ink/dose";
import { coatWeights } from "@/core/ink/weights";
import { deltaE00, deltaE00Of } from "@/core/colour/delta-e00";
import { xyzToLab, type Lab } from "@/core/colour/lab";
import { tristimulusWeights } from "@/core/colour/observer";
import { seenLab, type Desk } from "@/core/ink/desk";
import { standIns } from "@/core/ink/twins";
import type { Paper } from "@/core/ink/paper";
import { sheetReflectance } from "@/core/ink/sheet";
import { coatsOf, type InkRun, type Recipe } from "./recipe";

/** What a search needs of a desk, laid out for speed. */
export interface Bench {
  readonly desk: Desk;
  /** Ink laid by one coat: inks × 36 bands. */
  readonly dose: Float64Array;
  /** Lab of one coat of each ink: inks × 3. */
  readonly oneCoat: readonly Lab[];
  /** Place of each ink from light to dark. */
  readonly rank: Int32Array;
  /** The ink that stands for each ink and its twins. */
  readonly twinOf: Int32Array;
}

export function layBench(desk: Desk): Bench {
  const n = desk.inks.length;
  const dose = new Float64Array(n * 36);
  desk.inks.forEach((ink, k) =>
    ink.spectrum.forEach((v, i) => (dose[k * 36 + i] = doseOfK(v, desk.paper.fit))),
  );
  const oneCoat = desk.inks.map((_, k) => seenLab(desk, [k]));
  const order = oneCoat.map((_, k) => k).sort((a, b) => oneCoat[b]![0] - oneCoat[a]![0] || a - b);
  const rank = new Int32Array(n);
  order.forEach((ink, place) => (rank[ink] = place));
  const twinOf = standIns(oneCoat);
  return { desk, dose, oneCoat, rank, twinOf };
}

/** Colour difference to the target of inks with their coat counts; only the first `count` places are read. */
export type DifferenceOf = (inks: ArrayLike<number>, split: ArrayLike<number>, count: number) => number;

/** Reflectances (0–1) of 36 bands at 36 doses of ink, into `out`. */
export interface FillReflectance {
  fill(doses: Float64Array, out: Float64Array): void;
}

/** By the model's own formulas. */
export const exactReflectance = (paper: Paper): FillReflectance => ({
  fill: (doses, out) => {
    for (let i = 0; i < 36; i++) out[i] = sheetReflectance(paper, i, kOfDose(doses[i]!, paper.fit));
  },
});

/** Weight of the coats of place `m` when light inks are laid before dark ones. */
export function layerShare(
  w: readonly number[],
  inks: ArrayLike<number>,
  split: ArrayLike<number>,
  count: number,
  m: number,
  rank: Int32Array,
): number {
  const own = rank[inks[m]!]!;
  let below = 0;
  for (let o = 0; o < count; o++) if (rank[inks[o]!]! < own) below += split[o]!;
  let share = 0;
  for (let c = 0; c < split[m]!; c++) share += w[below + c]!;
  return share;
}

/** Evaluates recipes without making objects. Recipes of one ink take its measured colour. */
export function recipeEvaluator(
  bench: Bench,
  target: Lab,
  maxCoats: number,
  lookup: FillReflectance,
): DifferenceOf {
  const { desk, dose, rank } = bench;
  const { x, y, z, white } = tristimulusWeights(desk.paper.illuminant);
  const weights = Array.from({ length: maxCoats + 1 }, (_, n) => coatWeights(n, desk.paper.fit));
  const [tL, ta, tb] = target;
  const alone = desk.inks.map((_, k) =>
    Array.from({ length: maxCoats + 1 }, (__, n) =>
      deltaE00(seenLab(desk, Array<number>(n).fill(k)), target),
    ),
  );
  const doses = new Float64Array(36);
  const light = new Float64Array(36);
  return (inks, split, count) => {
    if (count === 1) return alone[inks[0]!]![split[0]!]!;
    let total = 0;
    for (let m = 0; m < count; m++) total += split[m]!;
    const w = weights[total]!;
    const third = count > 2;
    const [p, q, r] = [inks[0]! * 36, inks[1]! * 36, third ? inks[2]! * 36 : 0];
    const sp = layerShare(w, inks, split, count, 0, rank);
    const sq = layerShare(w, inks, split, count, 1, rank);
    const sr = third ? layerShare(w, inks, split, count, 2, rank) : 0;
    for (let i = 0; i < 36; i++) doses[i] = sp * dose[p + i]! + sq * dose[q + i]! + sr * dose[r + i]!;
    lookup.fill(doses, light);
    let X = 0;
    let Y = 0;
    let Z = 0;
    for (let i = 0; i < 36; i++) {
      X += x[i]! * light[i]!;
      Y += y[i]! * light[i]!;
      Z += z[i]! * light[i]!;
    }
    const lab = xyzToLab([X, Y, Z], white);
    return deltaE00Of(tL, ta, tb, lab[0], lab[1], lab[2]);
  };
}

/** A recipe in full. */
export function recipeOf(bench: Bench, layers: readonly InkRun[], target: Lab): Recipe {
  const lab = seenLab(bench.desk, coatsOf(layers));
  return { layers, lab, deltaE00: deltaE00(lab, target) };
}
