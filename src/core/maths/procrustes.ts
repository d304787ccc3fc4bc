import type { Pose } from './pose';
import { normaliseQuaternion, rotate, type Quaternion } from './quaternion';
import { add, scale, subtract, type Vec3 } from './vec3';

/** Largest eigenvector of a symmetric 4x4 matrix by cyclic Jacobi rotations. */
const largestEigenvector = (matrix: number[][]): Quaternion => {
  const a = matrix.map((row) => [...row]);
  const v: number[][] = [0, 1, 2, 3].map((i) => [0, 1, 2, 3].map((j) => (i === j ? 1 : 0)));
  for (let sweep = 0; sweep < 30; sweep++) {
    let off = 0;
    for (let p = 0; p < 3; p++) for (let q = p + 1; q < 4; q++) off += a[p]![q]! ** 2;
    if (off < 1e-24) break;
    for (let p = 0; p < 3; p++)
      for (let q = p + 1; q < 4; q++) {
        const apq = a[p]![q]!;
        if (Math.abs(apq) < 1e-30) continue;
        const theta = (a[q]![q]! - a[p]![p]!) / (2 * apq);
        const t = Math.sign(theta || 1) / (Math.abs(theta) + Math.sqrt(theta * theta + 1));
        const c = 1 / Math.sqrt(t * t + 1);
        const s = t * c;
        for (let k = 0; k < 4; k++) {
          const [kp, kq] = [a[k]![p]!, a[k]![q]!];
          a[k]![p] = c * kp - s * kq;
          a[k]![q] = s * kp + c * kq;
        }
        for (let k = 0; k < 4; k++) {
          const [pk, qk] = [a[p]![k]!, a[q]![k]!];
          a[p]![k] = c * pk - s * qk;
          a[q]![k] = s * pk + c * qk;
        }
        for (let k = 0; k < 4; k++) {
          const [kp, kq] = [v[k]![p]!, v[k]![q]!];
          v[k]![p] = c * kp - s * kq;
          v[k]![q] = s * kp + c * kq;
        }
      }
  }
  let best = 0;
  for (let i = 1; i < 4; i++) if (a[i]![i]! > a[best]![best]!) best = i;
  return normaliseQuaternion([v[1]![best]!, v[2]![best]!, v[3]![best]!, v[0]![best]!]);
};

export interface Similarity extends Pose {
  readonly scale: number;
}

/**
 * The turn, scale and move that lay the points `from` best onto `to` (weighted least squares):
 * `to = scale * rotation(from) + position`.
 * Horn, "Closed-form solution of absolute orientation using unit quaternions", JOSA A 4 (1987).
 */
export const alignPoints = (
  from: readonly Vec3[],
  to: readonly Vec3[],
  weights: readonly number[],
): Similarity => {
  let total = 0;
  let cf: Vec3 = [0, 0, 0];
  let ct: Vec3 = [0, 0, 0];
  from.forEach((f, i) => {
    const w = weights[i]!;
    total += w;
    cf = add(cf, scale(f, w));
    ct = add(ct, scale(to[i]!, w));
  });
  cf = scale(cf, 1 / total);
  ct = scale(ct, 1 / total);
  const s = [
    [0, 0, 0],
    [0, 0, 0],
    [0, 0, 0],
  ];
  from.forEach((f, i) => {
    const a = subtract(f, cf);
    const b = subtract(to[i]!, ct);
    for (let r = 0; r < 3; r++) for (let c = 0; c < 3; c++) s[r]![c]! += weights[i]! * a[r]! * b[c]!;
  });
  const [[xx, xy, xz], [yx, yy, yz], [zx, zy, zz]] = s as [
    [number, number, number],
    [number, number, number],
    [number, number, number],
  ];
  const rotation = largestEigenvector([
    [xx + yy + zz, yz - zy, zx - xz, xy - yx],
    [yz - zy, xx - yy - zz, xy + yx, zx + xz],
    [zx - xz, xy + yx, yy - xx - zz, yz + zy],
    [xy - yx, zx + xz, yz + zy, zz - xx - yy],
  ]);
  let along = 0;
  let spread = 0;
  from.forEach((f, i) => {
    const a = rotate(rotation, subtract(f, cf));
    const b = subtract(to[i]!, ct);
    along += weights[i]! * (a[0] * b[0] + a[1] * b[1] + a[2] * b[2]);
    spread += weights[i]! * (a[0] * a[0] + a[1] * a[1] + a[2] * a[2]);
  });
  const k = along / spread;
  return { rotation, scale: k, position: subtract(ct, scale(rotate(rotation, cf), k)) };
};
