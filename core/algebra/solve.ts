/** Pivot that stands in for zero, so that a nearly singular system still answers. */
const LEAST_PIVOT = 1e-12;

/**
 * Solves n × n `a x = b` (row-major, dense, pivoted) by Gaussian elimination; `a` and `b` are used up, the answer is in `b`.
 * @returns `b`
 */
export function solve(a: Float64Array, b: Float64Array): Float64Array {
  const n = b.length;
  for (let c = 0; c < n; c++) {
    let p = c;
    for (let r = c + 1; r < n; r++) if (Math.abs(a[r * n + c]!) > Math.abs(a[p * n + c]!)) p = r;
    if (p !== c) {
      for (let j = c; j < n; j++) [a[c * n + j], a[p * n + j]] = [a[p * n + j]!, a[c * n + j]!];
      [b[c], b[p]] = [b[p]!, b[c]!];
    }
    const d = a[c * n + c]! || LEAST_PIVOT;
    for (let r = c + 1; r < n; r++) {
      const f = a[r * n + c]! / d;
      if (f === 0) continue;
      for (let j = c; j < n; j++) a[r * n + j]! -= f * a[c * n + j]!;
      b[r]! -= f * b[c]!;
    }
  }
  for (let c = n - 1; c >= 0; c--) {
    for (let j = c + 1; j < n; j++) b[c]! -= a[c * n + j]! * b[j]!;
    b[c]! /= a[c * n + c]! || LEAST_PIVOT;
  }
  return b;
}
