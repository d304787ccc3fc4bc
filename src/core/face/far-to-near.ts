/** The order in which the triangles of a face are painted so that what is nearer covers what is farther. */
import type { Vec3 } from '../maths/vec3';

/**
 * Writes `triangles` (three indices each) into `into`, the farthest from `eye` first. `positions` are x, y, z in the same
 * space as `eye`. Triangles of a face are small and do not cut each other, so their middles decide (painter's algorithm).
 */
export const farToNear = (
  triangles: readonly number[],
  positions: ArrayLike<number>,
  eye: Vec3,
  into: Uint16Array | Uint32Array,
): void => {
  const count = triangles.length / 3;
  const far = new Float64Array(count);
  for (let t = 0; t < count; t++) {
    let sum = 0;
    for (let axis = 0; axis < 3; axis++) {
      let middle = 0;
      for (let k = 0; k < 3; k++) middle += positions[3 * triangles[3 * t + k]! + axis]! / 3;
      sum += (middle - eye[axis]!) ** 2;
    }
    far[t] = sum;
  }
  const order = Array.from({ length: count }, (_, t) => t).sort((a, b) => far[b]! - far[a]! || a - b);
  order.forEach((t, i) => {
    for (let k = 0; k < 3; k++) into[3 * i + k] = triangles[3 * t + k]!;
  });
};
