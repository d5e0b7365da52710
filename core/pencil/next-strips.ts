import { invert } from "@/core/algebra/invert";
import type { Work } from "@/core/progress";
import {
  type Drawing,
  labAt,
  parametersOf,
  type Posterior,
  slopesOf,
  STRIP_SPREAD,
  weighed,
} from "./fit-pencils";

/** How a drawing moves with the parameters that have a say in it. */
interface Slopes {
  readonly parameters: readonly number[];
  /** Three values, in weighed Lab, a parameter. */
  readonly of: readonly (readonly number[])[];
}

function slopes(posterior: Posterior, drawing: Drawing): Slopes {
  const { x } = posterior;
  const here = labAt(posterior, x, drawing);
  const parameters = parametersOf(posterior, drawing);
  return {
    parameters,
    of: slopesOf((at) => weighed(labAt(posterior, at, drawing), here), x, parameters, [0, 0, 0]),
  };
}

export interface ChosenStrip {
  /** Place among the candidates. */
  readonly candidate: number;
  /** Mean spread of the wanted drawings, in weighed Lab, once this strip and those before it are read. */
  readonly spread: number;
}

/**
 * Which strips to draw, one after the other, so that wanted drawings are known best: each takes most away from their summed variance, given those
 * before it (greedy A-optimal design; the spread after k strips never grows with k). To first order around what is known now.
 * Source: K. Chaloner & I. Verdinelli, Statist. Sci. 10 (1995) 273–304, on Bayesian linear designs.
 */
export function* nextStrips(
  posterior: Posterior,
  wanted: readonly Drawing[],
  candidates: readonly Drawing[],
  most: number,
): Work<{ readonly now: number; readonly chosen: readonly ChosenStrip[] }> {
  const n = posterior.x.length;
  const total = wanted.length + candidates.length + most;
  const covariance = posterior.covariance.slice();
  /** What is wanted of the parameters: Σ slopesᵀ·slopes, n × n. */
  const wish = new Float64Array(n * n);
  for (const [k, d] of wanted.entries()) {
    const { parameters, of } = slopes(posterior, d);
    parameters.forEach((p, r) =>
      parameters.forEach((q, s) => (wish[p * n + q]! += dot(of[r]!, of[s]!) / wanted.length)),
    );
    if (k % PAUSE === 0) yield k / total;
  }
  const tries: Slopes[] = [];
  for (const d of candidates) {
    tries.push(slopes(posterior, d));
    if (tries.length % PAUSE === 0) yield (wanted.length + tries.length) / total;
  }
  // Variance that reading a strip takes away is tr(R⁻¹ · S·W·Sᵀ), R = S·C·Sᵀ + noise, W = C·wish·C; C and W lose three ranks with each strip.
  const worth = times(times(covariance, wish, n), covariance, n);
  let left = 0;
  for (let i = 0; i < n * n; i++) left += covariance[i]! * wish[i]!;
  const now = Math.sqrt(Math.max(0, left));
  const open = new Set(tries.keys());
  const chosen: ChosenStrip[] = [];
  while (chosen.length < most && open.size) {
    let best = { candidate: -1, gain: LEAST_GAIN };
    for (const t of open) {
      const gain = dot(inverse3(plusNoise(within(tries[t]!, covariance, n))), within(tries[t]!, worth, n));
      if (gain > best.gain) best = { candidate: t, gain };
    }
    if (best.candidate < 0) break;
    const strip = tries[best.candidate]!;
    const [own, pull] = [covariance, worth].map((m) => carried(strip, m, n)) as [Float64Array, Float64Array];
    const known = inverse3(plusNoise(within(strip, covariance, n)));
    const settled = product3(product3(known, within(strip, worth, n)), known);
    lessRanks(worth, own, known, pull, n);
    lessRanks(worth, pull, known, own, n);
    lessRanks(
      worth,
      own,
      settled.map((v) => -v),
      own,
      n,
    );
    lessRanks(covariance, own, known, own, n);
    open.delete(best.candidate);
    left = Math.max(0, left - best.gain);
    chosen.push({ candidate: best.candidate, spread: Math.sqrt(left) });
    yield (wanted.length + candidates.length + chosen.length) / total;
  }
  return { now, chosen };
}

/** Variance that a strip must take away to be worth drawing. */
const LEAST_GAIN = 1e-6;
/** Drawings between two looks at whether to go on. */
const PAUSE = 20;

const dot = (a: readonly number[], b: readonly number[]) => a.reduce((sum, v, i) => sum + v * b[i]!, 0);

/** Product of two n × n matrices, row-major; zeros of the first cost nothing. */
function times(a: Float64Array, b: Float64Array, n: number): Float64Array {
  const out = new Float64Array(n * n);
  for (let i = 0; i < n; i++)
    for (let k = 0; k < n; k++) {
      const f = a[i * n + k]!;
      if (f) for (let j = 0; j < n; j++) out[i * n + j]! += f * b[k * n + j]!;
    }
  return out;
}

/** S·m·Sᵀ, 3 × 3, of a drawing's slopes S and a symmetric matrix. */
function within({ parameters, of }: Slopes, m: Float64Array, n: number): number[] {
  const out = Array<number>(9).fill(0);
  parameters.forEach((p, r) =>
    parameters.forEach((q, s) => {
      const v = m[p * n + q]!;
      if (v)
        for (let a = 0; a < 3; a++)
          for (let b = 0; b < 3; b++) out[3 * a + b]! += of[r]![a]! * v * of[s]![b]!;
    }),
  );
  return out;
}

/** m·Sᵀ of a symmetric matrix: three columns of n. */
function carried({ parameters, of }: Slopes, m: Float64Array, n: number): Float64Array {
  const out = new Float64Array(3 * n);
  parameters.forEach((p, r) => {
    for (let c = 0; c < 3; c++) for (let i = 0; i < n; i++) out[c * n + i]! += of[r]![c]! * m[p * n + i]!;
  });
  return out;
}

/** m −= left·k·rightᵀ, in place; left and right are three columns of n, k is 3 × 3. */
function lessRanks(
  m: Float64Array,
  left: Float64Array,
  k: readonly number[],
  right: Float64Array,
  n: number,
): void {
  for (let a = 0; a < 3; a++)
    for (let b = 0; b < 3; b++)
      for (let i = 0; i < n; i++) {
        const by = left[a * n + i]! * k[3 * a + b]!;
        if (by) for (let j = 0; j < n; j++) m[i * n + j]! -= by * right[b * n + j]!;
      }
}

const product3 = (a: readonly number[], b: readonly number[]): number[] =>
  Array.from({ length: 9 }, (_, i) => {
    const [r, c] = [Math.floor(i / 3), i % 3];
    return a[3 * r]! * b[c]! + a[3 * r + 1]! * b[3 + c]! + a[3 * r + 2]! * b[6 + c]!;
  });
const plusNoise = (m: readonly number[]) => m.map((v, i) => (i % 4 ? v : v + STRIP_SPREAD ** 2));

function inverse3(m: readonly number[]): number[] {
  return [...invert(Float64Array.from(m), 3)];
}
