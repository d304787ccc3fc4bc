/**
 * Affine transforms as 4 x 4 matrices, column by column as in glTF and WebGL: `m[12..14]` is the move.
 * Turns are degrees or unit quaternions, lengths metres.
 */
import type { Pose } from './pose';
import { normaliseQuaternion, type Quaternion } from './quaternion';
import { cross, dot, length, type Vec3 } from './vec3';

export type Matrix = readonly number[];

export const IDENTITY_MATRIX: Matrix = [1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1];
/** Moves by a way. */
export const translation = ([x, y, z]: Vec3): Matrix => [1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1, 0, x, y, z, 1];

/** First size, then turn, then move. */
export const composeMatrix = (move: Vec3, [x, y, z, w]: Quaternion, [sx, sy, sz]: Vec3): Matrix => [
  (1 - 2 * (y * y + z * z)) * sx,
  2 * (x * y + z * w) * sx,
  2 * (x * z - y * w) * sx,
  0,
  2 * (x * y - z * w) * sy,
  (1 - 2 * (x * x + z * z)) * sy,
  2 * (y * z + x * w) * sy,
  0,
  2 * (x * z + y * w) * sz,
  2 * (y * z - x * w) * sz,
  (1 - 2 * (x * x + y * y)) * sz,
  0,
  move[0],
  move[1],
  move[2],
  1,
];

/** The matrix of a pose, scaled evenly. */
export const fromPose = ({ position, rotation }: Pose, factor = 1): Matrix =>
  composeMatrix(position, rotation, [factor, factor, factor]);

/** `a` after `b`: a point goes through `b` first. */
export const multiplyMatrices = (a: Matrix, b: Matrix): Matrix => {
  const out = new Array<number>(16);
  for (let c = 0; c < 16; c += 4)
    for (let r = 0; r < 4; r++)
      out[c + r] = a[r]! * b[c]! + a[r + 4]! * b[c + 1]! + a[r + 8]! * b[c + 2]! + a[r + 12]! * b[c + 3]!;
  return out;
};

/** A point through the matrix. */
export const transformPoint = (m: Matrix, [x, y, z]: Vec3): Vec3 => [
  m[0]! * x + m[4]! * y + m[8]! * z + m[12]!,
  m[1]! * x + m[5]! * y + m[9]! * z + m[13]!,
  m[2]! * x + m[6]! * y + m[10]! * z + m[14]!,
];
/** A direction through the matrix: it is turned and sized, not moved. */
export const transformDirection = (m: Matrix, [x, y, z]: Vec3): Vec3 => [
  m[0]! * x + m[4]! * y + m[8]! * z,
  m[1]! * x + m[5]! * y + m[9]! * z,
  m[2]! * x + m[6]! * y + m[10]! * z,
];

/** Where a matrix puts the origin. */
export const positionOf = (m: Matrix): Vec3 => [m[12]!, m[13]!, m[14]!];
/** Where the linear part of a matrix puts an axis. */
export const column = (m: Matrix, i: 0 | 1 | 2): Vec3 => [m[4 * i]!, m[4 * i + 1]!, m[4 * i + 2]!];

/** Volume factor of the linear part; negative when it mirrors, 0 when it flattens. */
export const determinant = (m: Matrix): number => dot(column(m, 0), cross(column(m, 1), column(m, 2)));

/** The inverse of an affine matrix; null when it flattens space. */
export const invertMatrix = (m: Matrix): Matrix | null => {
  const d = determinant(m);
  if (!Number.isFinite(1 / d)) return null;
  const [a, b, c] = [column(m, 0), column(m, 1), column(m, 2)];
  const rows = [cross(b, c), cross(c, a), cross(a, b)].map((v) => v.map((x) => x / d) as unknown as Vec3);
  const p = positionOf(m);
  const [x, y, z] = rows as [Vec3, Vec3, Vec3];
  return [
    x[0], y[0], z[0], 0,
    x[1], y[1], z[1], 0,
    x[2], y[2], z[2], 0,
    -dot(x, p), -dot(y, p), -dot(z, p), 1,
  ]; // prettier-ignore
};

/** The unit quaternion of three axes at right angles (Shepperd, "Quaternion from rotation matrix", 1978). */
export const quaternionFromAxes = (x: Vec3, y: Vec3, z: Vec3): Quaternion => {
  const trace = x[0] + y[1] + z[2];
  if (trace > 0) {
    const s = 2 * Math.sqrt(trace + 1);
    return normaliseQuaternion([(y[2] - z[1]) / s, (z[0] - x[2]) / s, (x[1] - y[0]) / s, s / 4]);
  }
  if (x[0] > y[1] && x[0] > z[2]) {
    const s = 2 * Math.sqrt(1 + x[0] - y[1] - z[2]);
    return normaliseQuaternion([s / 4, (y[0] + x[1]) / s, (z[0] + x[2]) / s, (y[2] - z[1]) / s]);
  }
  if (y[1] > z[2]) {
    const s = 2 * Math.sqrt(1 + y[1] - x[0] - z[2]);
    return normaliseQuaternion([(y[0] + x[1]) / s, s / 4, (z[1] + y[2]) / s, (z[0] - x[2]) / s]);
  }
  const s = 2 * Math.sqrt(1 + z[2] - x[0] - y[1]);
  return normaliseQuaternion([(z[0] + x[2]) / s, (z[1] + y[2]) / s, s / 4, (x[1] - y[0]) / s]);
};

export interface Parts {
  readonly move: Vec3;
  readonly rotation: Quaternion;
  readonly scale: Vec3;
}

/**
 * Move, turn and size of a matrix. What mirrors gets a negative x size. Shear, which nested uneven sizes bring,
 * has no place in these three and is dropped; axes of no length keep the turn of the others.
 */
export const decomposeMatrix = (m: Matrix): Parts => {
  const sizes = [length(column(m, 0)), length(column(m, 1)), length(column(m, 2))] as const;
  const unitOr = (v: Vec3, l: number, otherwise: Vec3): Vec3 =>
    l > 1e-12 ? [v[0] / l, v[1] / l, v[2] / l] : otherwise;
  const y = unitOr(column(m, 1), sizes[1], [0, 1, 0]);
  // The y axis is kept, the others are brought to right angles with it.
  let x = cross(y, unitOr(column(m, 2), sizes[2], [0, 0, 1]));
  if (length(x) < 1e-9) x = cross(cross(unitOr(column(m, 0), sizes[0], [1, 0, 0]), y), y);
  if (length(x) < 1e-9) x = cross(y, Math.abs(y[0]) < 0.9 ? [1, 0, 0] : [0, 0, 1]);
  x = unitOr(x, length(x), [1, 0, 0]);
  const z = cross(x, y);
  const mirrored = determinant(m) < 0;
  return {
    move: positionOf(m),
    rotation: quaternionFromAxes(x, y, z),
    scale: [mirrored ? -sizes[0] : sizes[0], sizes[1], sizes[2]],
  };
};
