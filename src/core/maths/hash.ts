/** Hashes that are the same on every machine. */

/** A number of 32 bits, not below 0, from a text: FNV-1a (Fowler, Noll and Vo). */
export const fnv1a = (text: string): number => {
  let hash = 0x811c9dc5;
  for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193);
  return hash >>> 0;
};

/**
 * The same in a shader too, since it is made of whole numbers alone.
 * pcg3d of Jarzynski and Olano, "Hash Functions for GPU Rendering", JCGT 9 (2020).
 */
export const pcg3d = (x: number, y: number, z: number): readonly [number, number, number] => {
  const next = (v: number): number => (Math.imul(v, 1664525) + 1013904223) | 0;
  let [a, b, c] = [next(x), next(y), next(z)];
  const mix = (): void => {
    a = (a + Math.imul(b, c)) | 0;
    b = (b + Math.imul(c, a)) | 0;
    c = (c + Math.imul(a, b)) | 0;
  };
  mix();
  a ^= a >>> 16;
  b ^= b >>> 16;
  c ^= c >>> 16;
  mix();
  return [a >>> 0, b >>> 0, c >>> 0];
};

/** The same in GLSL ES 3.00. */
export const PCG3D_GLSL = `
  uvec3 pcg3d(uvec3 v) {
    v = v * 1664525u + 1013904223u;
    v.x += v.y * v.z; v.y += v.z * v.x; v.z += v.x * v.y;
    v ^= v >> 16u;
    v.x += v.y * v.z; v.y += v.z * v.x; v.z += v.x * v.y;
    return v;
  }
`;
