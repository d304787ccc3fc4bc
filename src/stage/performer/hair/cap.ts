/** Hair that lies on the skull: a shell from a whorl or knot to the hairline. */
import { BufferGeometry, Float32BufferAttribute } from 'three';
import { SKULL } from '../../../core/face/head-shell';
import { interpolate, smoothstep } from '../../../core/maths/scalar';
import { dot, length, normalise, scale, add, type Vec3 } from '../../../core/maths/vec3';
import { shapedPoint, type HeadShape } from '../../../core/face/head-shape';

/** Height of the hairline by degrees from the front, the same on both sides. */
export type Hairline = readonly (readonly [number, number])[];
export const SHORT_HAIRLINE: Hairline = [
  [0, 0.073],
  [20, 0.0745],
  [38, 0.078],
  [52, 0.066],
  [64, 0.045],
  [74, 0.02],
  [81, 0.002],
  [88, 0.006],
  [97, 0.032],
  [112, 0.03],
  [124, 0],
  [142, -0.04],
  [180, -0.052],
];
export const SOFT_HAIRLINE: Hairline = [
  [0, 0.0765],
  [30, 0.0745],
  [50, 0.06],
  [64, 0.039],
  [75, 0.018],
  [82, 0.008],
  [92, 0.026],
  [110, 0.028],
  [124, 0],
  [145, -0.045],
  [180, -0.055],
];

/** For ground that hanging hair covers: well back from the forehead. */
export const COVERED_HAIRLINE: Hairline = SOFT_HAIRLINE.map(([degrees, y]) => [
  degrees,
  degrees < 60 ? y + 0.016 : y,
]);

const [CX, CY, CZ] = SKULL.centre;
const [RX, RY, RZ] = SKULL.radii;

/** Unit-sphere coordinates of a point of the skull at this height and direction. */
const onSkull = (degrees: number, y: number): Vec3 => {
  const a = (degrees * Math.PI) / 180;
  const t = (y - CY) / RY;
  // Below its middle the skull goes over into the neck instead of closing.
  const radial = Math.sqrt(Math.max(0, 1 - t * t * (t < 0 ? 0.85 : 1)));
  return [Math.sin(a) * radial, t, Math.cos(a) * radial];
};

const between = (a: Vec3, b: Vec3, t: number): Vec3 => {
  const [la, lb] = [length(a), length(b)];
  const [na, nb] = [normalise(a), normalise(b)];
  const angle = Math.acos(Math.min(1, Math.max(-1, dot(na, nb))));
  if (angle < 1e-4) return a;
  const dir = scale(
    add(scale(na, Math.sin((1 - t) * angle)), scale(nb, Math.sin(t * angle))),
    1 / Math.sin(angle),
  );
  return scale(dir, la * (1 - t) + lb * t);
};

export interface CapOptions {
  readonly hairline: Hairline;
  /** Where the hair comes from, as a direction from the middle of the skull. */
  readonly pole: Vec3;
  /** Height over the skull in metres; `v` runs from the pole to the hairline, `y` is the height on the head. */
  readonly lift: (v: number, y: number, degrees: number) => number;
  readonly shape: HeadShape;
}

const AROUND = 96;
const DOWN = 22;

/** A point of the shell: `v` 0 at the pole, 1 at the hairline, more beyond it. */
export const capPoint = (
  { hairline, pole, lift, shape }: Pick<CapOptions, 'hairline' | 'pole' | 'lift' | 'shape'>,
  degrees: number,
  v: number,
): Vec3 => {
  const dir = between(normalise(pole), onSkull(degrees, interpolate(hairline, Math.abs(degrees))), v);
  const high = lift(v, CY + dir[1] * RY, degrees);
  return shapedPoint(
    [CX + dir[0] * (RX + high), CY + dir[1] * (RY + high), CZ + dir[2] * (RZ + high)],
    shape,
  );
};

export const capGeometry = (options: CapOptions): BufferGeometry => {
  const positions: number[] = [];
  const uv: number[] = [];
  const index: number[] = [];
  for (let j = 0; j <= DOWN; j++)
    for (let i = 0; i <= AROUND; i++) {
      const degrees = -180 + (360 * i) / AROUND;
      const v = j / DOWN;
      positions.push(...capPoint(options, degrees, v));
      uv.push(i / AROUND, v);
    }
  for (let j = 0; j < DOWN; j++)
    for (let i = 0; i < AROUND; i++) {
      const a = j * (AROUND + 1) + i;
      const b = a + AROUND + 1;
      index.push(a, b, a + 1, a + 1, b, b + 1);
    }
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new Float32BufferAttribute(positions, 3));
  geometry.setAttribute('uv', new Float32BufferAttribute(uv, 2));
  geometry.setAttribute('loose', new Float32BufferAttribute(new Float32Array(positions.length / 3), 1));
  geometry.setIndex(index);
  geometry.computeVertexNormals();
  return geometry;
};

/** Thin at the hairline, full on top. */
export const fullOnTop =
  (high: number) =>
  (v: number, y: number): number =>
    high * (0.45 + 0.55 * smoothstep(0.03, 0.11, y)) * (1 - 0.82 * smoothstep(0.72, 1, v));
