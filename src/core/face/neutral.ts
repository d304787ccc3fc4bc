/**
 * The neutral face: the topology's 468 points in metres with the lips closed and the eyes a little open,
 * as every fit and every performer starts from it.
 */
import { EYE_LEFT, EYE_RIGHT, INNER_LIP_LOWER, INNER_LIP_UPPER } from './landmarks';
import { FACE_TRIANGLES, FACE_UV, NEUTRAL_POSITIONS } from './topology.data';

const restFace = (): Float64Array => {
  const p = Float64Array.from(NEUTRAL_POSITIONS);
  for (let k = 1; k < INNER_LIP_UPPER.length - 1; k++) {
    const u = INNER_LIP_UPPER[k]!;
    const l = INNER_LIP_LOWER[k]!;
    const y = (p[3 * u + 1]! + p[3 * l + 1]!) / 2;
    const z = (p[3 * u + 2]! + p[3 * l + 2]!) / 2;
    p[3 * u + 1] = y + 0.0001;
    p[3 * l + 1] = y - 0.0001;
    p[3 * u + 2] = (p[3 * u + 2]! + z) / 2;
    p[3 * l + 2] = (p[3 * l + 2]! + z) / 2;
  }
  for (const eye of [EYE_RIGHT, EYE_LEFT])
    for (let k = 9; k < 16; k++) p[3 * eye[k]! + 1]! += 0.0014 * Math.sin((Math.PI * (k - 8)) / 8);
  return p;
};

/** 468 x (x, y, z), metres, head space. */
export const NEUTRAL_FACE: Readonly<Float64Array> = restFace();
/** 468 x (u, v), v down. */
export const UV: readonly number[] = FACE_UV;
/** All 898 triangles; eyes and mouth are filled. */
export const TRIANGLES: readonly number[] = FACE_TRIANGLES;

const within = (set: ReadonlySet<number>, a: number, b: number, c: number) =>
  set.has(a) && set.has(b) && set.has(c);

const HOLES = [
  new Set<number>([...INNER_LIP_UPPER, ...INNER_LIP_LOWER]),
  new Set<number>(EYE_RIGHT),
  new Set<number>(EYE_LEFT),
];
const trianglesThat = (fillHoles: boolean): readonly number[] => {
  const kept: number[] = [];
  for (let t = 0; t < TRIANGLES.length; t += 3) {
    const [a, b, c] = [TRIANGLES[t]!, TRIANGLES[t + 1]!, TRIANGLES[t + 2]!];
    if (HOLES.some((hole) => within(hole, a, b, c)) === fillHoles) kept.push(a, b, c);
  }
  return kept;
};

/** Triangles without those that fill the eyes and the mouth. */
export const OPEN_TRIANGLES: readonly number[] = trianglesThat(false);
/** Those that fill the eyes and the mouth. */
export const OPENING_TRIANGLES: readonly number[] = trianglesThat(true);

/** Forehead top (10) to chin (152) of the neutral face, metres. */
export const NEUTRAL_HEIGHT = NEUTRAL_FACE[31]! - NEUTRAL_FACE[152 * 3 + 1]!;

/** Centres of the eyeballs and their radius, head space, metres. */
export const EYEBALL_RADIUS = 0.0128;
const centreOf = (ring: readonly number[]): [number, number, number] => {
  const c: [number, number, number] = [0, 0, 0];
  for (const i of ring) for (let k = 0; k < 3; k++) c[k]! += NEUTRAL_FACE[3 * i + k]! / ring.length;
  return c;
};
const [rx, ry, rz] = centreOf(EYE_RIGHT);
const [lx, ly, lz] = centreOf(EYE_LEFT);
export const EYEBALL_RIGHT = [rx * 0.98, ry, rz - 0.0082] as const;
export const EYEBALL_LEFT = [lx * 0.98, ly, lz - 0.0082] as const;
