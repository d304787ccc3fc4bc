/**
 * The face drawn onto another surface, as a skin that would rather stay in shape: each landmark to the nearest point of the
 * surface, free to slide along it, its neighbours going along; stiffly at first, then less and less. After Amberg, Romdhani
 * and Vetter, "Optimal Step Nonrigid ICP Algorithms for Surface Registration" (2007), with a membrane that bends (squared
 * Laplacian of the moves) in the place of local affine maps, and distances to the tangent planes.
 */
import type { Surface } from '../../maths/surface-distance';
import { add, cross, distance, dot, length, pointAt, scale, subtract, type Vec3 } from '../../maths/vec3';
import { neighbours } from '../harmonic';
import { FACE_LANDMARKS, OVAL } from '../landmarks';
import { NEUTRAL_FACE, OPEN_TRIANGLES } from '../neutral';

export type Segment = readonly [Vec3, Vec3];

const LANDMARKS: readonly Vec3[] = Array.from({ length: FACE_LANDMARKS }, (_, i) => pointAt(NEUTRAL_FACE, i));
const ADJACENT = neighbours(FACE_LANDMARKS, OPEN_TRIANGLES);

/** Stiffness of the first and of the last round. */
const STIFF = 12;
const SOFT = 0.05;
const ROUNDS = 16;
/** How much of the way along the surface counts, against that to it. */
const SLIDES = 0.08;
/** Cosine of the angle between both surfaces beyond which they do not belong together. */
const FACES = 0.4;

/** The nearest point of some segments. */
export const nearestOn = (segments: readonly Segment[], p: Vec3): Vec3 => {
  let [best, least] = [p, Infinity];
  for (const [a, b] of segments) {
    const along = subtract(b, a);
    const t = Math.min(1, Math.max(0, dot(subtract(p, a), along) / (dot(along, along) || 1)));
    const on = add(a, scale(along, t));
    const d = distance(p, on);
    if (d < least) [best, least] = [on, d];
  }
  return best;
};

/** Directions the skin of the face looks in, not made unit: larger triangles count more. */
const normalsOf = (at: readonly Vec3[]): Vec3[] => {
  const normals = at.map((): Vec3 => [0, 0, 0]);
  for (let t = 0; t < OPEN_TRIANGLES.length; t += 3) {
    const [a, b, c] = [0, 1, 2].map((k) => OPEN_TRIANGLES[t + k]!) as [number, number, number];
    const n = cross(subtract(at[b]!, at[a]!), subtract(at[c]!, at[a]!));
    for (const i of [a, b, c]) normals[i] = add(normals[i]!, n);
  }
  return normals;
};

/** Where a landmark is drawn to, and how much that counts along x, y, z: a symmetric matrix, xx xy xz yy yz zz. */
interface Pull {
  readonly to: Vec3;
  readonly by: readonly [number, number, number, number, number, number];
}

const pullTo = (to: Vec3, normal: Vec3, slides: number): Pull => {
  const [x, y, z] = normal;
  const k = 1 - slides;
  return {
    to,
    by: [k * x * x + slides, k * x * y, k * x * z, k * y * y + slides, k * y * z, k * z * z + slides],
  };
};

const laplacian = (m: Float64Array, into: Float64Array): void => {
  into.fill(0);
  for (let i = 0; i < FACE_LANDMARKS; i++) {
    const near = ADJACENT[i]!;
    if (near.length === 0) continue;
    for (let k = 0; k < 3; k++) {
      let sum = 0;
      for (const n of near) sum += m[3 * n + k]!;
      into[3 * i + k] = m[3 * i + k]! - sum / near.length;
    }
  }
};
const transposed = (m: Float64Array, into: Float64Array): void => {
  into.fill(0);
  for (let i = 0; i < FACE_LANDMARKS; i++) {
    const near = ADJACENT[i]!;
    if (near.length === 0) continue;
    for (let k = 0; k < 3; k++) {
      into[3 * i + k]! += m[3 * i + k]!;
      const share = m[3 * i + k]! / near.length;
      for (const n of near) into[3 * n + k]! -= share;
    }
  }
};

/** Moves that follow the pulls and bend as little as `stiff` asks, by conjugate gradients from `moves` on. */
const bent = (moves: Float64Array, pulls: readonly (Pull | null)[], stiff: number): Float64Array => {
  const size = 3 * FACE_LANDMARKS;
  const [once, twice] = [new Float64Array(size), new Float64Array(size)];
  const times = (m: Float64Array, out: Float64Array): void => {
    laplacian(m, once);
    transposed(once, twice);
    for (let i = 0; i < FACE_LANDMARKS; i++) {
      const [x, y, z] = [m[3 * i]!, m[3 * i + 1]!, m[3 * i + 2]!];
      const b = pulls[i]?.by ?? [0, 0, 0, 0, 0, 0];
      // What nothing pulls at is held where it is by a hair.
      out[3 * i] = stiff * twice[3 * i]! + 1e-6 * x + b[0] * x + b[1] * y + b[2] * z;
      out[3 * i + 1] = stiff * twice[3 * i + 1]! + 1e-6 * y + b[1] * x + b[3] * y + b[4] * z;
      out[3 * i + 2] = stiff * twice[3 * i + 2]! + 1e-6 * z + b[2] * x + b[4] * y + b[5] * z;
    }
  };
  const x = moves.slice();
  const r = new Float64Array(size);
  times(x, r);
  for (let i = 0; i < FACE_LANDMARKS; i++) {
    const pull = pulls[i];
    const [dx, dy, dz] = pull ? subtract(pull.to, LANDMARKS[i]!) : [0, 0, 0];
    const b = pull?.by ?? [0, 0, 0, 0, 0, 0];
    r[3 * i] = b[0] * dx + b[1] * dy + b[2] * dz - r[3 * i]!;
    r[3 * i + 1] = b[1] * dx + b[3] * dy + b[4] * dz - r[3 * i + 1]!;
    r[3 * i + 2] = b[2] * dx + b[4] * dy + b[5] * dz - r[3 * i + 2]!;
  }
  const p = r.slice();
  const q = new Float64Array(size);
  let rr = r.reduce((s, v) => s + v * v, 0);
  for (let n = 0; n < 120 && rr > 1e-16; n++) {
    times(p, q);
    const a = rr / p.reduce((s, v, i) => s + v * q[i]!, 0);
    for (let i = 0; i < size; i++) {
      x[i]! += a * p[i]!;
      r[i]! -= a * q[i]!;
    }
    const next = r.reduce((s, v) => s + v * v, 0);
    for (let i = 0; i < size; i++) p[i] = r[i]! + (next / rr) * p[i]!;
    rr = next;
  }
  return x;
};

/** An end of the surface farther than this from the edge of the face sticks out, metres. */
const STICKS_OUT = 0.003;

/**
 * Where the edge of the face is drawn to: each landmark to the nearest end of the surface; but an end that sticks out, such as
 * the tip of a chin drawn to a point, draws the landmark that is nearest to it.
 */
const edgePulls = (now: readonly Vec3[], border: readonly Segment[]): ReadonlyMap<number, Vec3> => {
  if (border.length === 0) return new Map();
  const pulls = new Map<number, Vec3>(OVAL.map((i) => [i, nearestOn(border, now[i]!)]));
  const edge = OVAL.map((i, n): Segment => [now[i]!, now[OVAL[(n + 1) % OVAL.length]!]!]);
  const farthest = new Map<number, number>();
  for (const [end] of border) {
    const off = distance(nearestOn(edge, end), end);
    if (off < STICKS_OUT) continue;
    let [best, least] = [OVAL[0] as number, Infinity];
    for (const i of OVAL) {
      const d = distance(now[i]!, end);
      if (d < least) [best, least] = [i, d];
    }
    if (off > (farthest.get(best) ?? 0)) {
      farthest.set(best, off);
      pulls.set(best, end);
    }
  }
  return pulls;
};

/**
 * How far each landmark of the neutral face moves to lie on `surface` (head space, metres), x, y, z one after the other. Where
 * the surface ends at the edge of the face, `border` are its ends and edge is drawn to edge; else `border` is empty.
 */
export const drawnOnto = (surface: Surface, border: readonly Segment[]): Float32Array => {
  let moves: Float64Array = new Float64Array(3 * FACE_LANDMARKS);
  for (let round = 0; round < ROUNDS; round++) {
    const stiff = STIFF * (SOFT / STIFF) ** (round / (ROUNDS - 1));
    const now = LANDMARKS.map((p, i) => add(p, pointAt(moves, i)));
    const normals = normalsOf(now);
    const edge = edgePulls(now, border);
    const pulls = now.map((p, i): Pull | null => {
      const there = edge.get(i);
      if (there) return pullTo(there, [0, 0, 1], 1);
      const hit = surface.hit(p);
      if (!hit) return null;
      const own = normals[i]!;
      const cos = Math.abs(dot(own, hit.normal)) / (length(own) || 1);
      return cos < FACES && length(own) > 0 ? null : pullTo(hit.point, hit.normal, SLIDES);
    });
    moves = bent(moves, pulls, stiff);
  }
  return Float32Array.from(moves);
};
