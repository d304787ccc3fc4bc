/**
 * The one contract between camera and effect. Takes and real trackers both produce it; nothing downstream
 * knows which. World space is the camera's at the first instant: metres, +Y up, the camera looks along -Z.
 */
import type { ExpressionName } from './expression-names';
import type { PictureColours } from './picture-colours';
import type { Pose } from '../maths/pose';
import type { Vec3 } from '../maths/vec3';
import type { Degrees, Hex, Metres, Seconds, Unit } from '../units';

export type Expressions = Partial<Record<ExpressionName, Unit>>;

export interface TrackedFace {
  /** Stays the same while the face stays in the picture. */
  readonly id: number;
  /** Head space to world: origin between the ears, +Y to the crown, +Z out of the face. */
  readonly pose: Pose;
  /** 478 x (x, y, z) in head space, metres: 468 of the face, then 5 for the right and 5 for the left iris. */
  readonly landmarks: Float32Array;
  /** The landmarks as they were seen, where morphs of the effect have reshaped the face. */
  readonly unmorphed?: Float32Array;
  readonly expressions: Expressions;
  readonly confidence: Unit;
  /** How far it has faded in, or is still there after it was lost; 1 where nothing is said. */
  readonly fade?: Unit;
}

export interface CameraState {
  readonly pose: Pose;
  /** Of the whole picture, top to bottom. The principal point is the centre. */
  readonly fovY: Degrees;
  /** Width over height of the whole picture. */
  readonly aspect: number;
}

export const GESTURES = ['palm', 'fist', 'thumb', 'point', 'pinch', 'victory'] as const;
export type Gesture = (typeof GESTURES)[number];

export interface TrackedHand {
  readonly id: number;
  readonly side: 'left' | 'right';
  /** Hand space to world: origin at the wrist, +Y to the fingertips, +Z out of the palm. */
  readonly pose: Pose;
  /** 21 x (x, y, z) in hand space, metres: the wrist, then four points a finger from the thumb on. */
  readonly landmarks: Float32Array;
  readonly gesture: Gesture | null;
  readonly confidence: Unit;
  /** As of faces. */
  readonly fade?: Unit;
}

/** A printed picture: which of the effect's targets, and where it lies. */
export interface TrackedPicture {
  readonly id: number;
  /** Picture space to world: origin in its middle, +X to its right, +Y to its top, +Z towards the reader. */
  readonly pose: Pose;
  readonly width: Metres;
  readonly height: Metres;
  readonly confidence: Unit;
}

export interface TrackedSurface {
  readonly id: number;
  readonly kind: 'floor' | 'table' | 'wall';
  /** Surface space to world: +Y away from the surface. */
  readonly pose: Pose;
  /** Along its own X and Z. */
  readonly extent: readonly [Metres, Metres];
}

/** What the camera picture says about the light. */
export interface LightEstimate {
  /** Unit vector towards the strongest light, world. */
  readonly direction: Vec3;
  readonly colour: Hex;
  /** Mean brightness of a lit grey card, 0 to 1. */
  readonly brightness: Unit;
}

export interface TrackFrame {
  readonly time: Seconds;
  readonly camera: CameraState;
  readonly faces: readonly TrackedFace[];
  readonly hands: readonly TrackedHand[];
  readonly pictures: readonly TrackedPicture[];
  readonly surfaces: readonly TrackedSurface[];
  /** Null when whoever tracks does not know. */
  readonly light: LightEstimate | null;
  /** Which colours the picture has, where the effect asks for them and they are known. */
  readonly colours?: PictureColours;
  /** What a microphone heard at that moment, where there was one. */
  readonly loudness?: Unit;
}

/** A frame in which nothing but faces is known: what the face tracker gives. */
export const faceFrame = (time: Seconds, camera: CameraState, faces: readonly TrackedFace[]): TrackFrame => ({
  time,
  camera,
  faces,
  hands: [],
  pictures: [],
  surfaces: [],
  light: null,
});

/** The value of an expression on a face; an expression that is not reported is 0. */
export const expression = (face: TrackedFace | undefined, name: ExpressionName): Unit =>
  face?.expressions[name] ?? 0;
