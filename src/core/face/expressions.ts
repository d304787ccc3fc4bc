/**
 * What each expression does to the face: a displacement of the shell's points at full strength.
 * Displacements add up; the fit in `fit.ts` reads them back from landmarks.
 */
import type { Vec3 } from '../maths/vec3';
import type { ExpressionName } from './expression-names';
import { harmonicWeights, neighbours } from './harmonic';
import { SHELL_POINTS, SKULL_TRIANGLES, shellPositions } from './head-shell';
import {
  BROW_LEFT,
  BROW_RIGHT,
  EYE_LEFT,
  EYE_RIGHT,
  FACE_LANDMARKS,
  INNER_LIP_LOWER,
  INNER_LIP_UPPER,
  OUTER_LIP_LOWER,
  OUTER_LIP_UPPER,
  OVAL,
} from './landmarks';
import { NEUTRAL_FACE, OPEN_TRIANGLES } from './neutral';
import { smoothstep } from '../maths/scalar';

/** SHELL_POINTS x 3 displacements in metres. */
export type Displacement = Float64Array;

const base = shellPositions(NEUTRAL_FACE, new Float64Array(SHELL_POINTS * 3));
const adjacency = neighbours(SHELL_POINTS, [...OPEN_TRIANGLES, ...SKULL_TRIANGLES]);
const x = (i: number) => base[3 * i]!;
const y = (i: number) => base[3 * i + 1]!;
const z = (i: number) => base[3 * i + 2]!;
const points = Array.from({ length: SHELL_POINTS }, (_, i) => i);
const lips = new Set<number>([
  ...INNER_LIP_UPPER,
  ...INNER_LIP_LOWER,
  ...OUTER_LIP_UPPER,
  ...OUTER_LIP_LOWER,
]);

/** Weights that are 0 wherever `still` says so and take the given values elsewhere. */
const spread = (still: (i: number) => boolean, values: Iterable<readonly [number, number]>): Float64Array => {
  const fixed = new Map<number, number>();
  for (const i of points) if (i >= FACE_LANDMARKS || still(i)) fixed.set(i, 0);
  for (const [i, value] of values) fixed.set(i, value);
  return harmonicWeights(adjacency, fixed);
};

const displacement = (of: (i: number) => Vec3): Displacement => {
  const d = new Float64Array(SHELL_POINTS * 3);
  for (const i of points) d.set(of(i), 3 * i);
  return d;
};

const jawOpen = (): Displacement => {
  const values = new Map<number, number>();
  for (const i of OVAL) values.set(i, y(i) > -0.01 ? 0 : smoothstep(0.01, 0.075, -y(i)));
  for (const i of [...OUTER_LIP_UPPER, ...INNER_LIP_UPPER]) values.set(i, 0);
  for (const i of [...OUTER_LIP_LOWER.slice(1, -1), ...INNER_LIP_LOWER.slice(1, -1)]) values.set(i, 1);
  for (const i of [61, 291, 78, 308]) values.set(i, 0.4);
  for (const i of [
    152, 148, 176, 377, 400, 175, 199, 200, 18, 83, 313, 201, 208, 428, 421, 171, 396, 149, 378,
  ])
    values.set(i, 1);
  const w = spread((i) => y(i) > -0.012 && !lips.has(i), values);
  // The jaw turns about an axis through the ears.
  const [hingeY, hingeZ, full] = [-0.005, -0.025, 0.4];
  return displacement((i) => {
    const [dy, dz, angle] = [y(i) - hingeY, z(i) - hingeZ, full * w[i]!];
    const [c, s] = [Math.cos(angle), Math.sin(angle)];
    const up = INNER_LIP_UPPER.indexOf(i as never);
    const lift = up > 0 && up < 10 ? 0.0025 : 0;
    return [lips.has(i) ? -x(i) * 0.12 : 0, dy * c - dz * s - dy + lift, dy * s + dz * c - dz];
  });
};

const mouthPucker = (): Displacement => {
  const values = new Map<number, number>();
  for (const i of lips) values.set(i, 1);
  const w = spread((i) => OVAL.includes(i as never) || y(i) > -0.005 || Math.abs(x(i)) > 0.05, values);
  const middle = (y(13) + y(14)) / 2;
  return displacement((i) => {
    const k = w[i]!;
    const inner = INNER_LIP_UPPER.includes(i as never) || INNER_LIP_LOWER.includes(i as never);
    const corner = Math.min(1, Math.abs(x(i)) / 0.025);
    const side = Math.sign(y(i) - middle);
    // Corners come in; the lips push forward and grow fuller, most in the middle.
    return [
      -x(i) * 0.46 * k,
      lips.has(i) && !inner ? side * 0.0016 * (1 - corner) * k : 0,
      (0.0125 - 0.006 * corner + (inner ? -0.0015 : 0)) * k,
    ];
  });
};

const mouthSmile = (sign: number): Displacement => {
  const corner = sign < 0 ? [61, 78] : [291, 308];
  const other = sign < 0 ? [291, 308] : [61, 78];
  const near = sign < 0 ? [185, 191, 146, 95] : [409, 415, 375, 324];
  const mid = sign < 0 ? [40, 80, 91, 88] : [270, 310, 321, 318];
  const far = sign < 0 ? [39, 81, 181, 178] : [269, 311, 405, 402];
  const values: [number, number][] = [
    ...corner.map((i): [number, number] => [i, 1]),
    ...near.map((i): [number, number] => [i, 0.75]),
    ...mid.map((i): [number, number] => [i, 0.5]),
    ...far.map((i): [number, number] => [i, 0.2]),
    ...[...other, 0, 13, 14, 17, 4, 152, 199].map((i): [number, number] => [i, 0]),
  ];
  const w = spread((i) => y(i) > 0.015 || OVAL.includes(i as never), values);
  return displacement((i) => [sign * 0.0085 * w[i]!, 0.0095 * w[i]!, -0.0045 * w[i]!]);
};

const eyeBlink = (ring: readonly number[], brow: readonly number[]): Displacement => {
  const lower = ring.slice(0, 9);
  const upper = [ring[0]!, ...ring.slice(9).reverse(), ring[8]!];
  const drop: [number, number][] = lower.map((i) => [i, 0]);
  for (let k = 1; k < 8; k++)
    drop.push([upper[k]!, y(lower[k]!) - y(upper[k]!) - 0.0011 * Math.sin((Math.PI * k) / 8)]);
  const w = spread(
    (i) =>
      y(i) < 0.02 ||
      Math.sign(x(i)) !== Math.sign(x(ring[4]!)) ||
      brow.includes(i) ||
      OVAL.includes(i as never),
    drop,
  );
  return displacement((i) => [0, w[i]!, -w[i]! * 0.12]);
};

const brow = (strength: (i: number) => number): Displacement => {
  const values = [...BROW_LEFT, ...BROW_RIGHT].map((i): [number, number] => [i, strength(i)]);
  const w = spread((i) => y(i) < 0.031 || OVAL.includes(i as never), values);
  return displacement((i) => [0, 0.008 * w[i]!, 0]);
};
const outer = (sign: number) => (i: number) =>
  Math.sign(x(i)) === sign ? smoothstep(0.012, 0.045, Math.abs(x(i))) : 0;

/** Expressions this face can show. */
export const MOVABLE = [
  'jawOpen',
  'mouthPucker',
  'mouthSmileLeft',
  'mouthSmileRight',
  'eyeBlinkLeft',
  'eyeBlinkRight',
  'browInnerUp',
  'browOuterUpLeft',
  'browOuterUpRight',
] as const satisfies readonly ExpressionName[];
export type MovableExpression = (typeof MOVABLE)[number];

const build = (): Record<MovableExpression, Displacement> => ({
  jawOpen: jawOpen(),
  mouthPucker: mouthPucker(),
  mouthSmileLeft: mouthSmile(1),
  mouthSmileRight: mouthSmile(-1),
  eyeBlinkLeft: eyeBlink(EYE_LEFT, BROW_LEFT),
  eyeBlinkRight: eyeBlink(EYE_RIGHT, BROW_RIGHT),
  browInnerUp: brow((i) => 1 - smoothstep(0.015, 0.05, Math.abs(x(i)))),
  browOuterUpLeft: brow(outer(1)),
  browOuterUpRight: brow(outer(-1)),
});

let built: Record<MovableExpression, Displacement> | null = null;
/** All displacements; solved on first use (about 0.2 s), then kept. */
export const displacements = (): Record<MovableExpression, Displacement> => (built ??= build());
