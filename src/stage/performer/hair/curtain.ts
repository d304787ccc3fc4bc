/** Hair that hangs: a shell from a parting over the skull and down, as far as a table says. */
import { BufferGeometry, Float32BufferAttribute } from 'three';
import { SKULL } from '../../../core/face/head-shell';
import { clamp, interpolate, smoothstep } from '../../../core/maths/scalar';
import type { Vec3 } from '../../../core/maths/vec3';
import { shapedPoint, type HeadShape } from '../../../core/face/head-shape';

/** How far the hair reaches down, by degrees from the front (sign: side). */
export type Ends = readonly (readonly [number, number])[];

/** The same on both sides. */
const mirror = (half: Ends): Ends => [
  ...half
    .slice(1)
    .reverse()
    .map(([degrees, y]) => [-degrees, y] as const),
  ...half,
];

/** A fringe swept to one side, the cheeks, the nape. */
export const BOB_ENDS: Ends = [
  [-180, -0.088],
  [-110, -0.08],
  [-74, -0.07],
  [-62, -0.045],
  [-52, 0.004],
  [-42, 0.036],
  [-30, 0.05],
  [-12, 0.064],
  [8, 0.078],
  [18, 0.083],
  [28, 0.08],
  [40, 0.06],
  [50, 0.02],
  [62, -0.045],
  [74, -0.07],
  [110, -0.08],
  [180, -0.088],
];
/** Parted in the middle, behind the cheeks, down to the chest. */
export const LONG_ENDS: Ends = mirror([
  [0, 0.09],
  [10, 0.085],
  [28, 0.07],
  [46, 0.045],
  [60, 0],
  [68, -0.12],
  [76, -0.2],
  [100, -0.205],
  [180, -0.2],
]);
/** Straight over the brows, then down to the jaw behind the cheeks. */
export const FRINGE_ENDS: Ends = mirror([
  [0, 0.066],
  [20, 0.065],
  [40, 0.061],
  [56, 0.046],
  [66, -0.01],
  [74, -0.052],
  [84, -0.062],
  [110, -0.068],
  [180, -0.07],
]);

export interface CurtainOptions {
  readonly ends: Ends;
  readonly lift: number;
  readonly shape: HeadShape;
  /** Sideways place of the parting, metres. */
  readonly partAt: number;
  readonly wave?: number;
  /** Where it begins at the sides and behind: what a further shell covers is not drawn twice. Before the face both are seen, one behind the other. */
  readonly from?: number;
}

const AROUND = 108;
const DOWN = 28;
/** Degrees to which hair hangs before the face. */
const BEFORE = 80;
const [CX, CY, CZ] = SKULL.centre;
const [RX, RY, RZ] = SKULL.radii;

/** A point of the hair: 0 at the parting to 1 at the end. */
const hairPoint = ({ ends, lift }: CurtainOptions, degrees: number, down: number): Vec3 => {
  const a = (degrees * Math.PI) / 180;
  const end = interpolate(ends, degrees);
  // Height runs from the parting towards the end, slowly at first; below the skull the hair hangs.
  const top = CY + RY + lift;
  const y = top + (end - top) * (1 - Math.cos((down * Math.PI) / 2)) ** 0.82;
  const t = clamp((y - CY) / (RY + lift), 0, 1);
  const radial = y >= CY ? Math.sqrt(Math.max(0, 1 - t * t)) : 1;
  const below = Math.max(0, CY - y);
  const short = Math.min(below, 0.13);
  const hang = 1 + 0.75 * short * (1 - 1.15 * smoothstep(0.05, 0.125, short));
  const front = smoothstep(75, 40, Math.abs(degrees));
  const full = lift * (1 - 0.55 * front * smoothstep(0.55, 1, down));
  // Long hair lies over the shoulders: forward at the sides, backward behind.
  const drape = smoothstep(-0.1, -0.19, y);
  const aside = smoothstep(45, 60, Math.abs(degrees)) * smoothstep(108, 84, Math.abs(degrees));
  const x = CX + Math.sin(a) * (RX + full) * radial * hang;
  return [
    x * (1 - 0.12 * drape * aside),
    y,
    CZ +
      Math.cos(a) * (RZ + full + 0.004 * front) * radial * (1 + 0.25 * short) +
      drape * (0.052 * aside - 0.055 * smoothstep(100, 130, Math.abs(degrees))),
  ];
};

/** How freely hair at this height hangs. */
export const looseAt = (y: number): number => smoothstep(0.02, -0.1, y);

/** A point of the shell of a head of this shape: 0 at the parting, 1 at the ends, more beyond them. */
export const curtainPoint = (options: CurtainOptions, degrees: number, down: number): Vec3 => {
  const { shape, partAt, wave = 0.0022 } = options;
  // Waves run down the lengths; strands lean away from the parting.
  const ripple =
    wave * Math.sin(((degrees + 180) / 360) * AROUND * 0.7 + down * DOWN * 0.16) * smoothstep(0.3, 1, down);
  const [x, y, z] = hairPoint(options, degrees, down);
  const near = 1 - smoothstep(0, 0.6, down);
  const k = 1 + ripple / 0.08;
  return shapedPoint([x * k + partAt * near, y, CZ + (z - CZ) * k + 0.012 * near * Math.sign(partAt)], shape);
};

export const curtainGeometry = (options: CurtainOptions): BufferGeometry => {
  const positions: number[] = [];
  const uv: number[] = [];
  const loose: number[] = [];
  const index: number[] = [];
  for (let j = 0; j <= DOWN; j++)
    for (let i = 0; i <= AROUND; i++) {
      const degrees = -180 + (360 * i) / AROUND;
      const down = j / DOWN;
      positions.push(...curtainPoint(options, degrees, down));
      loose.push(looseAt(hairPoint(options, degrees, down)[1]));
      uv.push(i / AROUND + 0.05 * down * Math.sign(degrees || 1), down);
    }
  const { from = 0 } = options;
  for (let j = 0; j < DOWN; j++)
    for (let i = 0; i < AROUND; i++) {
      const degrees = Math.abs(-180 + (360 * (i + 0.5)) / AROUND);
      if (degrees > BEFORE && (j + 1) / DOWN <= from) continue;
      const a = j * (AROUND + 1) + i;
      const b = a + AROUND + 1;
      index.push(a, b, a + 1, a + 1, b, b + 1);
    }
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new Float32BufferAttribute(positions, 3));
  geometry.setAttribute('uv', new Float32BufferAttribute(uv, 2));
  geometry.setAttribute('loose', new Float32BufferAttribute(loose, 1));
  geometry.setIndex(index);
  geometry.computeVertexNormals();
  return geometry;
};
