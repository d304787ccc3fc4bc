/**
 * The one contract between camera and effect. Takes and real trackers both produce it; nothing downstream
 * knows which. World space is the camera's at the first instant: metres, +Y up, the camera looks along -Z.
 */
import type { ExpressionName } from '../face/expression-names';
import type { Pose } from '../maths/pose';
import type { Degrees, Seconds, Unit } from '../units';

export type Expressions = Partial<Record<ExpressionName, Unit>>;

export interface TrackedFace {
  /** Stays the same while the face stays in the picture. */
  readonly id: number;
  /** Head space to world: origin between the ears, +Y to the crown, +Z out of the face. */
  readonly pose: Pose;
  /** 478 x (x, y, z) in head space, metres: 468 of the face, then 5 for the right and 5 for the left iris. */
  readonly landmarks: Float32Array;
  readonly expressions: Expressions;
  readonly confidence: Unit;
}

export interface CameraState {
  readonly pose: Pose;
  /** Of the whole picture, top to bottom. The principal point is the centre. */
  readonly fovY: Degrees;
  /** Width over height of the whole picture. */
  readonly aspect: number;
}

export interface TrackFrame {
  readonly time: Seconds;
  readonly camera: CameraState;
  readonly faces: readonly TrackedFace[];
}

/** The value of an expression on a face; an expression that is not reported is 0. */
export const expression = (face: TrackedFace | undefined, name: ExpressionName): Unit =>
  face?.expressions[name] ?? 0;
