/**
 * A closed skin round the 21 points of a hand, for what lies behind it to be hidden: a rounded tube along every bone, close enough in the palm to
 * leave no gap, and the beginning of the forearm.
 */
import { add, cross, length, normalise, pointAt, scale, subtract, type Vec3 } from '../maths/vec3';
import type { Metres } from '../units';
import { handFactor } from './points';

/** From one landmark to another, and how thick the tube is at each end, on a hand of the usual size. */
type Tube = readonly [from: number, to: number, start: Metres, end: Metres];

/** At the four joints of a finger, from its root to its tip. */
const FINGER_RADII: readonly (readonly [Metres, Metres, Metres, Metres])[] = [
  [0.017, 0.0122, 0.0107, 0.0087],
  [0.0115, 0.0098, 0.0086, 0.007],
  [0.0115, 0.01, 0.0088, 0.0072],
  [0.011, 0.0094, 0.0082, 0.0067],
  [0.0105, 0.0083, 0.0073, 0.006],
];
const FINGER_TUBES: readonly Tube[] = FINGER_RADII.flatMap((radii, f): Tube[] =>
  [0, 1, 2].map((k) => [1 + 4 * f + k, 2 + 4 * f + k, radii[k]!, radii[k + 1]!] as const),
);
/** From the wrist to the root of each finger, and across. */
const PALM_TUBES: readonly Tube[] = [
  [0, 1, 0.019, 0.017],
  [0, 5, 0.019, 0.012],
  [0, 9, 0.019, 0.012],
  [0, 13, 0.019, 0.012],
  [0, 17, 0.019, 0.011],
  [1, 5, 0.016, 0.0115],
  [2, 5, 0.011, 0.0115],
  [5, 9, 0.0115, 0.0115],
  [9, 13, 0.0115, 0.011],
  [13, 17, 0.011, 0.0105],
  [1, 17, 0.015, 0.0105],
  [1, 13, 0.015, 0.011],
];
const TUBES: readonly Tube[] = [...FINGER_TUBES, ...PALM_TUBES];
/** The forearm goes on from the wrist, away from the fingers. */
const FOREARM = { long: 0.09, start: 0.024, end: 0.027, apart: 0.0065 } as const;

const SIDES = 8;
/** Two rings, and a point at each end. */
const TUBE_POINTS = 2 * SIDES + 2;
const COUNT = TUBES.length + 2;

export const HAND_SHELL_POINTS = COUNT * TUBE_POINTS;

const tubeTriangles = (first: number): number[] =>
  Array.from({ length: SIDES }, (_, k) => {
    const [a, b] = [first + k, first + ((k + 1) % SIDES)];
    const [c, d] = [a + SIDES, b + SIDES];
    return [a, b, d, a, d, c, first + 2 * SIDES, b, a, first + 2 * SIDES + 1, c, d];
  }).flat();

/** Triangles wind anticlockwise as seen from outside. */
export const HAND_SHELL_TRIANGLES: readonly number[] = Array.from({ length: COUNT }, (_, i) =>
  tubeTriangles(i * TUBE_POINTS),
).flat();

/** Writes the points of one tube: its rings, then its rounded ends. */
const writeTube = (out: Float32Array, at: number, from: Vec3, to: Vec3, start: Metres, end: Metres): void => {
  const along = subtract(to, from);
  const axis: Vec3 = length(along) < 1e-6 ? [0, 1, 0] : normalise(along);
  const u = normalise(cross(axis, Math.abs(axis[0]) < 0.8 ? [1, 0, 0] : [0, 0, 1]));
  const v = cross(axis, u);
  for (let k = 0; k < SIDES; k++) {
    const angle = (2 * Math.PI * k) / SIDES;
    const round = add(scale(u, Math.cos(angle)), scale(v, Math.sin(angle)));
    out.set(add(from, scale(round, start)), 3 * (at + k));
    out.set(add(to, scale(round, end)), 3 * (at + SIDES + k));
  }
  out.set(subtract(from, scale(axis, start)), 3 * (at + 2 * SIDES));
  out.set(add(to, scale(axis, end)), 3 * (at + 2 * SIDES + 1));
};

/** The points of the shell in hand space, metres, from the landmarks of a hand. */
export const handShellPositions = (
  landmarks: ArrayLike<number>,
  out: Float32Array = new Float32Array(3 * HAND_SHELL_POINTS),
): Float32Array => {
  const k = handFactor(landmarks);
  TUBES.forEach(([from, to, start, end], i) =>
    writeTube(out, i * TUBE_POINTS, pointAt(landmarks, from), pointAt(landmarks, to), k * start, k * end),
  );
  const wrist = pointAt(landmarks, 0);
  [-1, 1].forEach((side, i) => {
    const from = add(wrist, [side * k * FOREARM.apart, 0, 0]);
    const to = add(from, [0, -k * FOREARM.long, 0]);
    writeTube(out, (TUBES.length + i) * TUBE_POINTS, from, to, k * FOREARM.start, k * FOREARM.end);
  });
  return out;
};
