/**
 * Noise for surface circuits, the same in core and in a shader: both hash whole numbers.
 * Gradient noise: Perlin, "Improving Noise", SIGGRAPH 2002. Cells: Worley, "A Cellular Texture Basis Function", 1996.
 */
import { pcg3d, PCG3D_GLSL } from '../maths/hash';

const fade = (t: number): number => t * t * t * (t * (t * 6 - 15) + 10);
const lerp = (a: number, b: number, t: number): number => a + (b - a) * t;

/** One of twelve directions from the middle of a cube to its edges. */
const slope = (hash: number, x: number, y: number, z: number): number => {
  const h = hash & 15;
  const u = h < 8 ? x : y;
  const v = h < 4 ? y : h === 12 || h === 14 ? x : z;
  return ((h & 1) === 0 ? u : -u) + ((h & 2) === 0 ? v : -v);
};

/** Smooth noise, 0 to 1, in cells of size 1. */
export const noiseAt = ([x, y, z]: readonly number[]): number => {
  const cell = [Math.floor(x!), Math.floor(y!), Math.floor(z!)] as const;
  const f = [x! - cell[0], y! - cell[1], z! - cell[2]] as const;
  const corner = (i: number, j: number, k: number): number =>
    slope(pcg3d(cell[0] + i, cell[1] + j, cell[2] + k)[0], f[0] - i, f[1] - j, f[2] - k);
  const [u, v, w] = [fade(f[0]), fade(f[1]), fade(f[2])];
  const plane = (k: number): number =>
    lerp(lerp(corner(0, 0, k), corner(1, 0, k), u), lerp(corner(0, 1, k), corner(1, 1, k), u), v);
  return 0.5 + 0.5 * lerp(plane(0), plane(1), w);
};

/** Distance to the nearest of the points strewn one to a cell; 0 at a point, up to about 1. */
export const cellsAt = ([x, y, z]: readonly number[]): number => {
  const cell = [Math.floor(x!), Math.floor(y!), Math.floor(z!)] as const;
  const f = [x! - cell[0], y! - cell[1], z! - cell[2]] as const;
  let least = 4;
  for (let k = -1; k <= 1; k++)
    for (let j = -1; j <= 1; j++)
      for (let i = -1; i <= 1; i++) {
        const point = pcg3d(cell[0] + i, cell[1] + j, cell[2] + k).map((n) => (n >>> 8) / 16_777_216);
        const d = [i + point[0]! - f[0], j + point[1]! - f[1], k + point[2]! - f[2]] as const;
        least = Math.min(least, d[0] * d[0] + d[1] * d[1] + d[2] * d[2]);
      }
  return Math.sqrt(least);
};

export const NOISE_GLSL = /* glsl */ `
  ${PCG3D_GLSL}
  float sfSlope(ivec3 cell, ivec3 at, vec3 f) {
    uint h = pcg3d(uvec3(cell + at)).x & 15u;
    vec3 d = f - vec3(at);
    float u = h < 8u ? d.x : d.y;
    float v = h < 4u ? d.y : (h == 12u || h == 14u ? d.x : d.z);
    return ((h & 1u) == 0u ? u : -u) + ((h & 2u) == 0u ? v : -v);
  }
  float sfNoise(vec3 p) {
    vec3 base = floor(p);
    ivec3 cell = ivec3(base);
    vec3 f = p - base;
    vec3 w = f * f * f * (f * (f * 6.0 - 15.0) + 10.0);
    vec4 near = vec4(sfSlope(cell, ivec3(0, 0, 0), f), sfSlope(cell, ivec3(1, 0, 0), f),
      sfSlope(cell, ivec3(0, 1, 0), f), sfSlope(cell, ivec3(1, 1, 0), f));
    vec4 far = vec4(sfSlope(cell, ivec3(0, 0, 1), f), sfSlope(cell, ivec3(1, 0, 1), f),
      sfSlope(cell, ivec3(0, 1, 1), f), sfSlope(cell, ivec3(1, 1, 1), f));
    vec4 both = mix(near, far, w.z);
    vec2 rows = mix(both.xz, both.yw, w.x);
    return 0.5 + 0.5 * mix(rows.x, rows.y, w.y);
  }`;

export const CELLS_GLSL = /* glsl */ `
  ${'' /* pcg3d comes with the noise */}
  float sfCells(vec3 p) {
    vec3 base = floor(p);
    vec3 f = p - base;
    float least = 4.0;
    for (int k = -1; k <= 1; k++) for (int j = -1; j <= 1; j++) for (int i = -1; i <= 1; i++) {
      vec3 point = vec3(pcg3d(uvec3(ivec3(base) + ivec3(i, j, k))) >> 8u) / 16777216.0;
      vec3 d = vec3(i, j, k) + point - f;
      least = min(least, dot(d, d));
    }
    return sqrt(least);
  }`;
