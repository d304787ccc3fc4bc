/** A point, direction or size: x right, y up, z towards the viewer (right-handed). */
export type Vec3 = readonly [number, number, number];

export const ZERO: Vec3 = [0, 0, 0];
export const UNIT_AXES: Readonly<Record<'x' | 'y' | 'z', Vec3>> = {
  x: [1, 0, 0],
  y: [0, 1, 0],
  z: [0, 0, 1],
};
export const ONE: Vec3 = [1, 1, 1];

/** a + b. */
export const add = (a: Vec3, b: Vec3): Vec3 => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];
/** a - b: the way from `b` to `a`. */
export const subtract = (a: Vec3, b: Vec3): Vec3 => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
/** `k` times as long. */
export const scale = (a: Vec3, k: number): Vec3 => [a[0] * k, a[1] * k, a[2] * k];
/** Each number of the one by that of the other. */
export const multiply = (a: Vec3, b: Vec3): Vec3 => [a[0] * b[0], a[1] * b[1], a[2] * b[2]];
/** The scalar product. */
export const dot = (a: Vec3, b: Vec3): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
/** The vector product, right-handed. */
export const cross = (a: Vec3, b: Vec3): Vec3 => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];
/** How long it is. */
export const length = (a: Vec3): number => Math.hypot(a[0], a[1], a[2]);
/** How far apart two points are. */
export const distance = (a: Vec3, b: Vec3): number => length(subtract(a, b));
/** From `a` (0) to `b` (1), exact at both ends. */
export const mix = (a: Vec3, b: Vec3, t: number): Vec3 => [
  a[0] * (1 - t) + b[0] * t,
  a[1] * (1 - t) + b[1] * t,
  a[2] * (1 - t) + b[2] * t,
];
/** Unit vector; a zero vector stays zero. */
export const normalise = (a: Vec3): Vec3 => {
  const l = length(a);
  return l === 0 ? a : scale(a, 1 / l);
};
/** Reads point `i` of a flat list x, y, z, x, y, z... */
export const pointAt = (flat: ArrayLike<number>, i: number): Vec3 => [
  flat[3 * i]!,
  flat[3 * i + 1]!,
  flat[3 * i + 2]!,
];
