/** The places of a hand that things stick to, from its 21 points. Hand space, metres. */
import { quaternionFromAxes } from '../maths/matrix';
import type { Pose } from '../maths/pose';
import { IDENTITY } from '../maths/quaternion';
import { cross, distance, dot, normalise, pointAt, scale, subtract, type Vec3 } from '../maths/vec3';
import type { Metres } from '../units';
import { HAND_SHAPES, handLandmarks, THUMB_AXIS } from './skeleton';

export const HAND_POINT_NAMES = [
  'wrist',
  'palm',
  'thumbTip',
  'indexTip',
  'middleTip',
  'ringTip',
  'littleTip',
] as const;
export type HandPoint = (typeof HAND_POINT_NAMES)[number];

/** The last landmark of a finger. */
const TIPS: Partial<Record<HandPoint, number>> = {
  thumbTip: 4,
  indexTip: 8,
  middleTip: 12,
  ringTip: 16,
  littleTip: 20,
};
/** Wrist and the roots of the four fingers: the palm lies between them. */
const PALM = [0, 5, 9, 13, 17] as const;

/** From the wrist to the root of the middle finger: the size of a hand, however it is bent. */
export const palmLength = (landmarks: ArrayLike<number>): Metres =>
  distance(pointAt(landmarks, 0), pointAt(landmarks, 9));

/** Around the palm, which does not bend: a steadier size than any one length of it, where points err. */
export const palmGirth = (landmarks: ArrayLike<number>): Metres =>
  PALM.reduce<Metres>(
    (sum, i, k) => sum + distance(pointAt(landmarks, i), pointAt(landmarks, PALM[(k + 1) % PALM.length]!)),
    0,
  );

/** The open right hand that things are placed on. */
export const REST_HAND: Float32Array = handLandmarks(HAND_SHAPES.palm, false);
const USUAL = palmGirth(REST_HAND);
/** How large a hand is: 1 is the usual size. */
export const handFactor = (landmarks: ArrayLike<number>): number => palmGirth(landmarks) / USUAL;

/** The axis that a finger bends about, in hand space; the thumb has one of its own. On a left hand it is the mirrored one. */
const bendAxis = (landmarks: ArrayLike<number>, tip: number): Vec3 => {
  if (tip !== 4) return [1, 0, 0];
  const isRight = landmarks[3 * 5]! > landmarks[3 * 17]!;
  return isRight ? THUMB_AXIS : [THUMB_AXIS[0], -THUMB_AXIS[1], -THUMB_AXIS[2]];
};

/** +Y along the last bone of the finger, +Z out of its soft side: of an open hand as the palm looks, and turned with the finger. */
const tipPose = (landmarks: ArrayLike<number>, tip: number): Pose => {
  const end = pointAt(landmarks, tip);
  const y = normalise(subtract(end, pointAt(landmarks, tip - 1)));
  const axis = bendAxis(landmarks, tip);
  const x = normalise(subtract(axis, scale(y, dot(axis, y))));
  return { position: end, rotation: quaternionFromAxes(x, y, cross(x, y)) };
};

/** Where a point of the hand is and how it is turned, in hand space. Wrist and palm are turned as the hand is. */
export const handPoint = (landmarks: ArrayLike<number>, name: HandPoint): Pose => {
  const tip = TIPS[name];
  if (tip !== undefined) return tipPose(landmarks, tip);
  if (name === 'wrist') return { position: pointAt(landmarks, 0), rotation: IDENTITY };
  const sum = PALM.map((i) => pointAt(landmarks, i)).reduce((a, b) => [
    a[0] + b[0],
    a[1] + b[1],
    a[2] + b[2],
  ]);
  return { position: scale(sum, 1 / PALM.length), rotation: IDENTITY };
};
