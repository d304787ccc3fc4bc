/**
 * The plain bright room that metal and glass mirror where an effect has no surroundings of its own, worked out for every
 * roughness. Prefiltering: Karis, "Real Shading in Unreal Engine 4", SIGGRAPH 2013 course notes, with view and normal along
 * the reflected ray; roughness of a level as three.js reads it, 1 - sqrt(1 - level / last).
 */
import { normalise, type Vec3 } from '../maths/vec3';

/** Light above, a window at the side, a dim floor; linear, 1 is the white of a sheet of paper. */
export const roomLight = ([x, y, z]: Vec3): number => lightFrom(x, y, z);

/** Squared distance from the middle of the window, in widths of it, beyond which less than a millionth of it is left. */
const BEYOND = 14;
/** As numbers, not as a vector: it is asked a million times while a page opens. */
const lightFrom = (x: number, y: number, z: number): number => {
  const up = (2 * Math.asin(Math.min(1, Math.max(-1, y)))) / Math.PI;
  const wall = 0.35 + (up > 0 ? 0.45 : 0.2) * up;
  const above = (up - 0.35) / 0.3;
  if (above * above > BEYOND) return wall;
  const across = (Math.atan2(z, x) / (2 * Math.PI) + 0.2) / 0.07;
  const off = across * across + above * above;
  return off > BEYOND ? wall : wall + 3 * Math.exp(-off);
};

/** The faces of a cube map, as OpenGL names its sides: where the middle of a pixel looks. */
const lookOf = (face: number, s: number, t: number): Vec3 => {
  const [a, b] = [2 * s - 1, 2 * t - 1];
  const looks: readonly Vec3[] = [
    [1, -b, -a],
    [-1, -b, a],
    [a, 1, b],
    [a, -1, -b],
    [a, -b, 1],
    [-a, -b, -1],
  ];
  return normalise(looks[face]!);
};

/** Points spread evenly over a square: Hammersley. */
const spread = (i: number, count: number): readonly [number, number] => {
  let bits = i >>> 0;
  let part = 0;
  for (let k = 0.5; bits > 0; k /= 2, bits >>>= 1) part += k * (bits & 1);
  return [i / count, part];
};

/** Directions around +Z that a surface of this roughness mirrors, with their weights: x, y, z, weight, one after the other. */
const lobeOf = (roughness: number, count: number): Float64Array => {
  const alpha = roughness * roughness;
  const lobe: number[] = [];
  for (let i = 0; i < count; i++) {
    const [u, v] = spread(i, count);
    const cos = Math.sqrt((1 - v) / (1 + (alpha * alpha - 1) * v));
    const sin = Math.sqrt(1 - cos * cos);
    const turn = 2 * Math.PI * u;
    // The half vector mirrors the view, which looks along the normal.
    const z = 2 * cos * cos - 1;
    if (z > 0) lobe.push(2 * cos * sin * Math.cos(turn), 2 * cos * sin * Math.sin(turn), z, z);
  }
  return Float64Array.from(lobe);
};

const mirroredLight = (n: Vec3, lobe: Float64Array): number => {
  const aside: Vec3 = Math.abs(n[1]) < 0.99 ? [0, 1, 0] : [1, 0, 0];
  const t = normalise([
    aside[1] * n[2] - aside[2] * n[1],
    aside[2] * n[0] - aside[0] * n[2],
    aside[0] * n[1] - aside[1] * n[0],
  ]);
  const b: Vec3 = [n[1] * t[2] - n[2] * t[1], n[2] * t[0] - n[0] * t[2], n[0] * t[1] - n[1] * t[0]];
  const [tx, ty, tz] = t;
  const [bx, by, bz] = b;
  const [nx, ny, nz] = n;
  let sum = 0;
  let weight = 0;
  for (let i = 0; i < lobe.length; i += 4) {
    const x = lobe[i]!;
    const y = lobe[i + 1]!;
    const z = lobe[i + 2]!;
    const w = lobe[i + 3]!;
    sum += w * lightFrom(tx * x + bx * y + nx * z, ty * x + by * y + ny * z, tz * x + bz * y + nz * z);
    weight += w;
  }
  return sum / weight;
};

export interface RoomLevel {
  /** Pixels along each side. */
  readonly size: number;
  readonly roughness: number;
  /** Six faces (+x, -x, +y, -y, +z, -z), each row by row. */
  readonly faces: readonly Float32Array[];
}

const SIZE = 64;
const LAST = 3;

/** From a mirror to what is wholly rough. `toWorld` turns where a face looks into the room's own direction. */
export const roomLevels = (toWorld: (look: Vec3) => Vec3 = (look) => look): RoomLevel[] =>
  Array.from({ length: LAST + 1 }, (_, level) => {
    const size = SIZE >> level;
    const roughness = 1 - Math.sqrt(1 - level / LAST);
    const lobe = level === 0 ? null : lobeOf(roughness, 32 << level);
    const faces = Array.from({ length: 6 }, (_f, face) => {
      const values = new Float32Array(size * size);
      for (let y = 0; y < size; y++)
        for (let x = 0; x < size; x++) {
          const look = toWorld(lookOf(face, (x + 0.5) / size, (y + 0.5) / size));
          values[y * size + x] = lobe ? mirroredLight(look, lobe) : roomLight(look);
        }
      return values;
    });
    return { size, roughness, faces };
  });
