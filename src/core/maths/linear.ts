/** Small systems of linear equations. */

/** Solves `a x = b` in place by elimination with pivots; `a` is n x n by rows, the result is in `b`. False where there is no one answer. */
export const solveLinear = (a: Float64Array, b: Float64Array, n: number): boolean => {
  for (let c = 0; c < n; c++) {
    let pivot = c;
    for (let r = c + 1; r < n; r++) if (Math.abs(a[r * n + c]) > Math.abs(a[pivot * n + c])) pivot = r;
    const value = a[pivot * n + c];
    if (Math.abs(value) < 1e-14) return false;
    if (pivot !== c) {
      for (let k = c; k < n; k++) {
        const swap = a[pivot * n + k];
        a[pivot * n + k] = a[c * n + k];
        a[c * n + k] = swap;
      }
      const swap = b[pivot];
      b[pivot] = b[c];
      b[c] = swap;
    }
    for (let r = c + 1; r < n; r++) {
      const factor = a[r * n + c] / value;
      if (factor === 0) continue;
      for (let k = c; k < n; k++) a[r * n + k] -= factor * a[c * n + k];
      b[r] -= factor * b[c];
    }
  }
  for (let c = n - 1; c >= 0; c--) {
    let sum = b[c];
    for (let k = c + 1; k < n; k++) sum -= a[c * n + k] * b[k];
    b[c] = sum / a[c * n + c];
  }
  return true;
};
