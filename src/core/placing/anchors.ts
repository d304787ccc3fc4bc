/** Where what objects stick to is at an instant: none, one or several places, each with a space of its own. */
import type {
  Anchor,
  AnchorKind,
  FaceChoice,
  HandChoice,
  ScreenPin,
  SurfaceKind,
  Target,
} from '../document/schema';
import { featurePoint } from '../face/feature-points';
import { headFactor } from '../face/head-factor';
import { spotOnFace } from '../face/skin-spot';
import { handFactor, handPoint } from '../hand/points';
import { composeMatrix, fromPose, multiplyMatrices, type Matrix } from '../maths/matrix';
import { multiplyQuaternions, fromAxisAngle, IDENTITY } from '../maths/quaternion';
import { composePoses, type Pose } from '../maths/pose';
import type { Vec3 } from '../maths/vec3';
import type { CameraState, TrackedFace, TrackedHand, TrackFrame } from '../tracking/track-frame';
import type { Metres, Unit } from '../units';
import { facesBySlot, handsBySlot, type Presence } from './presence';

/** The space in which an object is drawn: with the camera, or flat over or behind the picture. */
export type Layering = 'backdrop' | 'space' | 'screen';
/** In which of the three layers what sticks to it is drawn. */
export const layeringOf = (kind: AnchorKind): Layering =>
  kind === 'backdrop' || kind === 'screen' ? kind : 'space';

export interface AnchorPlace {
  /** Tells the places of one object apart: the number of the face or the hand, from 0; else 0. */
  readonly instance: number;
  /** From the anchor's space to world space, or to the screen's. */
  readonly matrix: Matrix;
  /** The face it belongs to. */
  readonly face: TrackedFace | null;
  /** The hand it belongs to. */
  readonly hand: TrackedHand | null;
  /** Less than 1 while what it is on comes or goes. */
  readonly opacity: Unit;
}

/** Everything an anchor is found by. */
export interface Here {
  readonly frame: TrackFrame;
  readonly presence: Presence;
  readonly targets: readonly Target[];
  /** Width over height of the view. */
  readonly aspect: number;
}

/** The screen is as high as this in its own space, and as wide as it is wide. */
export const SCREEN_HEIGHT: Metres = 0.16;
/** What a backdrop has to fill on the usual upright screen. */
export const SCREEN_WIDTH: Metres = 0.09;

/** The faces of a choice, each with its number from 0. */
export const chosen = (
  choice: FaceChoice,
  faces: readonly (TrackedFace | undefined)[],
): [number, TrackedFace][] => {
  const there = faces.flatMap((face, i): [number, TrackedFace][] => (face ? [[i, face]] : []));
  if (choice === 'every') return there;
  if (choice === 'any') return there.slice(0, 1).map(([, face]) => [0, face]);
  const face = faces[choice - 1];
  return face ? [[choice - 1, face]] : [];
};

/** The hands of a choice, each with its number from 0. */
const chosenHands = (
  choice: HandChoice,
  hands: readonly (TrackedHand | undefined)[],
): [number, TrackedHand][] => {
  const there = hands.flatMap((hand, i): [number, TrackedHand][] => (hand ? [[i, hand]] : []));
  return choice === 'every' ? there : there.slice(0, 1).map(([, hand]) => [0, hand]);
};

/** On a wall the picture's plane is upright: +Y to its top, +Z away from the wall. */
const QUARTER = fromAxisAngle([1, 0, 0], -90);
/** A surface as things stand on it: on a wall they hang upright. */
export const surfacePose = (kind: SurfaceKind, pose: Pose): Pose =>
  kind === 'wall' ? { position: pose.position, rotation: multiplyQuaternions(pose.rotation, QUARTER) } : pose;

/** How much of the view's width a picture's content takes while the picture itself is not seen. */
const FLOATS_AT = 0.62;

/** Before the camera, upright, as wide as `FLOATS_AT` of the view. */
export const floatingPose = (camera: CameraState, width: Metres, aspect: number): Pose => {
  const across = 2 * Math.tan((camera.fovY * Math.PI) / 360) * aspect;
  return composePoses(camera.pose, {
    position: [0, 0, -width / (FLOATS_AT * across)],
    rotation: IDENTITY,
  });
};

const picturePose = (target: Target, { frame, presence, aspect }: Here): Pose | null => {
  const found = presence.pictures[target.id];
  if (found?.seen) return found.pose;
  if (found && target.afterLost === 'stays') return found.pose;
  if ((found ? target.afterLost : target.beforeFound) === 'content')
    return floatingPose(frame.camera, target.width, aspect);
  return null;
};

/** Whether the outline that says what to look for is shown. */
export const isHinted = (target: Target, presence: Presence): boolean =>
  target.beforeFound === 'hint' && presence.pictures[target.id] === undefined;

const PINNED: Record<ScreenPin, readonly [number, number]> = {
  centre: [0, 0],
  top: [0, 1],
  bottom: [0, -1],
  left: [-1, 0],
  right: [1, 0],
};

const alone = (matrix: Matrix): AnchorPlace[] => [
  { instance: 0, matrix, face: null, hand: null, opacity: 1 },
];

/** Every place of an anchor now. Empty when what it names is not there. */
export const anchorPlaces = (anchor: Anchor, here: Here): AnchorPlace[] => {
  const { frame, presence, aspect } = here;
  switch (anchor.kind) {
    case 'head':
      return chosen(anchor.face, facesBySlot(presence, frame)).map(([instance, face]) => {
        const point = featurePoint(face.landmarks, anchor.point);
        const k = anchor.grows ? headFactor(face.unmorphed ?? face.landmarks) : 1;
        return {
          instance,
          face,
          hand: null,
          opacity: face.fade ?? 1,
          matrix: multiplyMatrices(fromPose(face.pose), composeMatrix(point, IDENTITY, [k, k, k])),
        };
      });
    case 'skin':
      return chosen(anchor.face, facesBySlot(presence, frame)).map(([instance, face]) => ({
        instance,
        face,
        hand: null,
        opacity: face.fade ?? 1,
        matrix: multiplyMatrices(fromPose(face.pose), fromPose(spotOnFace(face.landmarks, anchor.spot))),
      }));
    case 'hand':
      return chosenHands(anchor.hand, handsBySlot(presence, frame)).map(([instance, hand]) => {
        const { position, rotation } = handPoint(hand.landmarks, anchor.point);
        const k = anchor.grows ? handFactor(hand.landmarks) : 1;
        return {
          instance,
          face: null,
          hand,
          opacity: hand.fade ?? 1,
          matrix: multiplyMatrices(fromPose(hand.pose), composeMatrix(position, rotation, [k, k, k])),
        };
      });
    case 'world': {
      const pose = presence.surfaces[anchor.surface];
      return pose ? alone(fromPose(surfacePose(anchor.surface, pose))) : [];
    }
    case 'picture': {
      const target = here.targets.find((t) => t.id === anchor.target);
      const pose = target ? picturePose(target, here) : null;
      return pose ? alone(fromPose(pose)) : [];
    }
    case 'screen': {
      const [x, y] = PINNED[anchor.pin];
      const at: Vec3 = [(x * SCREEN_HEIGHT * aspect) / 2, (y * SCREEN_HEIGHT) / 2, 0];
      return alone(composeMatrix(at, IDENTITY, [1, 1, 1]));
    }
    case 'backdrop': {
      // Made for the usual screen; on another it grows until nothing stays uncovered.
      const k = Math.max(1, (aspect * SCREEN_HEIGHT) / SCREEN_WIDTH);
      return alone(composeMatrix([0, 0, 0], IDENTITY, [k, k, k]));
    }
  }
};
