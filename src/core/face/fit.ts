/**
 * From the landmarks a face tracker sees in a picture to a face in metres: head pose, landmarks in head
 * space, expressions. The tracker gives x and y in pixels and a relative depth; the neutral face gives the
 * size, so distance follows from the focal length.
 */
import { alignPoints } from '../maths/procrustes';
import { toLocal, type Pose } from '../maths/pose';
import { compose, fromAxisAngle, normaliseQuaternion, rotate } from '../maths/quaternion';
import { solveLinear } from '../maths/solve';
import { add, length, pointAt, scale, type Vec3 } from '../maths/vec3';
import type { Degrees, Pixels } from '../units';
import type { Expressions } from '../tracking/track-frame';
import { readExpressions } from './read-expressions';
import { displacementOf, MOVABLE } from './expressions';
import { NEUTRAL_FACE, POSE_POINTS } from './neutral';

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

const neutral: readonly Vec3[] = POSE_POINTS.map((p) => pointAt(NEUTRAL_FACE, p.landmark));
const weights: readonly number[] = POSE_POINTS.map((p) => p.weight);

/** A rotation vector (axis times radians) as a small turn. */
const turnBy = (v: Vec3) => {
  const l = length(v);
  return l < 1e-12 ? fromAxisAngle([1, 0, 0], 0) : fromAxisAngle(scale(v, 1 / l), (l * 180) / Math.PI);
};

/**
 * The pose whose projection lies nearest to the seen points: Gauss-Newton on the reprojection error with
 * Huber weights (Hartley & Zisserman, Multiple View Geometry, 2nd ed., A6.8), started from `guess`.
 */
export const refinePose = (
  model: readonly Vec3[],
  seen: readonly (readonly [number, number])[],
  focal: Pixels,
  guess: Pose,
): { pose: Pose; residual: Pixels } => {
  let pose = guess;
  let residual = Infinity;
  for (let round = 0; round < 12; round++) {
    const a = new Array<number>(36).fill(0);
    const b = new Array<number>(6).fill(0);
    let error = 0;
    let total = 0;
    model.forEach((m, i) => {
      const turned = rotate(pose.rotation, m);
      const [x, y, z] = add(turned, pose.position);
      const depth = -z;
      const ex = seen[i]![0] - (focal * x) / depth;
      const ey = seen[i]![1] - (focal * y) / depth;
      const far = Math.hypot(ex, ey);
      const w = weights[i]! * (far > 3 ? 3 / far : 1);
      error += weights[i]! * (ex * ex + ey * ey);
      total += weights[i]!;
      // d(projection) / d(point), then point by turn (cross product) and by move
      const px: Vec3 = [focal / depth, 0, (focal * x) / (depth * depth)];
      const py: Vec3 = [0, focal / depth, (focal * y) / (depth * depth)];
      const row = (g: Vec3) => [
        turned[1] * g[2] - turned[2] * g[1],
        turned[2] * g[0] - turned[0] * g[2],
        turned[0] * g[1] - turned[1] * g[0],
        g[0],
        g[1],
        g[2],
      ];
      for (const [j, e] of [
        [row(px), ex],
        [row(py), ey],
      ] as const)
        for (let r = 0; r < 6; r++) {
          b[r]! += w * j[r]! * e;
          for (let c = 0; c < 6; c++) a[6 * r + c]! += w * j[r]! * j[c]!;
        }
    });
    residual = Math.sqrt(error / total);
    for (let r = 0; r < 6; r++) a[7 * r]! *= 1 + 1e-6;
    const step = solveLinear(a, b);
    if (!step) break;
    pose = {
      rotation: normaliseQuaternion(compose(turnBy([step[0]!, step[1]!, step[2]!]), pose.rotation)),
      position: add(pose.position, [step[3]!, step[4]!, step[5]!]),
    };
    if (Math.hypot(...step) < 1e-9) break;
  }
  return { pose, residual };
};

/** The pose points of the neutral face with the expressions on it. */
const modelWith = (expressions: Expressions): readonly Vec3[] => {
  const shown = MOVABLE.filter((name) => (expressions[name] ?? 0) !== 0);
  return POSE_POINTS.map(({ landmark }, i) =>
    shown.reduce(
      (p, name) => add(p, scale(pointAt(displacementOf(name), landmark), expressions[name]!)),
      neutral[i]!,
    ),
  );
};

/**
 * Fits a face. `landmarks` are 468 or 478 x (x, y, z): x and y as fractions of the picture's width and
 * height from the top left, z as a fraction of the width, smaller nearer to the camera.
 */
export const fitFace = (landmarks: ArrayLike<number>, picture: Picture): FittedFace => {
  const focal = picture.height / 2 / Math.tan((picture.fovY * Math.PI) / 360);
  const count = landmarks.length / 3;
  const pixel = (i: number): Vec3 => [
    (landmarks[3 * i]! - 0.5) * picture.width,
    (0.5 - landmarks[3 * i + 1]!) * picture.height,
    -landmarks[3 * i + 2]! * picture.width,
  ];
  const seen = POSE_POINTS.map((p) => pixel(p.landmark));
  const flat = alignPoints(neutral, seen, weights);
  const depth = focal / flat.scale;
  const guess: Pose = {
    rotation: flat.rotation,
    position: [flat.position[0] / flat.scale, flat.position[1] / flat.scale, -depth],
  };
  const flatSeen = seen.map(([x, y]) => [x, y] as const);
  // Each landmark keeps its line of sight; its depth is the head's plus what the tracker says about relief.
  const inHeadSpace = (pose: Pose): Float32Array => {
    const perPixel = -pose.position[2] / focal;
    const local = new Float32Array(count * 3);
    for (let i = 0; i < count; i++) {
      const [x, y, relief] = pixel(i);
      const z = pose.position[2] + (relief - flat.position[2]) * perPixel;
      local.set(toLocal(pose, [(x * -z) / focal, (y * -z) / focal, z]), 3 * i);
    }
    return local;
  };
  // An open jaw would be taken for a nod: fit, read the expressions, fit again with them on the model.
  const first = refinePose(neutral, flatSeen, focal, guess).pose;
  const model = modelWith(readExpressions(inHeadSpace(first)));
  const { pose, residual } = refinePose(model, flatSeen, focal, first);
  const local = inHeadSpace(pose);
  return { pose, landmarks: local, expressions: readExpressions(local), residual };
};
