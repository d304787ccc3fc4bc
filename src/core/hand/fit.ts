/**
 * From what a hand tracker sees in a picture to a hand in metres: where it is, how it is turned, its points in its own space.
 * The tracker gives a place in the picture for each point, and the hand's shape as it is turned to the camera, about a middle of its own.
 */
import { solveLinear } from '../maths/linear';
import { toLocal, type Pose } from '../maths/pose';
import { alignPoints } from '../maths/procrustes';
import { pointAt, scale, type Vec3 } from '../maths/vec3';
import { gestureOf } from './signs';
import { HAND_LANDMARKS, handLandmarks, HAND_SHAPES } from './skeleton';
import { handFactor, REST_HAND } from './points';
import type { TrackedHand } from '../tracking/track-frame';
import type { Degrees, Pixels } from '../units';

/** One hand as the tracker has it. */
export interface SeenHand {
  /** 21 x (x, y, z): x and y as fractions of the picture's width and height from the top left; z is not used. */
  readonly inPicture: ArrayLike<number>;
  /** 21 x (x, y, z), metres: x to the right of the picture, y down, z away from the camera; the origin anywhere. */
  readonly shape: ArrayLike<number>;
  readonly side: TrackedHand['side'];
}

export interface SeenBy {
  readonly width: Pixels;
  readonly height: Pixels;
  readonly fovY: Degrees;
}

export interface FittedHand extends Pick<TrackedHand, 'pose' | 'landmarks' | 'gesture'> {
  /** Root mean square between where the points are seen and where the shape would be seen, in pixels. */
  readonly residual: Pixels;
}

/** The palm does not bend: wrist and the roots of the four fingers. */
const RIGID = [0, 5, 9, 13, 17] as const;
const OPEN = { right: REST_HAND, left: handLandmarks(HAND_SHAPES.palm, true) };
const EVEN = RIGID.map(() => 1);

/**
 * The move (camera space, metres) after which points of a known shape are seen nearest to where they are seen: for each
 * f (X + tx) = -u (Z + tz) and f (Y + ty) = -v (Z + tz), which is linear in t (least squares).
 * Null when all are seen in one place.
 */
const moveThatExplains = (
  shape: readonly Vec3[],
  seen: readonly (readonly [number, number])[],
  focal: number,
): Vec3 | null => {
  const a = new Float64Array(9);
  const b = new Float64Array(3);
  shape.forEach(([x, y, z], i) => {
    const [u, v] = seen[i]!;
    for (const [row, right] of [
      [[focal, 0, u], -u * z - focal * x],
      [[0, focal, v], -v * z - focal * y],
    ] as const)
      row.forEach((p, r) => {
        row.forEach((q, c) => (a[3 * r + c]! += p * q));
        b[r]! += p * right;
      });
  });
  return solveLinear(a, b, 3) ? [b[0]!, b[1]!, b[2]!] : null;
};

/**
 * Fits a hand, in camera space (+Y up, looking along -Z). The shape is scaled to the usual hand, since a picture tells no sizes; the move that
 * explains where it is seen gives the depth of each point, and each is then put onto its own line of sight. The hand's space is laid onto
 * the palm, which does not bend (Umeyama 1991). Null for what cannot be before a camera.
 */
export const fitHand = ({ inPicture, shape, side }: SeenHand, picture: SeenBy): FittedHand | null => {
  const focal = picture.height / 2 / Math.tan((picture.fovY * Math.PI) / 360);
  const usual = 1 / handFactor(shape);
  if (!Number.isFinite(usual)) return null;
  const points = Array.from({ length: HAND_LANDMARKS }, (_, i): Vec3 => {
    const [x, y, z] = scale(pointAt(shape, i), usual);
    return [x, -y, -z];
  });
  const seen = points.map(
    (_, i) =>
      [(inPicture[3 * i]! - 0.5) * picture.width, (0.5 - inPicture[3 * i + 1]!) * picture.height] as const,
  );
  const move = moveThatExplains(points, seen, focal);
  if (!move || !(move[2] < 0)) return null;
  let squares = 0;
  const placed = points.map(([x, y, z], i): Vec3 => {
    const depth = -(z + move[2]);
    const [u, v] = seen[i]!;
    squares += ((focal * (x + move[0])) / depth - u) ** 2 + ((focal * (y + move[1])) / depth - v) ** 2;
    return [(u * depth) / focal, (v * depth) / focal, -depth];
  });
  const laid = alignPoints(
    RIGID.map((i) => pointAt(OPEN[side], i)),
    RIGID.map((i) => placed[i]!),
    EVEN,
  );
  const pose: Pose = { rotation: laid.rotation, position: placed[0]! };
  const landmarks = new Float32Array(3 * HAND_LANDMARKS);
  placed.forEach((p, i) => landmarks.set(toLocal(pose, p), 3 * i));
  return { pose, landmarks, gesture: gestureOf(landmarks), residual: Math.sqrt(squares / HAND_LANDMARKS) };
};
