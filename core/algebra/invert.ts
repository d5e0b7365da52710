/**
 * Inverse of a matrix (row-major, n × n) by Gauss–Jordan elimination with pivots.
 * @throws RangeError for a singular matrix
 */
export function invert(matrix: Float64Array, n: number): Float64Array {
  const a = matrix.slice();
  const inverse = new Float64Array(n * n);
  for (let i = 0; i < n; i++) inverse[i * n + i] = 1;
  for (let c = 0; c < n; c++) {
    let pivot = c;
    for (let r = c + 1; r < n; r++) if (Math.abs(a[r * n + c]!) > Math.abs(a[pivot * n + c]!)) pivot = r;
    const p = a[pivot * n + c]!;
    if (p === 0) throw new RangeError("a singular matrix has no inverse");
    for (const m of [a, inverse])
      for (let j = 0; j < n; j++) {
        const held = m[c * n + j]!;
        m[c * n + j] = m[pivot * n + j]! / p;
        if (pivot !== c) m[pivot * n + j] = held;
      }
    for (let r = 0; r < n; r++) {
      const f = a[r * n + c]!;
      if (r === c || f === 0) continue;
      for (let j = c; j < n; j++) a[r * n + j]! -= f * a[c * n + j]!;
      for (let j = 0; j < n; j++) inverse[r * n + j]! -= f * inverse[c * n + j]!;
    }
  }
  return inverse;
}
