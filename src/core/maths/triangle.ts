/** Triangles. */
import { dot, subtract, type Vec3 } from './vec3';

/** Shares of the corners at the point of a triangle nearest to `p` (Ericson, "Real-Time Collision Detection", 5.1.5). */
export const nearestBarycentric = (p: Vec3, a: Vec3, b: Vec3, c: Vec3): Vec3 => {
  const [ab, ac, ap] = [subtract(b, a), subtract(c, a), subtract(p, a)];
  const [d1, d2] = [dot(ab, ap), dot(ac, ap)];
  if (d1 <= 0 && d2 <= 0) return [1, 0, 0];
  const bp = subtract(p, b);
  const [d3, d4] = [dot(ab, bp), dot(ac, bp)];
  if (d3 >= 0 && d4 <= d3) return [0, 1, 0];
  const vc = d1 * d4 - d3 * d2;
  if (vc <= 0 && d1 >= 0 && d3 <= 0) return [1 - d1 / (d1 - d3), d1 / (d1 - d3), 0];
  const cp = subtract(p, c);
  const [d5, d6] = [dot(ab, cp), dot(ac, cp)];
  if (d6 >= 0 && d5 <= d6) return [0, 0, 1];
  const vb = d5 * d2 - d1 * d6;
  if (vb <= 0 && d2 >= 0 && d6 <= 0) return [1 - d2 / (d2 - d6), 0, d2 / (d2 - d6)];
  const va = d3 * d6 - d5 * d4;
  if (va <= 0 && d4 - d3 >= 0 && d5 - d6 >= 0) {
    const w = (d4 - d3) / (d4 - d3 + (d5 - d6));
    return [0, 1 - w, w];
  }
  const sum = va + vb + vc;
  return [va / sum, vb / sum, vc / sum];
};
