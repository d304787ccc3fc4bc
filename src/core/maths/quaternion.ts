import type { Degrees } from '../units';
import type { Vec3 } from './vec3';
import { clamp } from './scalar';

/** Unit quaternion x, y, z, w. */
export type Quaternion = readonly [number, number, number, number];

export const IDENTITY: Quaternion = [0, 0, 0, 1];

const RADIANS = Math.PI / 180;

/** Hamilton product: first turn by `b`, then by `a`. */
export const multiplyQuaternions = (a: Quaternion, b: Quaternion): Quaternion => [
  a[3] * b[0] + a[0] * b[3] + a[1] * b[2] - a[2] * b[1],
  a[3] * b[1] - a[0] * b[2] + a[1] * b[3] + a[2] * b[0],
  a[3] * b[2] + a[0] * b[1] - a[1] * b[0] + a[2] * b[3],
  a[3] * b[3] - a[0] * b[0] - a[1] * b[1] - a[2] * b[2],
];

/** The turn that undoes a unit quaternion. */
export const conjugate = (q: Quaternion): Quaternion => [-q[0], -q[1], -q[2], q[3]];

/** The same turn as a unit quaternion; nothing turned stays so. */
export const normaliseQuaternion = (q: Quaternion): Quaternion => {
  const l = Math.hypot(q[0], q[1], q[2], q[3]);
  return l === 0 ? IDENTITY : [q[0] / l, q[1] / l, q[2] / l, q[3] / l];
};

/** A vector, turned by a unit quaternion. */
export const rotate = (q: Quaternion, v: Vec3): Vec3 => {
  const [x, y, z, w] = q;
  const tx = 2 * (y * v[2] - z * v[1]);
  const ty = 2 * (z * v[0] - x * v[2]);
  const tz = 2 * (x * v[1] - y * v[0]);
  return [
    v[0] + w * tx + (y * tz - z * ty),
    v[1] + w * ty + (z * tx - x * tz),
    v[2] + w * tz + (x * ty - y * tx),
  ];
};

/** Turn about a unit axis. */
export const fromAxisAngle = (axis: Vec3, angle: Degrees): Quaternion => {
  const half = (angle * RADIANS) / 2;
  const s = Math.sin(half);
  return [axis[0] * s, axis[1] * s, axis[2] * s, Math.cos(half)];
};

/** Intrinsic XYZ angles in degrees to a quaternion: `qx * qy * qz`. */
export const fromAngles = (angles: Vec3): Quaternion =>
  multiplyQuaternions(
    multiplyQuaternions(fromAxisAngle([1, 0, 0], angles[0]), fromAxisAngle([0, 1, 0], angles[1])),
    fromAxisAngle([0, 0, 1], angles[2]),
  );

/** Intrinsic XYZ angles in degrees, y within -90..90. */
export const toAngles = (q: Quaternion): Vec3 => {
  const [x, y, z, w] = q;
  const m11 = 1 - 2 * (y * y + z * z);
  const m12 = 2 * (x * y - w * z);
  const m13 = 2 * (x * z + w * y);
  const m22 = 1 - 2 * (x * x + z * z);
  const m23 = 2 * (y * z - w * x);
  const m32 = 2 * (y * z + w * x);
  const m33 = 1 - 2 * (x * x + y * y);
  const ay = Math.asin(clamp(m13, -1, 1));
  const gimbal = Math.abs(m13) > 0.9999999;
  const ax = gimbal ? Math.atan2(m32, m22) : Math.atan2(-m23, m33);
  const az = gimbal ? 0 : Math.atan2(-m12, m11);
  return [ax / RADIANS, ay / RADIANS, az / RADIANS];
};

const nearestTurn = (angle: Degrees, to: Degrees): Degrees => angle + 360 * Math.round((to - angle) / 360);

/**
 * The XYZ angles of `q` that lie nearest to `previous`, so that a dragged angle runs on past 180 or 360
 * instead of jumping. Both Euler solutions (x, y, z) and (x + 180, 180 - y, z + 180) are considered.
 */
export const anglesNear = (q: Quaternion, previous: Vec3): Vec3 => {
  const [x, y, z] = toAngles(q);
  const candidates: Vec3[] = [
    [x, y, z],
    [x + 180, 180 - y, z + 180],
  ];
  let best: Vec3 = candidates[0]!;
  let least = Infinity;
  for (const c of candidates) {
    const near: Vec3 = [
      nearestTurn(c[0], previous[0]),
      nearestTurn(c[1], previous[1]),
      nearestTurn(c[2], previous[2]),
    ];
    const far = near.reduce((sum, angle, i) => sum + Math.abs(angle - previous[i]!), 0);
    if (far < least) [best, least] = [near, far];
  }
  return best;
};

/** Angle of the turn between two orientations, 0..180 degrees. */
export const angleBetween = (a: Quaternion, b: Quaternion): Degrees => {
  const d = multiplyQuaternions(conjugate(a), b);
  return (2 * Math.atan2(Math.hypot(d[0], d[1], d[2]), Math.abs(d[3]))) / RADIANS;
};

/** Along the shorter arc, at constant speed (Ken Shoemake, "Animating rotation with quaternion curves", 1985). */
export const slerp = (a: Quaternion, b: Quaternion, t: number): Quaternion => {
  const cosine = a[0] * b[0] + a[1] * b[1] + a[2] * b[2] + a[3] * b[3];
  const sign = cosine < 0 ? -1 : 1;
  const angle = Math.acos(Math.min(1, Math.abs(cosine)));
  // Nearly the same: the straight line is as good, and does not divide by nothing.
  const [wa, wb] =
    angle < 1e-6
      ? [1 - t, t]
      : [Math.sin((1 - t) * angle) / Math.sin(angle), Math.sin(t * angle) / Math.sin(angle)];
  return normaliseQuaternion([
    wa * a[0] + sign * wb * b[0],
    wa * a[1] + sign * wb * b[1],
    wa * a[2] + sign * wb * b[2],
    wa * a[3] + sign * wb * b[3],
  ]);
};
