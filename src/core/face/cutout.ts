/** A part of a face cut out of the camera picture: the window it is seen through, and the outline of the part in it. */
import { smoothstep } from '../maths/scalar';
import { rotate } from '../maths/quaternion';
import { toLocal, toOuter, type Pose } from '../maths/pose';
import { add, length, pointAt, scale, type Vec3 } from '../maths/vec3';
import type { Metres, Unit } from '../units';
import type { CutoutPart } from './cutout-parts';
import { EYE_LEFT, EYE_RIGHT, NOSE, OUTER_LIP_LOWER, OUTER_LIP_UPPER, OVAL } from './landmarks';
import { NEUTRAL_FACE } from './neutral';
import { spotOnFace, type Spot } from './skin-spot';

const ring = (upper: readonly number[], lower: readonly number[]): readonly number[] => [
  ...upper,
  ...[...lower].reverse().slice(1, -1),
];
const OUTLINES: Readonly<Record<Exclude<CutoutPart, 'drawn'>, readonly number[]>> = {
  mouth: ring(OUTER_LIP_UPPER, OUTER_LIP_LOWER),
  leftEye: EYE_LEFT,
  rightEye: EYE_RIGHT,
  nose: NOSE,
  face: OVAL,
};

/** Corners of an outline that the drawing takes. */
export const MOST_CORNERS = 48;

/** The part's outline on a face, in head space. A drawn outline is found again by its spots. */
export const partOutline = (landmarks: Float32Array, part: CutoutPart, drawn: readonly Spot[] = []): Vec3[] =>
  part === 'drawn'
    ? drawn.slice(0, MOST_CORNERS).map((spot) => spotOnFace(landmarks, spot).position)
    : OUTLINES[part].map((i) => pointAt(landmarks, i));

const middle = (points: readonly Vec3[]): Vec3 =>
  scale(
    points.reduce((sum, p) => add(sum, p), [0, 0, 0] as Vec3),
    1 / Math.max(1, points.length),
  );

const NEUTRAL = Float32Array.from(NEUTRAL_FACE);
/** Room for a mouth that opens and lids that rise, as factors on the size at rest. */
const ROOM: Readonly<Record<CutoutPart, readonly [number, number]>> = {
  mouth: [1.35, 2.4],
  leftEye: [1.25, 2],
  rightEye: [1.25, 2],
  nose: [1.1, 1.1],
  face: [1.05, 1.1],
  drawn: [1.15, 1.25],
};

/** Width and height of the window of a part on a face of the usual size, the soft edge outside of it included. */
export const partExtent = (
  part: CutoutPart,
  outer: Metres,
  drawn: readonly Spot[] = [],
): [Metres, Metres] => {
  const points = partOutline(NEUTRAL, part, drawn);
  const span = (k: 0 | 1): number => {
    const all = points.map((p) => p[k]);
    return all.length > 0 ? Math.max(...all) - Math.min(...all) : 0;
  };
  const side = (k: 0 | 1): Metres => Math.max(0.01, span(k) * ROOM[part][k] + 2 * outer);
  return [side(0), side(1)];
};

export interface CutoutWindow {
  /** Middle of the window and its axes, as long as it is wide and high; world space. */
  readonly centre: Vec3;
  readonly across: Vec3;
  readonly up: Vec3;
  /** Corners of the outline from the middle of the window, x and y in metres of a head of the usual size. */
  readonly outline: readonly (readonly [Metres, Metres])[];
  /** 1 when the part looks at the camera, 0 when it is seen from the side: nothing of it can be shown then. */
  readonly facing: Unit;
}

/** Cosines of the angles at which a part begins to fade, and at which it is gone: 58 and 75 degrees. */
const FADES = 0.53;
const GONE = 0.26;

/**
 * The window lies in the face, upright as the head is: a card at the part's place that shows it covers what it shows.
 * `eye` is where the camera is (world), `size` the window's width and height on a face of the usual size, `factor` how
 * large this head is. Points that lie before or behind the window's plane are taken where the camera sees them on it.
 */
export const cutoutWindow = (
  face: { readonly pose: Pose; readonly landmarks: Float32Array },
  eye: Vec3,
  points: readonly Vec3[],
  size: readonly [Metres, Metres],
  factor: number,
): CutoutWindow => {
  const centre = middle(points);
  const from = toLocal(face.pose, eye);
  const outline = points.map((p): [number, number] => {
    const depth = from[2] - p[2];
    const t = Math.abs(depth) < 1e-6 ? 1 : (from[2] - centre[2]) / depth;
    return [0, 1].map((k) => (from[k]! + t * (p[k]! - from[k]!) - centre[k]!) / factor) as [number, number];
  });
  const towards: Vec3 = [from[0] - centre[0], from[1] - centre[1], from[2] - centre[2]];
  return {
    centre: toOuter(face.pose, centre),
    across: rotate(face.pose.rotation, [size[0] * factor, 0, 0]),
    up: rotate(face.pose.rotation, [0, size[1] * factor, 0]),
    outline,
    facing: smoothstep(GONE, FADES, towards[2] / (length(towards) || 1)),
  };
};
