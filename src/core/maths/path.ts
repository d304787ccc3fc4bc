/** A smooth path through points. */
import type { Vec3 } from './vec3';

export interface OnPath {
  readonly at: Vec3;
  /** Along it, a whole path long; not of unit length. */
  readonly along: Vec3;
}
const MISSED: OnPath = { at: [0, 0, 0], along: [0, 0, 0] };
const NOWHERE: OnPath = { at: [NaN, NaN, NaN], along: [NaN, NaN, NaN] };

/**
 * The point at a share of a path through points, each piece taking the same share: a Catmull-Rom spline (Catmull, Rom, 1974). Open it runs
 * from the first point to the last, closed back to the first. A share that is no number has no point: its numbers are none either.
 */
export const onPath = (points: readonly Vec3[], share: number, closed: boolean): OnPath => {
  const count = points.length;
  const [first] = points;
  if (!first) return MISSED;
  const pieces = closed ? count : count - 1;
  if (pieces < 1) return { at: first, along: [0, 0, 0] };
  const whole = closed ? share - Math.floor(share) : Math.min(1, Math.max(0, share));
  if (Number.isNaN(whole)) return NOWHERE;
  const piece = Math.min(pieces - 1, Math.floor(whole * pieces));
  const t = whole * pieces - piece;
  // Beyond the ends it goes on as it came.
  const point = (i: number): Vec3 => {
    if (closed) return points[((i % count) + count) % count]!;
    if (i < 0) return points[0]!.map((x, k) => 2 * x - points[1]![k]!) as unknown as Vec3;
    if (i >= count)
      return points[count - 1]!.map((x, k) => 2 * x - points[count - 2]![k]!) as unknown as Vec3;
    return points[i]!;
  };
  const [a, b, c, d] = [point(piece - 1), point(piece), point(piece + 1), point(piece + 2)];
  const at = [0, 1, 2].map((k) => {
    const [p, q, r, s] = [a[k]!, b[k]!, c[k]!, d[k]!];
    return (
      0.5 * (2 * q + (r - p) * t + (2 * p - 5 * q + 4 * r - s) * t * t + (3 * q - p - 3 * r + s) * t * t * t)
    );
  }) as unknown as Vec3;
  const along = [0, 1, 2].map((k) => {
    const [p, q, r, s] = [a[k]!, b[k]!, c[k]!, d[k]!];
    const slope = 0.5 * (r - p + 2 * (2 * p - 5 * q + 4 * r - s) * t + 3 * (3 * q - p - 3 * r + s) * t * t);
    return slope * pieces;
  }) as unknown as Vec3;
  return { at, along };
};
