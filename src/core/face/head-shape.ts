/**
 * How a performer's head differs from the neutral one. Each value runs from -1 to 1, 0 is neutral; each bends
 * the points of the head shell smoothly, so that no two of them tear the surface.
 */
import { SHAPE_NAMES, type ShapeName } from './shape-names';
import { EYE_LEFT, EYE_RIGHT, FACE_LANDMARKS } from './landmarks';
import { EYEBALL_LEFT, EYEBALL_RIGHT, NEUTRAL_FACE } from './neutral';
import { smoothstep } from '../maths/scalar';
import { pointAt, type Vec3 } from '../maths/vec3';

export type HeadShape = Readonly<Partial<Record<ShapeName, number>>>;

/** Gaussian of the distance to a neutral landmark. */
const near = (p: Vec3, landmark: number, radius: number): number => {
  const [x, y, z] = pointAt(NEUTRAL_FACE, landmark);
  const far = ((p[0] - x) ** 2 + (p[1] - y) ** 2 + (p[2] - z) ** 2) / (radius * radius);
  return far > 9 ? 0 : Math.exp(-far);
};
/** The nearer of a landmark and its mirror image. */
const nearPair = (p: Vec3, right: number, left: number, radius: number): number =>
  Math.max(near(p, right, radius), near(p, left, radius));

/** Eyes of the neutral topology are small for a drawn face; 0 on the `eyes` scale is this. */
const EYE_SIZE = 1.17;
/** Size of the eyes of a head, as a factor on those of the neutral face. */
export const eyeSize = (shape: HeadShape): number => EYE_SIZE + 0.1 * (shape.eyes ?? 0);
/** Sideways shift of the wearer's left eye, metres. */
const eyeShift = (shape: HeadShape): number => 0.0022 * (shape.eyeSpacing ?? 0);

const middleOf = (ring: readonly number[]): Vec3 => {
  const sum = ring.map((i) => pointAt(NEUTRAL_FACE, i));
  return [0, 1, 2].map((k) => sum.reduce((s, p) => s + p[k]!, 0) / ring.length) as unknown as Vec3;
};
const EYES = [
  { side: -1, middle: middleOf(EYE_RIGHT) },
  { side: 1, middle: middleOf(EYE_LEFT) },
];

type Field = (p: Vec3) => Vec3;

const LIP_SEAM = pointAt(NEUTRAL_FACE, 13)[1] - 0.0025;
const side = (p: Vec3) => Math.sign(p[0]);

/** How far the ends of the scales go: as far as people differ and the face still looks like one. */
const FULL = 1.35;

/** What each value does to a point of the neutral head at strength 1, as a displacement in metres, before FULL. */
const FIELDS: Readonly<Record<Exclude<ShapeName, 'eyes' | 'eyeTilt' | 'eyeSpacing'>, Field>> = {
  width: (p) => [0.075 * p[0], 0, 0],
  height: (p) => [0, 0.06 * p[1], 0],
  jaw: (p) => [0.13 * p[0] * smoothstep(0, -0.07, p[1]), 0, 0],
  chin: (p) => {
    const w = near(p, 152, 0.032);
    return [0, -0.006 * w, 0.005 * w];
  },
  cheekbones: (p) => {
    const w = nearPair(p, 116, 345, 0.028);
    return [side(p) * 0.004 * w, 0, 0.003 * w];
  },
  cheeks: (p) => {
    const w = nearPair(p, 207, 427, 0.034);
    return [side(p) * 0.0055 * w, 0, 0.004 * w];
  },
  noseWidth: (p) => {
    const w = Math.max(nearPair(p, 64, 294, 0.013), 0.55 * near(p, 4, 0.016));
    return [0.27 * p[0] * w, 0, 0.0012 * w];
  },
  noseLength: (p) => {
    const w = near(p, 4, 0.019);
    return [0, -0.0028 * w, 0.0042 * w];
  },
  noseBridge: (p) => [0, 0, 0.0036 * Math.max(near(p, 197, 0.017), 0.8 * near(p, 6, 0.015))],
  lips: (p) => {
    const w = Math.max(near(p, 13, 0.02), 0.75 * nearPair(p, 40, 270, 0.016));
    const off = p[1] - LIP_SEAM;
    // The seam stays; the red grows away from it and forward.
    return [0, 0.22 * off * w, 0.0022 * w];
  },
  mouthWidth: (p) => [0.11 * p[0] * Math.max(near(p, 13, 0.03), nearPair(p, 61, 291, 0.02)), 0, 0],
  browHeight: (p) => [0, 0.0034 * nearPair(p, 105, 334, 0.022), 0],
  forehead: (p) => [0, 0.002 * near(p, 10, 0.05), 0.0045 * near(p, 151, 0.045)],
};

/** Turns and scales the surroundings of both eyes. */
const shapeEyes = (p: Vec3, shape: HeadShape): Vec3 => {
  let [x, y] = p;
  const k = eyeSize(shape) - 1;
  const tilt = ((shape.eyeTilt ?? 0) * 5.5 * Math.PI) / 180;
  for (const { side, middle } of EYES) {
    const [dx, dy] = [p[0] - middle[0], p[1] - middle[1]];
    const w = 1 - smoothstep(0.014, 0.027, Math.hypot(dx, dy));
    if (w === 0) continue;
    x += w * (k * dx - side * tilt * dy + side * eyeShift(shape));
    y += w * (k * dy + side * tilt * dx);
  }
  return [x, y, p[2]];
};

const bend = (at: Vec3, shape: HeadShape, face: boolean): Vec3 => {
  let [x, y, z] = face ? shapeEyes(at, shape) : at;
  for (const name of SHAPE_NAMES) {
    const k = shape[name];
    if (!k || !(name in FIELDS)) continue;
    const [dx, dy, dz] = FIELDS[name as keyof typeof FIELDS](at);
    x += FULL * k * dx;
    y += FULL * k * dy;
    z += FULL * k * dz;
  }
  return [x, y, z];
};

/** Bends the points of a head shell in place: the landmarks first, then the skull. */
export const shapeHead = (p: Float64Array, shape: HeadShape): Float64Array => {
  for (let i = 0; i < p.length / 3; i++) p.set(bend(pointAt(p, i), shape, i < FACE_LANDMARKS), 3 * i);
  return p;
};

/** Where one point near the neutral head, but not at its eyes, lies on a shaped one. */
export const shapedPoint = (p: Vec3, shape: HeadShape): Vec3 => bend(p, shape, false);

/** Centres of the right and the left eyeball. */
export const eyeCentres = (shape: HeadShape): readonly [Vec3, Vec3] => {
  const move = ([x, y, z]: Vec3): Vec3 => shapedPoint([x + Math.sign(x) * eyeShift(shape), y, z], shape);
  return [move(EYEBALL_RIGHT), move(EYEBALL_LEFT)];
};
