/** Points spread evenly over the surface of a mesh. */
import { pcg3d } from '../maths/hash';
import { cross, length, pointAt, subtract } from '../maths/vec3';

/**
 * `corners` holds triangles, nine numbers each. `count` points, x, y, z one after the other, the same every time: a triangle is
 * chosen by its area, a point in it by Turk, "Generating Random Points in Triangles" (Graphics Gems, 1990). None without area.
 */
export const surfacePoints = (corners: ArrayLike<number>, count: number): Float32Array => {
  const sums: number[] = [];
  let sum = 0;
  const triangles = Math.floor(corners.length / 9);
  for (let t = 0; t < triangles; t++) {
    const [a, b, c] = [pointAt(corners, 3 * t), pointAt(corners, 3 * t + 1), pointAt(corners, 3 * t + 2)];
    const area = length(cross(subtract(b, a), subtract(c, a)));
    sum += Number.isFinite(area) ? area : 0;
    sums.push(sum);
  }
  if (sum <= 0) return new Float32Array();
  const out = new Float32Array(3 * count);
  for (let n = 0; n < count; n++) {
    const [r, s, u] = pcg3d(n, 0x5eed, 9).map((x) => x / 4294967296) as [number, number, number];
    const t = firstFrom(sums, r * sum);
    const root = Math.sqrt(s);
    const shares = [1 - root, root * (1 - u), root * u];
    for (let axis = 0; axis < 3; axis++)
      out[3 * n + axis] =
        shares[0]! * corners[9 * t + axis]! +
        shares[1]! * corners[9 * t + 3 + axis]! +
        shares[2]! * corners[9 * t + 6 + axis]!;
  }
  return out;
};

/** Index of the first sum that is not below; sums grow. */
const firstFrom = (sums: readonly number[], wanted: number): number => {
  let [low, high] = [0, sums.length - 1];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (sums[middle]! < wanted) low = middle + 1;
    else high = middle;
  }
  return low;
};
