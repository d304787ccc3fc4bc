/** How far a tracker's frame is from the truth: faces, hands, printed pictures and the surfaces of a room. */
import { composePoses, inversePose, toOuter, type Pose } from '../maths/pose';
import { angleBetween } from '../maths/quaternion';
import { add, distance, pointAt, scale, subtract, type Vec3 } from '../maths/vec3';
import type { ExpressionName } from './expression-names';
import type { Degrees, Metres, Unit } from '../units';
import {
  expression,
  type TrackedFace,
  type TrackedHand,
  type TrackedPicture,
  type TrackedSurface,
  type TrackFrame,
} from './track-frame';

export interface FaceError {
  readonly position: Metres;
  readonly angle: Degrees;
  /** Root mean square over all landmarks, in the world. */
  readonly landmarks: Metres;
  /** The expression that is furthest off, among those the tracker reports. */
  readonly expression: { readonly name: ExpressionName; readonly off: Unit } | null;
}

/** What has landmarks in a space of its own. */
type Landmarked = Pick<TrackedFace, 'pose' | 'landmarks'>;

/** Root mean square between the landmarks of two, in the world. */
const landmarksOff = (truth: Landmarked, tracked: Landmarked): Metres => {
  const count = Math.min(truth.landmarks.length, tracked.landmarks.length) / 3;
  let squares = 0;
  for (let i = 0; i < count; i++)
    squares +=
      distance(
        toOuter(truth.pose, pointAt(truth.landmarks, i)),
        toOuter(tracked.pose, pointAt(tracked.landmarks, i)),
      ) ** 2;
  return count === 0 ? 0 : Math.sqrt(squares / count);
};

/** How far a tracked face is from the truth: degrees, metres, landmarks. */
export const faceError = (truth: TrackedFace, tracked: TrackedFace): FaceError => {
  let worst: FaceError['expression'] = null;
  for (const name of Object.keys(tracked.expressions) as ExpressionName[]) {
    const off = Math.abs(expression(truth, name) - expression(tracked, name));
    if (!worst || off > worst.off) worst = { name, off };
  }
  return {
    position: distance(truth.pose.position, tracked.pose.position),
    angle: angleBetween(truth.pose.rotation, tracked.pose.rotation),
    landmarks: landmarksOff(truth, tracked),
    expression: worst,
  };
};

/** Each tracked face, or hand, with the true one nearest to it; none is used twice, and none is farther than a head's width. */
export const matchNearest = <Thing extends Landmarked>(
  truth: readonly Thing[],
  tracked: readonly Thing[],
): readonly (readonly [Thing, Thing])[] => {
  const pairs = truth
    .flatMap((t) => tracked.map((f) => ({ t, f, far: distance(t.pose.position, f.pose.position) })))
    .filter(({ t, far }) => far < Math.max(0.16, 0.25 * Math.abs(t.pose.position[2])))
    .sort((a, b) => a.far - b.far);
  const matched: (readonly [Thing, Thing])[] = [];
  for (const { t, f } of pairs) if (!matched.some(([a, b]) => a === t || b === f)) matched.push([t, f]);
  return matched;
};

export interface HandError {
  /** Of its wrist. */
  readonly position: Metres;
  readonly angle: Degrees;
  /** Root mean square over its 21 points, in the world. */
  readonly landmarks: Metres;
  /** The same once the wrists lie upon each other: how well its shape is known, however far away it is thought to be. */
  readonly shape: Metres;
  readonly isSignRight: boolean;
}

/** How far a tracked hand is from the truth. */
export const handError = (truth: TrackedHand, tracked: TrackedHand): HandError => ({
  position: distance(truth.pose.position, tracked.pose.position),
  angle: angleBetween(truth.pose.rotation, tracked.pose.rotation),
  landmarks: landmarksOff(truth, tracked),
  shape: landmarksOff(truth, {
    ...tracked,
    pose: { ...tracked.pose, position: truth.pose.position },
  }),
  isSignRight: truth.gesture === tracked.gesture,
});

export interface PictureError {
  /** Of its middle. */
  readonly position: Metres;
  readonly angle: Degrees;
  /** Root mean square of its four corners, in the world. */
  readonly corners: Metres;
}

/**
 * How far a tracked printed picture is from the truth. No tracker sees how large a picture is printed: what it says is scaled about the
 * eye to the true width first.
 */
export const pictureError = (truth: TrackedPicture, tracked: TrackedPicture, eye: Vec3): PictureError => {
  const k = truth.width / tracked.width;
  const pose = {
    rotation: tracked.pose.rotation,
    position: add(eye, scale(subtract(tracked.pose.position, eye), k)),
  };
  const corners = [-0.5, 0.5].flatMap((x) =>
    [-0.5, 0.5].map((y) =>
      distance(
        toOuter(truth.pose, [x * truth.width, y * truth.height, 0]),
        toOuter(pose, [x * truth.width, y * tracked.height * k, 0]),
      ),
    ),
  );
  return {
    position: distance(truth.pose.position, pose.position),
    angle: angleBetween(truth.pose.rotation, pose.rotation),
    corners: Math.sqrt(corners.reduce((sum, d) => sum + d * d, 0) / 4),
  };
};

export interface SurfaceError {
  /** Of its origin, and of its turn, as the camera has them before it: where what stands there is seen, whatever the world's origin is thought to be. */
  readonly position: Metres;
  readonly angle: Degrees;
}

/** How far off what stands on a surface is seen; each is seen by its own camera. */
export const surfaceError = (
  truth: TrackedSurface,
  eye: Pose,
  tracked: TrackedSurface,
  trackedEye: Pose,
): SurfaceError => {
  const before = composePoses(inversePose(eye), truth.pose);
  const seen = composePoses(inversePose(trackedEye), tracked.pose);
  return {
    position: distance(before.position, seen.position),
    angle: angleBetween(before.rotation, seen.rotation),
  };
};

/** Of one kind of things: how many are in sight, how many of them were found, and how far off the first that was. */
export interface Compared<Off> {
  readonly inSight: number;
  readonly found: number;
  readonly error: Off | null;
}
export interface Comparison {
  readonly faces: Compared<FaceError>;
  readonly hands: Compared<HandError>;
  readonly pictures: Compared<PictureError>;
  readonly surfaces: Compared<SurfaceError>;
}

/** What was looked for: printed pictures by their numbers, surfaces by their kinds. */
export interface Sought {
  readonly pictures: ReadonlySet<number>;
  readonly surfaces: ReadonlySet<TrackedSurface['kind']>;
}

/** A tracker's frame against the truth. */
export const compareFrames = (truth: TrackFrame, tracked: TrackFrame, sought: Sought): Comparison => {
  const faces = matchNearest(truth.faces, tracked.faces);
  const hands = matchNearest(truth.hands, tracked.hands);
  const inSight = truth.pictures.filter((p) => sought.pictures.has(p.id));
  const pictures = inSight.flatMap((p) => {
    const found = tracked.pictures.find((q) => q.id === p.id);
    return found ? [[p, found] as const] : [];
  });
  const surfacesThere = truth.surfaces.filter(({ kind }) => sought.surfaces.has(kind));
  const surfaces = surfacesThere.flatMap((s) => {
    const found = tracked.surfaces.find((t) => t.id === s.id);
    return found ? [[s, found] as const] : [];
  });
  const eye = truth.camera.pose;
  return {
    faces: {
      inSight: truth.faces.length,
      found: faces.length,
      error: faces[0] ? faceError(...faces[0]) : null,
    },
    hands: {
      inSight: truth.hands.length,
      found: hands.length,
      error: hands[0] ? handError(...hands[0]) : null,
    },
    pictures: {
      inSight: inSight.length,
      found: pictures.length,
      error: pictures[0] ? pictureError(...pictures[0], eye.position) : null,
    },
    surfaces: {
      inSight: surfacesThere.length,
      found: surfaces.length,
      error: surfaces[0] ? surfaceError(surfaces[0][0], eye, surfaces[0][1], tracked.camera.pose) : null,
    },
  };
};
