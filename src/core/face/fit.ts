/**
 * From the landmarks a face tracker sees in a picture to a face in metres: head pose, landmarks in head
 * space, expressions. The tracker gives x and y in pixels and a relative depth; the neutral face gives the
 * size, so distance follows from the focal length.
 */
import { alignPoints } from '../maths/procrustes';
import { toLocal, toOuter, type Pose } from '../maths/pose';
import { multiplyQuaternions, fromAxisAngle } from '../maths/quaternion';
import { pointAt, scale, type Vec3 } from '../maths/vec3';
import type { Degrees, Pixels } from '../units';
import type { Expressions } from '../tracking/track-frame';
import { readExpressions } from './read-expressions';
import { FACE_LANDMARKS } from './landmarks';
import { NEUTRAL_FACE } from './neutral';

export interface Picture {
  readonly width: Pixels;
  readonly height: Pixels;
  readonly fovY: Degrees;
}

export interface FittedFace {
  readonly pose: Pose;
  /** Head space, metres, as many points as were given. */
  readonly landmarks: Float32Array;
  readonly expressions: Expressions;
  /** Root mean square of what the pose leaves unexplained, in pixels. */
  readonly residual: Pixels;
}

/**
 * Landmarks between mouth and brows, away from the outline: neither the jaw nor hair over temples and forehead
 * moves them. Of the sets tried on all performers this one gave the steadiest pose.
 */
const STEADY_POINTS: readonly number[] = Array.from({ length: FACE_LANDMARKS }, (_, i) => i).filter((i) => {
  const [x, y] = pointAt(NEUTRAL_FACE, i);
  return y > -0.025 && y < 0.05 && Math.abs(x) < 0.06;
});
const model: readonly Vec3[] = STEADY_POINTS.map((i) => pointAt(NEUTRAL_FACE, i));
const weights: readonly number[] = STEADY_POINTS.map(() => 1);

/** Rounds until depth and turn agree; the change is below a tenth of a millimetre after three. */
const ROUNDS = 5;

/**
 * Fits a face. `landmarks` are 468 or 478 x (x, y, z): x and y as fractions of the picture's width and
 * height from the top left, z as a fraction of the width, smaller nearer to the camera. `pitchBias` is what the
 * tracker at hand adds to a face's pitch.
 *
 * The landmarks are put before the camera at the depth their size tells, each on its own line of sight, and the
 * neutral face is laid onto them (Umeyama 1991); the scale that is left over corrects the depth.
 */
export const fitFace = (
  landmarks: ArrayLike<number>,
  picture: Picture,
  pitchBias: Degrees = 0,
): FittedFace => {
  const focal = picture.height / 2 / Math.tan((picture.fovY * Math.PI) / 360);
  const count = landmarks.length / 3;
  const pixel = (i: number): Vec3 => [
    (landmarks[3 * i]! - 0.5) * picture.width,
    (0.5 - landmarks[3 * i + 1]!) * picture.height,
    -landmarks[3 * i + 2]! * picture.width,
  ];
  const seen = STEADY_POINTS.map(pixel);
  const flat = alignPoints(model, seen, weights);
  let depth = focal / flat.scale;
  // The relief, in pixels, at which the head's origin lies.
  let origin = flat.position[2];
  const before = ([x, y, relief]: Vec3): Vec3 => {
    const z = -depth + ((relief - origin) * depth) / focal;
    return [(x * -z) / focal, (y * -z) / focal, z];
  };
  let fit = flat;
  for (let round = 0; round < ROUNDS; round++) {
    fit = alignPoints(model, seen.map(before), weights);
    origin += ((fit.position[2] + depth) * focal) / depth;
    depth /= fit.scale;
  }
  const rotation = multiplyQuaternions(fit.rotation, fromAxisAngle([1, 0, 0], -pitchBias));
  // The origin goes along its line of sight to the depth that was found.
  const pose: Pose = { rotation, position: scale(fit.position, depth / -fit.position[2]) };
  const local = new Float32Array(count * 3);
  for (let i = 0; i < count; i++) local.set(toLocal(pose, before(pixel(i))), 3 * i);
  let squares = 0;
  STEADY_POINTS.forEach((i, k) => {
    const [x, y, z] = toOuter(pose, model[k]!);
    squares += ((focal * x) / -z - pixel(i)[0]) ** 2 + ((focal * y) / -z - pixel(i)[1]) ** 2;
  });
  return {
    pose,
    landmarks: local,
    expressions: readExpressions(local),
    residual: Math.sqrt(squares / STEADY_POINTS.length),
  };
};
