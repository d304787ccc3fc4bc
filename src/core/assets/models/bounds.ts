/** The box around points of a model. */
import type { Vec3 } from '../../maths/vec3';

/** The corners of the box around points, three numbers each. */
export const boundsOf = (points: ArrayLike<number>): { low: Vec3; high: Vec3 } => {
  const low = [Infinity, Infinity, Infinity];
  const high = [-Infinity, -Infinity, -Infinity];
  for (let i = 0; i < points.length; i++) {
    const k = i % 3;
    low[k] = Math.min(low[k]!, points[i]!);
    high[k] = Math.max(high[k]!, points[i]!);
  }
  return points.length === 0
    ? { low: [0, 0, 0], high: [0, 0, 0] }
    : { low: low as unknown as Vec3, high: high as unknown as Vec3 };
};
