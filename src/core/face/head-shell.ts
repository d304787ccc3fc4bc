/**
 * The whole head around a face: the 468 landmarks closed by rings that run from the outline of the face over
 * an ellipsoid skull to a pole at the back. Used by the head occluder and by the performers.
 */
import { OVAL, FACE_LANDMARKS } from './landmarks';
import { TRIANGLES, UV } from './neutral';
import { smoothstep } from '../maths/scalar';

/** Centre, half-axes and back pole of the skull in head space, metres. */
export const SKULL = {
  centre: [0, 0.03, -0.032],
  radii: [0.0795, 0.097, 0.092],
  pole: [0, 0.032, -0.124],
} as const;

const RINGS = [0.12, 0.25, 0.4, 0.55, 0.7, 0.85];
const AROUND = OVAL.length;

/** Points of the shell: the face, six rings, the pole. */
export const SHELL_POINTS = FACE_LANDMARKS + RINGS.length * AROUND + 1;

const ringTriangles = (): number[] => {
  const out: number[] = [];
  const point = (ring: number, j: number) =>
    ring === 0 ? OVAL[j % AROUND]! : FACE_LANDMARKS + (ring - 1) * AROUND + (j % AROUND);
  for (let ring = 0; ring < RINGS.length; ring++)
    for (let j = 0; j < AROUND; j++) {
      const [a, b, c, d] = [point(ring, j), point(ring, j + 1), point(ring + 1, j), point(ring + 1, j + 1)];
      out.push(a, b, c, b, d, c);
    }
  for (let j = 0; j < AROUND; j++)
    out.push(point(RINGS.length, j), point(RINGS.length, j + 1), SHELL_POINTS - 1);
  return out;
};

export const SKULL_TRIANGLES: readonly number[] = ringTriangles();
/** Eyes and mouth filled: nothing shows through. */
export const SHELL_TRIANGLES: readonly number[] = [...TRIANGLES, ...SKULL_TRIANGLES];

/**
 * The shell for a face in head space (at least 468 x 3 numbers).
 * `out` is filled and returned when given, so that a frame allocates nothing.
 */
export const shellPositions = (
  face: ArrayLike<number>,
  out: Float32Array | Float64Array = new Float32Array(SHELL_POINTS * 3),
): Float32Array | Float64Array => {
  for (let i = 0; i < FACE_LANDMARKS * 3; i++) out[i] = face[i]!;
  const { centre, radii, pole } = SKULL;
  let at = FACE_LANDMARKS * 3;
  for (const t of RINGS) {
    for (const i of OVAL) {
      // The forehead goes over into the skull at once; under the jaw the way there is longer.
      const onSkull = smoothstep(0, 0.12 + 0.28 * smoothstep(0.03, -0.05, face[3 * i + 1]!), t);
      const q = [0, 1, 2].map((k) => face[3 * i + k]! * (1 - t) + pole[k]! * t);
      const d = q.map((x, k) => x - centre[k]!);
      const n = Math.hypot(d[0]! / radii[0], d[1]! / radii[1], d[2]! / radii[2]);
      for (let k = 0; k < 3; k++) out[at++] = q[k]! * (1 - onSkull) + (centre[k]! + d[k]! / n) * onSkull;
    }
  }
  for (let k = 0; k < 3; k++) out[at++] = pole[k]!;
  return out;
};

/** UV for the shell: the face's own, continued outwards over the skull. */
export const shellUv = (): number[] => {
  const uv = [...UV];
  for (const t of RINGS)
    for (const i of OVAL)
      uv.push(0.5 + (UV[2 * i]! - 0.5) * (1 + t * 0.2), 0.5 + (UV[2 * i + 1]! - 0.5) * (1 + t * 0.2));
  uv.push(0.5, -0.2);
  return uv;
};
