/** A rotation by where its front, +Z, looks. */
import { quaternionFromAxes } from './matrix';
import { IDENTITY, type Quaternion } from './quaternion';
import { cross, length, normalise, type Vec3 } from './vec3';

/** Turns +Z along `direction` with +X level; straight up and down, +X stays. What has no direction is not turned. */
export const facing = (direction: Vec3): Quaternion => {
  if (length(direction) < 1e-9) return IDENTITY;
  const front = normalise(direction);
  const across = cross([0, 1, 0], front);
  const right: Vec3 = length(across) < 1e-6 ? [1, 0, 0] : normalise(across);
  return quaternionFromAxes(right, cross(front, right), front);
};
