/** Homographies: how a plane is seen by a camera. Nine numbers by rows, the last one 1. */
import { solveLinear } from '../maths/linear';

export type Homography = Float64Array;

/** Points of the plane (x, y) and where they are seen (u, v). */
export interface Pairs {
  readonly x: ArrayLike<number>;
  readonly y: ArrayLike<number>;
  readonly u: ArrayLike<number>;
  readonly v: ArrayLike<number>;
}

const matrix = new Float64Array(64);
const right = new Float64Array(8);

/** The one homography through four pairs, by their numbers. False where three of them lie on a line. */
export const homographyOf4 = ({ x, y, u, v }: Pairs, four: readonly number[], into: Homography): boolean => {
  matrix.fill(0);
  for (let k = 0; k < 4; k++) {
    const i = four[k];
    const row = 16 * k;
    const [xi, yi, ui, vi] = [x[i], y[i], u[i], v[i]];
    matrix[row] = xi;
    matrix[row + 1] = yi;
    matrix[row + 2] = 1;
    matrix[row + 6] = -ui * xi;
    matrix[row + 7] = -ui * yi;
    matrix[row + 11] = xi;
    matrix[row + 12] = yi;
    matrix[row + 13] = 1;
    matrix[row + 14] = -vi * xi;
    matrix[row + 15] = -vi * yi;
    right[2 * k] = ui;
    right[2 * k + 1] = vi;
  }
  if (!solveLinear(matrix, right, 8)) return false;
  into.set(right);
  into[8] = 1;
  return true;
};

/** Where a point of the plane is seen; the third number is its depth in units of the plane's origin, positive before the camera. */
export const project = (h: ArrayLike<number>, x: number, y: number): [number, number, number] => {
  const w = h[6] * x + h[7] * y + h[8];
  return [(h[0] * x + h[1] * y + h[2]) / w, (h[3] * x + h[4] * y + h[5]) / w, w];
};

/**
 * Brings a homography nearer to the chosen pairs: Gauss-Newton on the distances where they are seen, with Tukey's weights, which leave out
 * what is farther off than `tolerance`.
 */
export const refineHomography = (
  h: Homography,
  { x, y, u, v }: Pairs,
  chosen: readonly number[],
  tolerance: number,
  rounds = 5,
): void => {
  const slope = new Float64Array(8);
  for (let round = 0; round < rounds; round++) {
    const a = new Float64Array(64);
    const b = new Float64Array(8);
    for (const i of chosen) {
      const [xi, yi] = [x[i], y[i]];
      const w = 1 / (h[6] * xi + h[7] * yi + 1);
      const su = (h[0] * xi + h[1] * yi + h[2]) * w;
      const sv = (h[3] * xi + h[4] * yi + h[5]) * w;
      const ru = u[i] - su;
      const rv = v[i] - sv;
      const far = (ru * ru + rv * rv) / (tolerance * tolerance);
      if (far > 1) continue;
      const weight = (1 - far) ** 2;
      for (let axis = 0; axis < 2; axis++) {
        const [seen, off] = axis === 0 ? [su, ru] : [sv, rv];
        slope.fill(0);
        slope[3 * axis] = xi * w;
        slope[3 * axis + 1] = yi * w;
        slope[3 * axis + 2] = w;
        slope[6] = -seen * xi * w;
        slope[7] = -seen * yi * w;
        for (let r = 0; r < 8; r++) {
          if (slope[r] === 0) continue;
          b[r] += weight * slope[r] * off;
          for (let c = 0; c < 8; c++) a[8 * r + c] += weight * slope[r] * slope[c];
        }
      }
    }
    for (let r = 0; r < 8; r++) a[9 * r] *= 1 + 1e-6;
    if (!solveLinear(a, b, 8)) return;
    for (let r = 0; r < 8; r++) h[r] += b[r];
  }
};
