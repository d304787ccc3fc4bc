/**
 * A five-finger hand: joints that bend, and the 21 points a hand tracker gives.
 * Hand space of a right hand: origin at the wrist, +Y to the fingertips, +Z out of the palm, thumb at +X.
 * A left hand is its mirror image.
 */
import { multiplyQuaternions, fromAxisAngle, IDENTITY, rotate, type Quaternion } from '../maths/quaternion';
import { lerp } from '../maths/scalar';
import { add, type Vec3 } from '../maths/vec3';
import type { Gesture } from '../tracking/track-frame';
import type { Degrees, Metres } from '../units';

/** Thumb, index, middle, ring, little. */
export const FINGERS = 5;
/** The wrist, then four points a finger. */
export const HAND_LANDMARKS = 21;
/** Bends of the three joints of a finger towards the palm, and how far it is spread towards the thumb's side. */
export type FingerBend = readonly [Degrees, Degrees, Degrees, Degrees];
export type HandBend = readonly FingerBend[];

export const ROOTS: readonly Vec3[] = [
  [0.026, 0.026, 0.007],
  [0.027, 0.089, 0],
  [0.0045, 0.092, 0],
  [-0.0165, 0.087, 0],
  [-0.035, 0.077, 0.001],
];
export const LENGTHS: readonly (readonly [Metres, Metres, Metres])[] = [
  [0.04, 0.033, 0.026],
  [0.042, 0.026, 0.021],
  [0.046, 0.03, 0.022],
  [0.043, 0.028, 0.022],
  [0.033, 0.021, 0.019],
];

const finger = (...bend: FingerBend): FingerBend => bend;
const curled = finger(82, 96, 58, 0);
export const HAND_SHAPES: Readonly<Record<Gesture | 'relaxed' | 'hold', HandBend>> = {
  palm: [
    finger(4, 4, 2, 2),
    finger(3, 5, 3, 7),
    finger(2, 4, 3, 1),
    finger(3, 5, 3, -5),
    finger(4, 6, 4, -12),
  ],
  relaxed: [
    finger(14, 14, 10, -6),
    finger(22, 26, 14, 3),
    finger(26, 30, 16, 0),
    finger(30, 34, 18, -3),
    finger(32, 36, 18, -7),
  ],
  /** Holds a sheet: fingers behind it, the thumb before it. */
  hold: [
    finger(40, 26, 12, -28),
    finger(-9, 5, 3, 4),
    finger(-10, 5, 3, 1),
    finger(-9, 5, 3, -3),
    finger(-8, 5, 3, -8),
  ],
  fist: [finger(46, 38, 44, -34), curled, curled, curled, curled],
  thumb: [finger(-6, -2, -4, 12), curled, curled, curled, curled],
  point: [finger(44, 36, 40, -32), finger(2, 3, 2, 2), curled, curled, curled],
  pinch: [
    finger(48, 10, 10, 4),
    finger(38, 46, 34, 4),
    finger(14, 18, 10, 1),
    finger(10, 14, 8, -4),
    finger(8, 12, 8, -9),
  ],
  victory: [finger(46, 38, 44, -34), finger(2, 3, 2, 11), finger(2, 3, 2, -9), curled, curled],
};

/** Joint by joint between two shapes. */
export const mixBends = (a: HandBend, b: HandBend, t: number): HandBend =>
  a.map((row, f) => row.map((v, k) => lerp(v, b[f]![k]!, t)) as unknown as FingerBend);

/** The thumb leaves the hand sideways and turns about another axis than the fingers. */
const THUMB_REST: Quaternion = multiplyQuaternions(
  fromAxisAngle([0, 0, 1], -46),
  fromAxisAngle([0, 1, 0], -52),
);
/** What the thumb of a right hand bends about. */
export const THUMB_AXIS: Vec3 = rotate(THUMB_REST, [1, 0, 0]);

export interface Bone {
  readonly from: Vec3;
  readonly to: Vec3;
  readonly turn: Quaternion;
}

/** Three bones a finger. */
export const bonesOf = (bend: HandBend): readonly (readonly Bone[])[] =>
  Array.from({ length: FINGERS }, (_, f) => {
    const [first, second, third, spread] = bend[f]!;
    let turn = multiplyQuaternions(fromAxisAngle([0, 0, 1], -spread), f === 0 ? THUMB_REST : IDENTITY);
    let from = ROOTS[f]!;
    return [first, second, third].map((angle, k) => {
      turn = multiplyQuaternions(turn, fromAxisAngle([1, 0, 0], angle));
      const to = add(from, rotate(turn, [0, LENGTHS[f]![k]!, 0]));
      const bone = { from, to, turn };
      from = to;
      return bone;
    });
  });

/** The 21 landmarks in hand space: the wrist, then root and three joints' ends of each finger. */
export const handLandmarks = (bend: HandBend, left: boolean): Float32Array => {
  const out = new Float32Array(HAND_LANDMARKS * 3);
  const sign = left ? -1 : 1;
  bonesOf(bend).forEach((bones, f) =>
    [bones[0]!.from, ...bones.map((b) => b.to)].forEach(([x, y, z], k) =>
      out.set([sign * x, y, z], 3 * (1 + 4 * f + k)),
    ),
  );
  return out;
};
