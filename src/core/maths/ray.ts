/** Rays, and where they meet things. Metres. */
import { transformDirection, invertMatrix, transformPoint, type Matrix } from './matrix';
import { rotate } from './quaternion';
import { add, dot, normalise, scale, subtract, type Vec3 } from './vec3';
import type { Pose } from './pose';
import type { Degrees } from '../units';

export interface Ray {
  readonly from: Vec3;
  /** Need not be of unit length: distances along it count in its own length. */
  readonly along: Vec3;
}

/** The point at a distance along a ray. */
export const pointOn = ({ from, along }: Ray, t: number): Vec3 => add(from, scale(along, t));

/** Through a point of the picture (0..1 from the top left) of a camera with this view. */
export const rayThrough = (
  { pose }: { readonly pose: Pose },
  fovY: Degrees,
  aspect: number,
  x: number,
  y: number,
): Ray => {
  const half = Math.tan((fovY * Math.PI) / 360);
  const local: Vec3 = [(2 * x - 1) * half * aspect, (1 - 2 * y) * half, -1];
  return { from: pose.position, along: normalise(rotate(pose.rotation, local)) };
};

/** The ray in the space that `matrix` leads out of; null when the matrix flattens. */
export const transformRay = (matrix: Matrix, ray: Ray): Ray | null => {
  const inverse = invertMatrix(matrix);
  if (!inverse) return null;
  return { from: transformPoint(inverse, ray.from), along: transformDirection(inverse, ray.along) };
};

/** How far along the ray it enters a box; null when it misses. Within the box it is 0. */
export const intersectBox = ({ from, along }: Ray, low: Vec3, high: Vec3): number | null => {
  let [enter, leave] = [0, Infinity];
  for (let k = 0; k < 3; k++) {
    if (Math.abs(along[k]!) < 1e-12) {
      if (from[k]! < low[k]! || from[k]! > high[k]!) return null;
      continue;
    }
    const a = (low[k]! - from[k]!) / along[k]!;
    const b = (high[k]! - from[k]!) / along[k]!;
    enter = Math.max(enter, Math.min(a, b));
    leave = Math.min(leave, Math.max(a, b));
  }
  return enter <= leave ? enter : null;
};

/** How far along the ray it enters an ellipsoid with these half axes; null when it misses. */
export const intersectEllipsoid = (ray: Ray, centre: Vec3, half: Vec3): number | null => {
  const from = subtract(ray.from, centre).map((x, k) => x / half[k]!) as unknown as Vec3;
  const along = ray.along.map((x, k) => x / half[k]!) as unknown as Vec3;
  const [a, b, c] = [dot(along, along), dot(from, along), dot(from, from) - 1];
  const under = b * b - a * c;
  if (under < 0 || a === 0) return null;
  const far = (-b + Math.sqrt(under)) / a;
  if (far < 0) return null;
  return Math.max(0, (-b - Math.sqrt(under)) / a);
};

/** How far along the ray it meets a plane; null when it runs beside it or away from it. */
export const intersectPlane = ({ from, along }: Ray, point: Vec3, normal: Vec3): number | null => {
  const slope = dot(along, normal);
  if (Math.abs(slope) < 1e-6) return null;
  const t = dot(subtract(point, from), normal) / slope;
  return t > 0 ? t : null;
};
