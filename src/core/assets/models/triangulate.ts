/** Cuts flat or nearly flat polygons into triangles, also those that are not convex. */
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

type Point = readonly [number, number];
const turn = (a: Point, b: Point, c: Point): number =>
  (b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]);
const isInside = (p: Point, a: Point, b: Point, c: Point): boolean =>
  turn(a, b, p) >= 0 && turn(b, c, p) >= 0 && turn(c, a, p) >= 0;

/**
 * Ear clipping (Meisters, "Polygons have ears", 1975). Gives triples of indices into `points`, turning the same
 * way as the polygon. A polygon with fewer than three corners gives none.
 */
export const triangulate = (points: readonly Vec3[]): number[] => {
  const count = points.length;
  if (count < 3) return [];
  if (count === 3) return [0, 1, 2];
  const normal = polygonNormal(points);
  if (length(normal) === 0) return fan(count);
  // A frame in the plane of the polygon.
  const side = normalise(cross(Math.abs(normal[0]) > 0.9 ? [0, 1, 0] : [1, 0, 0], normal));
  const up = cross(normal, side);
  const flat = points.map((p): Point => {
    const d = subtract(p, points[0]!);
    return [dot(d, side), dot(d, up)];
  });
  const left = points.map((_, i) => i);
  const out: number[] = [];
  let misses = 0;
  for (let i = 0; left.length > 3; i++) {
    const at = (k: number): number => left[(i + k) % left.length]!;
    const [a, b, c] = [at(0), at(1), at(2)];
    const isEar =
      turn(flat[a]!, flat[b]!, flat[c]!) > 0 &&
      left.every((p) => p === a || p === b || p === c || !isInside(flat[p]!, flat[a]!, flat[b]!, flat[c]!));
    if (isEar) {
      out.push(a, b, c);
      left.splice((i + 1) % left.length, 1);
      misses = 0;
    } else if (++misses > left.length) {
      // Edges that cross have no ears: the rest is cut as a fan, so that nothing is lost.
      for (let k = 1; k + 1 < left.length; k++) out.push(left[0]!, left[k]!, left[k + 1]!);
      return out;
    }
  }
  out.push(left[0]!, left[1]!, left[2]!);
  return out;
};

const fan = (count: number): number[] => {
  const out: number[] = [];
  for (let k = 1; k + 1 < count; k++) out.push(0, k, k + 1);
  return out;
};
