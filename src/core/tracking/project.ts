/** From the world to the picture. */
import { toLocal } from '../maths/pose';
import type { Vec3 } from '../maths/vec3';
import type { Degrees } from '../units';
import type { CameraState } from './track-frame';

/**
 * Where a world point lies in a view of the camera: x and y from 0 to 1 from the top left; null behind the
 * camera. `fovY` and `aspect` are those of the view.
 */
export const projectPoint = (
  camera: CameraState,
  fovY: Degrees,
  aspect: number,
  point: Vec3,
): readonly [number, number] | null => {
  const [x, y, z] = toLocal(camera.pose, point);
  if (z >= 0) return null;
  const half = Math.tan((fovY * Math.PI) / 360) * -z;
  return [0.5 + x / (2 * half * aspect), 0.5 - y / (2 * half)];
};

/**
 * The vertical field of view when a picture covers a view of another shape: what is cut off at top and
 * bottom narrows it, what is cut off at the sides does not.
 */
export const coveringFovY = (pictureFovY: Degrees, pictureAspect: number, viewAspect: number): Degrees => {
  if (viewAspect <= pictureAspect) return pictureFovY;
  const half = Math.tan((pictureFovY * Math.PI) / 360) * (pictureAspect / viewAspect);
  return (2 * Math.atan(half) * 180) / Math.PI;
};
