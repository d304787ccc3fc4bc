/** Normals for meshes that come without: smooth over gentle edges, sharp over hard ones. */
import type { Degrees } from '../../units';

/**
 * One normal for each corner of each triangle, weighted by area. `positions` are x, y, z of the points, `indices`
 * three for each triangle; points that lie on each other count as one. Edges sharper than `crease` stay sharp.
 */
export const cornerNormals = (
  positions: ArrayLike<number>,
  indices: ArrayLike<number>,
  crease: Degrees = 40,
): Float32Array => {
  const triangles = Math.floor(indices.length / 3);
  const faces = new Float32Array(triangles * 3);
  // Twice the area times the normal of each triangle.
  for (let t = 0; t < triangles; t++) {
    const [a, b, c] = [indices[t * 3]! * 3, indices[t * 3 + 1]! * 3, indices[t * 3 + 2]! * 3];
    const u = [0, 1, 2].map((k) => positions[b + k]! - positions[a + k]!);
    const v = [0, 1, 2].map((k) => positions[c + k]! - positions[a + k]!);
    faces[t * 3] = u[1]! * v[2]! - u[2]! * v[1]!;
    faces[t * 3 + 1] = u[2]! * v[0]! - u[0]! * v[2]!;
    faces[t * 3 + 2] = u[0]! * v[1]! - u[1]! * v[0]!;
  }
  const at = new Map<string, number[]>();
  const keyOf = (point: number): string =>
    `${positions[point * 3]!},${positions[point * 3 + 1]!},${positions[point * 3 + 2]!}`;
  const keys = Array.from({ length: positions.length / 3 }, (_, i) => keyOf(i));
  for (let i = 0; i < triangles * 3; i++) {
    const key = keys[indices[i]!]!;
    const list = at.get(key);
    const face = Math.floor(i / 3);
    if (list) list.push(face);
    else at.set(key, [face]);
  }
  const cosine = Math.cos((crease * Math.PI) / 180);
  const normals = new Float32Array(triangles * 9);
  const lengthOf = (f: number): number =>
    Math.hypot(faces[f * 3]!, faces[f * 3 + 1]!, faces[f * 3 + 2]!) || 1e-20;
  for (let i = 0; i < triangles * 3; i++) {
    const own = Math.floor(i / 3);
    const sum = [0, 0, 0];
    for (const other of at.get(keys[indices[i]!]!)!) {
      const along =
        (faces[own * 3]! * faces[other * 3]! +
          faces[own * 3 + 1]! * faces[other * 3 + 1]! +
          faces[own * 3 + 2]! * faces[other * 3 + 2]!) /
        (lengthOf(own) * lengthOf(other));
      if (other === own || along >= cosine)
        for (let k = 0; k < 3; k++) sum[k] = sum[k]! + faces[other * 3 + k]!;
    }
    const size = Math.hypot(sum[0]!, sum[1]!, sum[2]!);
    if (size > 0) for (let k = 0; k < 3; k++) normals[i * 3 + k] = sum[k]! / size;
    else normals[i * 3 + 1] = 1;
  }
  return normals;
};
