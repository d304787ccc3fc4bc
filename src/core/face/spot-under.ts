/** The spot of the face layout under a ray: where somebody points at on a face. */
import { toLocal, type Pose } from '../maths/pose';
import { conjugate, rotate } from '../maths/quaternion';
import type { Ray } from '../maths/ray';
import { cross, dot, pointAt, subtract } from '../maths/vec3';
import { TRIANGLES, UV } from './neutral';
import type { Spot } from './skin-spot';

/**
 * Where the ray first meets the front of the face; null when it misses. The ray is in world space, `landmarks` in head
 * space. Möller and Trumbore, "Fast, Minimum Storage Ray/Triangle Intersection" (1997).
 */
export const spotUnder = (
  face: { readonly pose: Pose; readonly landmarks: ArrayLike<number> },
  ray: Ray,
): Spot | null => {
  const from = toLocal(face.pose, ray.from);
  const along = rotate(conjugate(face.pose.rotation), ray.along);
  let nearest = Infinity;
  let spot: Spot | null = null;
  for (let t = 0; t < TRIANGLES.length; t += 3) {
    const [a, b, c] = [TRIANGLES[t]!, TRIANGLES[t + 1]!, TRIANGLES[t + 2]!];
    const corner = pointAt(face.landmarks, a);
    const ab = subtract(pointAt(face.landmarks, b), corner);
    const ac = subtract(pointAt(face.landmarks, c), corner);
    const across = cross(along, ac);
    const det = dot(ab, across);
    // What looks away from the viewer is not seen.
    if (det < 1e-14) continue;
    const off = subtract(from, corner);
    const u = dot(off, across) / det;
    if (u < 0 || u > 1) continue;
    const around = cross(off, ab);
    const v = dot(along, around) / det;
    if (v < 0 || u + v > 1) continue;
    const far = dot(ac, around) / det;
    if (far <= 0 || far >= nearest) continue;
    nearest = far;
    const at = (k: 0 | 1): number => (1 - u - v) * UV[2 * a + k]! + u * UV[2 * b + k]! + v * UV[2 * c + k]!;
    spot = [at(0), at(1)];
  }
  return spot;
};
