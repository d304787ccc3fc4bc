/**
 * Solves A x = b for a small dense system by Gaussian elimination with partial pivoting.
 * Returns null when A is singular. `a` is row-major, n x n; neither argument is changed.
 */
export const solveLinear = (a: readonly number[], b: readonly number[]): number[] | null => {
  const n = b.length;
  const m = [...a];
  const x = [...b];
  for (let col = 0; col < n; col++) {
    let pivot = col;
    for (let r = col + 1; r < n; r++)
      if (Math.abs(m[r * n + col]!) > Math.abs(m[pivot * n + col]!)) pivot = r;
    if (Math.abs(m[pivot * n + col]!) < 1e-14) return null;
    if (pivot !== col) {
      for (let c = 0; c < n; c++) [m[col * n + c], m[pivot * n + c]] = [m[pivot * n + c]!, m[col * n + c]!];
      [x[col], x[pivot]] = [x[pivot]!, x[col]!];
    }
    for (let r = col + 1; r < n; r++) {
      const k = m[r * n + col]! / m[col * n + col]!;
      for (let c = col; c < n; c++) m[r * n + c]! -= k * m[col * n + c]!;
      x[r]! -= k * x[col]!;
    }
  }
  for (let r = n - 1; r >= 0; r--) {
    for (let c = r + 1; c < n; c++) x[r]! -= m[r * n + c]! * x[c]!;
    x[r]! /= m[r * n + r]!;
  }
  return x;
};
