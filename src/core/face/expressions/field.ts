/** The neutral head the expressions are made on, and the ways in which a movement fades out over the skin. */
import type { Vec3 } from '../../maths/vec3';
import { smoothstep } from '../../maths/scalar';
import { harmonicWeights, neighbours } from '../harmonic';
import { SHELL_POINTS, SKULL_TRIANGLES, shellPositions } from '../head-shell';
import {
  FACE_LANDMARKS,
  INNER_LIP_LOWER,
  INNER_LIP_UPPER,
  OUTER_LIP_LOWER,
  OUTER_LIP_UPPER,
  OVAL,
} from '../landmarks';
import { NEUTRAL_FACE, OPEN_TRIANGLES } from '../neutral';

/** SHELL_POINTS x 3 displacements in metres. */
export type Displacement = Float64Array;
/** The wearer's left is +1, the right -1. */
export type Side = 1 | -1;

const base = shellPositions(NEUTRAL_FACE, new Float64Array(SHELL_POINTS * 3));
const adjacency = neighbours(SHELL_POINTS, [...OPEN_TRIANGLES, ...SKULL_TRIANGLES]);
/** Where point `i` of the neutral face lies to the wearer's left, metres. */
export const x = (i: number): number => base[3 * i]!;
/** How high point `i` of the neutral face lies, metres. */
export const y = (i: number): number => base[3 * i + 1]!;
/** How far forward point `i` of the neutral face lies, metres. */
export const z = (i: number): number => base[3 * i + 2]!;
const points = Array.from({ length: SHELL_POINTS }, (_, i) => i);

export const UPPER_LIP: ReadonlySet<number> = new Set([
  ...OUTER_LIP_UPPER.slice(1, -1),
  ...INNER_LIP_UPPER.slice(1, -1),
]);
export const LOWER_LIP: ReadonlySet<number> = new Set([
  ...OUTER_LIP_LOWER.slice(1, -1),
  ...INNER_LIP_LOWER.slice(1, -1),
]);
export const CORNERS: Readonly<Record<Side, readonly [number, number]>> = { [1]: [291, 308], [-1]: [61, 78] };
export const LIPS: ReadonlySet<number> = new Set([...UPPER_LIP, ...LOWER_LIP, ...CORNERS[1], ...CORNERS[-1]]);
const oval: ReadonlySet<number> = new Set(OVAL);
/** Whether a landmark lies on the outline of the face. */
export const isOval = (i: number): boolean => oval.has(i);

/** Weights that are 0 wherever `still` says so and on the skull, and take the given values elsewhere. */
export const spread = (
  still: (i: number) => boolean,
  values: Iterable<readonly [number, number]>,
): Float64Array => {
  const fixed = new Map<number, number>();
  for (const i of points) if (i >= FACE_LANDMARKS || still(i)) fixed.set(i, 0);
  for (const [i, value] of values) fixed.set(i, value);
  return harmonicWeights(adjacency, fixed);
};

/** A displacement of every point of the shell, metres, from a function of its index. */
export const displacement = (of: (i: number) => Vec3): Displacement => {
  const d = new Float64Array(SHELL_POINTS * 3);
  for (const i of points) d.set(of(i), 3 * i);
  return d;
};

/** 1 at a landmark, 0 from `radius` metres on; on the skull 0. */
export const around =
  (landmark: number, radius: number) =>
  (i: number): number =>
    i >= FACE_LANDMARKS
      ? 0
      : 1 - smoothstep(0, radius, Math.hypot(x(i) - x(landmark), y(i) - y(landmark), z(i) - z(landmark)));

/** How far a point lies on one side: 0 on the other, 1 from `from` metres off the middle on. */
export const onSide = (side: Side, i: number, from = 0.008): number => smoothstep(-from, from, side * x(i));

/** Weights that carry the lips along: 1 on those of `moved`, 0 on the others, fading over the skin around. */
export const lipWeights = (moved: (i: number) => number): Float64Array =>
  spread(
    (i) => !LIPS.has(i) && (isOval(i) || y(i) > -0.014 || y(i) < -0.082 || Math.abs(x(i)) > 0.052),
    [...LIPS].map((i): [number, number] => [i, moved(i)]),
  );

/** Computed on first use, then kept: each weight field takes some milliseconds, and few are needed at once. */
export const once = <T>(make: () => T): (() => T) => {
  let made: { value: T } | null = null;
  return () => (made ??= { value: make() }).value;
};
