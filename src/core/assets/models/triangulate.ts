/** Cuts flat or nearly flat polygons into triangles, also those that are not convex. */
import earcut, { deviation } from 'earcut';
import { cross, dot, length, normalise, subtract, type Vec3 } from '../../maths/vec3';

/** Normal of a polygon by Newell's method, which stands corners that are not quite in a plane. */
export const polygonNormal = (points: readonly Vec3[]): Vec3 => {
  let normal: Vec3 = [0, 0, 0];
  points.forEach((a, i) => {
    const b = points[(i + 1) % points.length]!;
    normal = [
      normal[0] + (a[1] - b[1]) * (a[2] + b[2]),
      normal[1] + (a[2] - b[2]) * (a[0] + b[0]),
      normal[2] + (a[0] - b[0]) * (a[1] + b[1]),
    ];
  });
  return normalise(normal);
};

/**
 * Ear clipping (by earcut). Gives triples of indices into `points`, turning the same way as the polygon. A polygon with fewer than three
 * corners gives none; what has no plane, or edges that cross so that ears would leave a part out, is cut as a fan.
 */
export const triangulate = (points: readonly Vec3[]): number[] => {
  const count = points.length;
  if (count < 3) return [];
  if (count === 3) return [0, 1, 2];
  const normal = polygonNormal(points);
  if (length(normal) === 0) return fan(count);
  // A frame in the plane of the polygon, in which it turns to the left.
  const side = normalise(cross(Math.abs(normal[0]) > 0.9 ? [0, 1, 0] : [1, 0, 0], normal));
  const up = cross(normal, side);
  const flat = points.flatMap((p) => {
    const d = subtract(p, points[0]!);
    return [dot(d, side), dot(d, up)];
  });
  const ears = earcut(flat);
  // Corners on a straight line need no ear of their own; a part that is left out does.
  if (ears.length === 0 || deviation(flat, null, 2, ears) > 1e-6) return fan(count);
  const [a, b, c] = ears.map((i) => points[i]!) as [Vec3, Vec3, Vec3];
  const turnsLeft = dot(cross(subtract(b, a), subtract(c, a)), normal) >= 0;
  return turnsLeft ? ears : ears.reverse();
};

const fan = (count: number): number[] => {
  const out: number[] = [];
  for (let k = 1; k + 1 < count; k++) out.push(0, k, k + 1);
  return out;
};
