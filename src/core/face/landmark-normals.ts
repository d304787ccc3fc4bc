/** Which way the skin faces at each landmark. */
import { cross, subtract, type Vec3 } from '../maths/vec3';
import { FACE_LANDMARKS } from './landmarks';
import { TRIANGLES } from './neutral';

/** In head space, one after the other; longer where the triangles around are larger. */
export const landmarkNormals = (landmarks: Float32Array): Float32Array => {
  const normals = new Float32Array(FACE_LANDMARKS * 3);
  const at = (i: number): Vec3 => [landmarks[3 * i]!, landmarks[3 * i + 1]!, landmarks[3 * i + 2]!];
  for (let t = 0; t < TRIANGLES.length; t += 3) {
    const [a, b, c] = [TRIANGLES[t]!, TRIANGLES[t + 1]!, TRIANGLES[t + 2]!];
    // Longer for larger triangles, which therefore count for more.
    const n = cross(subtract(at(b), at(a)), subtract(at(c), at(a)));
    for (const i of [a, b, c]) for (let k = 0; k < 3; k++) normals[3 * i + k]! += n[k]!;
  }
  return normals;
};
