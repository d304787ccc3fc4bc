import { multiplyQuaternions, IDENTITY, conjugate, rotate, type Quaternion } from './quaternion';
import { add, scale, subtract, ZERO, type Vec3 } from './vec3';

/** Where something is and how it is turned: first turn, then move. Metres. */
export interface Pose {
  readonly position: Vec3;
  readonly rotation: Quaternion;
}

export const ORIGIN: Pose = { position: ZERO, rotation: IDENTITY };

/** A point of the local space, in the space the pose lives in. */
export const toOuter = (pose: Pose, p: Vec3): Vec3 => add(rotate(pose.rotation, p), pose.position);

/** A point of the outer space, in the local space of the pose. */
export const toLocal = (pose: Pose, p: Vec3): Vec3 =>
  rotate(conjugate(pose.rotation), subtract(p, pose.position));

/** The pose of `inner` (given in the space of `outer`) in the space `outer` lives in. */
export const composePoses = (outer: Pose, inner: Pose): Pose => ({
  position: toOuter(outer, inner.position),
  rotation: multiplyQuaternions(outer.rotation, inner.rotation),
});

/** The pose that undoes another. */
export const inversePose = (pose: Pose): Pose => {
  const rotation = conjugate(pose.rotation);
  return { position: scale(rotate(rotation, pose.position), -1), rotation };
};
