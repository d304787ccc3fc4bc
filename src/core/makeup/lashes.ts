/** Lashes as geometry: thin bent blades that grow along the lids and go with them as they close. */
import { EYE_LEFT, EYE_RIGHT } from '../face/landmarks';
import { EYEBALL_LEFT, EYEBALL_RIGHT, UV } from '../face/neutral';
import { Random } from '../maths/random';
import { add, cross, length, normalise, pointAt, scale, subtract, type Vec3 } from '../maths/vec3';
import type { Degrees, Metres } from '../units';

export interface LashStyle {
  /** Factor on the usual length. */
  readonly length: number;
  readonly curl: Degrees;
  /** Factor on the usual number. */
  readonly density: number;
  readonly lower: boolean;
}

/** Lashes of an upper lid at a density of 1, and how long the longest is. */
const UPPER_COUNT = 88;
const UPPER_LENGTH: Metres = 0.0095;
const LOWER_COUNT = 42;
const LOWER_LENGTH: Metres = 0.0045;
/** About a pixel of a picture 720 wide: thicker ones read as a brush. */
const ROOT_WIDTH: Metres = 0.00034;
/** Pieces that each is bent in. */
export const LASH_PIECES = 4;
const SEED = 23;

/** The upper lid from the outer corner to the inner one, and the lower. */
const UPPER = (ring: readonly number[]): number[] => [ring[0]!, ...[...ring.slice(9)].reverse(), ring[8]!];
const LOWER = (ring: readonly number[]): number[] => ring.slice(0, 9);

/** A point on a line through others, `t` from 0 to 1 (Catmull-Rom, 1974). */
const alongLine = (points: readonly Vec3[], t: number): Vec3 => {
  const at = Math.min(points.length - 1.000001, Math.max(0, t * (points.length - 1)));
  const i = Math.floor(at);
  const f = at - i;
  const p = (k: number): Vec3 => points[Math.min(points.length - 1, Math.max(0, k))]!;
  const [a, b, c, d] = [p(i - 1), p(i), p(i + 1), p(i + 2)];
  const each = (k: 0 | 1 | 2): number =>
    0.5 *
    (2 * b[k] +
      (c[k] - a[k]) * f +
      (2 * a[k] - 5 * b[k] + 4 * c[k] - d[k]) * f * f +
      (3 * b[k] - a[k] - 3 * c[k] + d[k]) * f * f * f);
  return [each(0), each(1), each(2)];
};

/** Lashes on each eye for a style. */
export const lashCount = ({ density, lower }: LashStyle): number =>
  Math.round(UPPER_COUNT * density) + (lower ? Math.round(LOWER_COUNT * density) : 0);
/** Points each lash has: two at every joint, one at its tip. */
export const LASH_POINTS = 2 * LASH_PIECES + 1;

/** Corners of triangles that lash blades are made of, for `count` of them. */
export const lashTriangles = (count: number): Uint32Array => {
  const out: number[] = [];
  for (let l = 0; l < count; l++) {
    const from = l * LASH_POINTS;
    for (let p = 0; p < LASH_PIECES; p++) {
      const [a, b] = [from + 2 * p, from + 2 * p + 1];
      if (p === LASH_PIECES - 1) out.push(a, b, a + 2);
      else out.push(a, b, a + 2, a + 2, b, b + 2);
    }
  }
  return Uint32Array.from(out);
};

/** One lid's lashes, written one after the other. Blades lie across the way to the viewer, who stands at +Z. */
const lashesOf = (
  line: readonly Vec3[],
  ball: Vec3,
  way: 1 | -1,
  count: number,
  longest: Metres,
  curl: Degrees,
  random: Random,
  write: (point: Vec3) => void,
): void => {
  for (let l = 0; l < count; l++) {
    const jitter = random.next();
    const t = 0.03 + (0.94 * (l + 0.8 * jitter)) / count;
    const root = alongLine(line, t);
    const tangent = normalise(subtract(alongLine(line, t + 0.02), alongLine(line, t - 0.02)));
    // Out of the lid, away from the eyeball; towards the outer corner they fan out.
    const out = normalise(subtract(root, ball));
    // No two lean alike, and some lie together in a tuft.
    const lean = 0.16 * (random.next() - 0.5) + 0.1 * Math.sin(l * 1.9);
    const fan = scale(tangent, -0.55 * (1 - 1.6 * t) + lean);
    let along = normalise(add(out, fan));
    // Longest a little outside of the middle, short at both ends.
    const shape = Math.sin(Math.PI * Math.min(1, t * 0.86 + 0.14)) ** 0.6;
    const reach = longest * (0.55 + 0.45 * shape) * (0.82 + 0.36 * random.next()) * (t > 0.9 ? 0.6 : 1);
    const thick = 0.75 + 0.5 * random.next();
    const bend = ((curl * (0.85 + 0.3 * random.next())) / LASH_PIECES) * (Math.PI / 180);
    let at = root;
    for (let p = 0; p < LASH_PIECES; p++) {
      const width = ROOT_WIDTH * thick * (1 - p / LASH_PIECES) ** 0.6;
      const side = scale(normalise(cross(along, [0, 0, 1])), width / 2);
      const flat = length(side) > 0 ? side : scale(tangent, width / 2);
      write(add(at, flat));
      write(subtract(at, flat));
      at = add(at, scale(along, reach / LASH_PIECES));
      // Upper lashes are bent upwards, lower ones downwards.
      along = normalise(add(along, [0, way * Math.tan(bend), 0]));
    }
    write(at);
  }
};

/**
 * The blades of one eye's lashes in head space, x, y, z one after the other: `lashCount` times `LASH_POINTS` points, as
 * `lashTriangles` joins them. `landmarks` are those of the face in head space. The same every time for the same style.
 */
export const lashPoints = (
  landmarks: ArrayLike<number>,
  eye: 'left' | 'right',
  style: LashStyle,
): Float32Array => {
  const ring = eye === 'left' ? EYE_LEFT : EYE_RIGHT;
  const ball: Vec3 = eye === 'left' ? EYEBALL_LEFT : EYEBALL_RIGHT;
  const out = new Float32Array(lashCount(style) * LASH_POINTS * 3);
  const random = new Random(SEED);
  let i = 0;
  const write = (point: Vec3): void => {
    out.set(point, i);
    i += 3;
  };
  const line = (indices: readonly number[]): Vec3[] => indices.map((k) => pointAt(landmarks, k));
  const upper = Math.round(UPPER_COUNT * style.density);
  lashesOf(line(UPPER(ring)), ball, 1, upper, UPPER_LENGTH * style.length, style.curl, random, write);
  if (style.lower)
    lashesOf(
      line(LOWER(ring)),
      ball,
      -1,
      Math.round(LOWER_COUNT * style.density),
      LOWER_LENGTH * style.length,
      style.curl * 0.5,
      random,
      write,
    );
  return out;
};

/**
 * Where on the face layout the roots of one eye's lashes are: u, v for each of the points that `lashPoints` gives, a lash's all alike.
 */
export const lashRoots = (eye: 'left' | 'right', style: LashStyle): Float32Array => {
  const ring = eye === 'left' ? EYE_LEFT : EYE_RIGHT;
  const out = new Float32Array(lashCount(style) * LASH_POINTS * 2);
  const upper = Math.round(UPPER_COUNT * style.density);
  const rooted = (indices: readonly number[], from: number, count: number): void => {
    const line = indices.map((k): Vec3 => [UV[2 * k]!, UV[2 * k + 1]!, 0]);
    for (let l = 0; l < count; l++) {
      const [u, v] = alongLine(line, 0.03 + (0.94 * (l + 0.4)) / count);
      for (let p = 0; p < LASH_POINTS; p++) out.set([u, v], 2 * ((from + l) * LASH_POINTS + p));
    }
  };
  rooted(UPPER(ring), 0, upper);
  if (style.lower) rooted(LOWER(ring), upper, lashCount(style) - upper);
  return out;
};
