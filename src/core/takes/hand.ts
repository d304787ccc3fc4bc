/**
 * A five-finger hand: joints that bend, the 21 points a hand tracker gives, and a skin that follows the bones.
 * Hand space of a right hand: origin at the wrist, +Y to the fingertips, +Z out of the palm, thumb at +X.
 * A left hand is its mirror image.
 */
import { smoothUnion, surfaceNet, taperedCapsule } from '../maths/surface-nets';
import {
  multiplyQuaternions,
  fromAxisAngle,
  IDENTITY,
  conjugate,
  rotate,
  type Quaternion,
} from '../maths/quaternion';
import { lerp } from '../maths/scalar';
import { add, distance, pointAt, scale, subtract, type Vec3 } from '../maths/vec3';
import type { Degrees, Metres } from '../units';
import type { Gesture } from '../tracking/track-frame';

/** Thumb, index, middle, ring, little. */
const FINGERS = 5;
/** Bends of the three joints of a finger towards the palm, and how far it is spread towards the thumb's side. */
export type FingerBend = readonly [Degrees, Degrees, Degrees, Degrees];
export type HandBend = readonly FingerBend[];

const ROOTS: readonly Vec3[] = [
  [0.026, 0.026, 0.007],
  [0.027, 0.089, 0],
  [0.0045, 0.092, 0],
  [-0.0165, 0.087, 0],
  [-0.035, 0.077, 0.001],
];
const LENGTHS: readonly (readonly [Metres, Metres, Metres])[] = [
  [0.04, 0.033, 0.026],
  [0.042, 0.026, 0.021],
  [0.046, 0.03, 0.022],
  [0.043, 0.028, 0.022],
  [0.033, 0.021, 0.019],
];
const RADII: readonly Metres[] = [0.0115, 0.0092, 0.0094, 0.0088, 0.0078];

const finger = (...bend: FingerBend): FingerBend => bend;
const curled = finger(82, 96, 58, 0);
export const HAND_SHAPES: Readonly<Record<Gesture | 'relaxed' | 'hold', HandBend>> = {
  palm: [
    finger(4, 4, 2, 2),
    finger(3, 5, 3, 7),
    finger(2, 4, 3, 1),
    finger(3, 5, 3, -5),
    finger(4, 6, 4, -12),
  ],
  relaxed: [
    finger(14, 14, 10, -6),
    finger(22, 26, 14, 3),
    finger(26, 30, 16, 0),
    finger(30, 34, 18, -3),
    finger(32, 36, 18, -7),
  ],
  /** Holds a sheet: fingers behind it, the thumb before it. */
  hold: [
    finger(40, 26, 12, -28),
    finger(-9, 5, 3, 4),
    finger(-10, 5, 3, 1),
    finger(-9, 5, 3, -3),
    finger(-8, 5, 3, -8),
  ],
  fist: [finger(46, 38, 44, -34), curled, curled, curled, curled],
  thumb: [finger(-6, -2, -4, 12), curled, curled, curled, curled],
  point: [finger(44, 36, 40, -32), finger(2, 3, 2, 2), curled, curled, curled],
};

/** Joint by joint between two shapes. */
export const mixBends = (a: HandBend, b: HandBend, t: number): HandBend =>
  a.map((row, f) => row.map((v, k) => lerp(v, b[f]![k]!, t)) as unknown as FingerBend);

/** The thumb leaves the hand sideways and turns about another axis than the fingers. */
const THUMB_REST: Quaternion = multiplyQuaternions(
  fromAxisAngle([0, 0, 1], -46),
  fromAxisAngle([0, 1, 0], -52),
);

interface Bone {
  readonly from: Vec3;
  readonly to: Vec3;
  readonly turn: Quaternion;
}

/** Three bones a finger. */
const bonesOf = (bend: HandBend): readonly (readonly Bone[])[] =>
  Array.from({ length: FINGERS }, (_, f) => {
    const [first, second, third, spread] = bend[f]!;
    let turn = multiplyQuaternions(fromAxisAngle([0, 0, 1], -spread), f === 0 ? THUMB_REST : IDENTITY);
    let from = ROOTS[f]!;
    return [first, second, third].map((angle, k) => {
      turn = multiplyQuaternions(turn, fromAxisAngle([1, 0, 0], angle));
      const to = add(from, rotate(turn, [0, LENGTHS[f]![k]!, 0]));
      const bone = { from, to, turn };
      from = to;
      return bone;
    });
  });

/** The 21 landmarks in hand space: the wrist, then root and three joints' ends of each finger. */
export const handLandmarks = (bend: HandBend, left: boolean): Float32Array => {
  const out = new Float32Array(21 * 3);
  const sign = left ? -1 : 1;
  bonesOf(bend).forEach((bones, f) =>
    [bones[0]!.from, ...bones.map((b) => b.to)].forEach(([x, y, z], k) =>
      out.set([sign * x, y, z], 3 * (1 + 4 * f + k)),
    ),
  );
  return out;
};

const REST = bonesOf(HAND_SHAPES.palm);
/** Palm and wrist do not bend: bone 0. Bone 1 + 3 f + k is bone k of finger f. */
const PALM: readonly (readonly [Vec3, Vec3, Metres, Metres])[] = [
  ...ROOTS.slice(1).map((root, i) => [[0.012 - 0.009 * i, 0.012, 0], root, 0.0145, 0.0105] as const),
  [[0.008, 0.004, 0.002], [0.03, 0.05, 0.006], 0.019, 0.0125],
  [[-0.014, 0.006, 0.002], [-0.036, 0.06, 0.002], 0.0175, 0.011],
  [[0.0065, 0, 0], [0.0075, -0.09, 0], 0.0205, 0.023],
  [[-0.0065, 0, 0], [-0.0075, -0.09, 0], 0.0205, 0.023],
];

const radiusOf = (f: number, k: number): readonly [Metres, Metres] => {
  const r = RADII[f]!;
  const taper = [1.06, 1, 0.93, 0.76];
  return [r * taper[k]!, r * taper[k + 1]!];
};

const skinDistance = (x: number, y: number, z: number): number => {
  const p: Vec3 = [x, y, z];
  let palm = Infinity;
  for (const [a, b, ra, rb] of PALM) {
    const d = taperedCapsule(p, a, b, ra, rb);
    palm = palm === Infinity ? d : smoothUnion(palm, d, 0.016);
  }
  let all = palm;
  for (let f = 0; f < FINGERS; f++) {
    let one = Infinity;
    for (let k = 0; k < 3; k++) {
      const { from, to } = REST[f]![k]!;
      one = Math.min(one, taperedCapsule(p, from, to, ...radiusOf(f, k)));
    }
    // Fingers melt into the palm, not into each other.
    all = Math.min(all, smoothUnion(palm, one, f === 0 ? 0.014 : 0.009));
  }
  return all;
};

export interface HandSkin {
  readonly positions: Float32Array;
  readonly triangles: Uint32Array;
  /** Two bones a vertex and how much the first of them counts. */
  readonly bones: Uint8Array;
  readonly weights: Float32Array;
}

const nearestBones = (p: Vec3): { bones: [number, number]; weight: number } => {
  const reach = (bone: number): number => {
    if (bone === 0) return Math.min(...PALM.map(([a, b, ra, rb]) => taperedCapsule(p, a, b, ra, rb)));
    const [f, k] = [Math.floor((bone - 1) / 3), (bone - 1) % 3];
    const { from, to } = REST[f]![k]!;
    return taperedCapsule(p, from, to, ...radiusOf(f, k));
  };
  const all = Array.from({ length: 1 + 3 * FINGERS }, (_, bone) => reach(bone));
  const first = all.indexOf(Math.min(...all));
  // Only the neighbours along the same finger may pull: otherwise fingers would stick together.
  const k = first === 0 ? -1 : (first - 1) % 3;
  const candidates =
    first === 0 ? [1, 4, 7, 10, 13] : [k === 0 ? 0 : first - 1, ...(k < 2 ? [first + 1] : [])];
  const second = candidates.reduce((a, b) => (all[b]! < all[a]! ? b : a));
  const gap = all[second]! - all[first]!;
  return { bones: [first, second], weight: 1 - 0.5 * Math.exp(-gap / 0.0035) };
};

let skin: HandSkin | null = null;
/** The skin of the open right hand with its forearm; made on first use (about 0.2 s), then kept. */
export const handSkin = (): HandSkin => {
  if (skin) return skin;
  const { positions, triangles } = surfaceNet(
    skinDistance,
    [-0.075, -0.105, -0.034],
    [0.115, 0.212, 0.06],
    0.0033,
  );
  const count = positions.length / 3;
  const bones = new Uint8Array(count * 2);
  const weights = new Float32Array(count);
  for (let i = 0; i < count; i++) {
    const near = nearestBones(pointAt(positions, i));
    bones.set(near.bones, 2 * i);
    weights[i] = near.weight;
  }
  return (skin = { positions, triangles, bones, weights });
};

/** The skin bent: vertices in hand space. A left hand's triangles have to be wound the other way round. */
export const deformHand = (bend: HandBend, left: boolean, out: Float32Array): Float32Array => {
  const { positions, bones, weights } = handSkin();
  const now = bonesOf(bend).flat();
  const moves = REST.flat().map((rest, i) => ({
    turn: multiplyQuaternions(now[i]!.turn, conjugate(rest.turn)),
    rest: rest.from,
    now: now[i]!.from,
  }));
  const moved = (p: Vec3, bone: number): Vec3 => {
    if (bone === 0) return p;
    const m = moves[bone - 1]!;
    return add(rotate(m.turn, subtract(p, m.rest)), m.now);
  };
  for (let i = 0; i < weights.length; i++) {
    const p = pointAt(positions, i);
    const w = weights[i]!;
    const [x, y, z] = add(scale(moved(p, bones[2 * i]!), w), scale(moved(p, bones[2 * i + 1]!), 1 - w));
    out[3 * i] = left ? -x : x;
    out[3 * i + 1] = y;
    out[3 * i + 2] = z;
  }
  return out;
};

/** Which gesture a hand shows: fingers are told apart by how far their tips are from their roots. */
export const gestureOf = (landmarks: ArrayLike<number>): Gesture | null => {
  const straight = (f: number): boolean => {
    const [root, tip] = [pointAt(landmarks, 1 + 4 * f), pointAt(landmarks, 4 + 4 * f)];
    const whole = LENGTHS[f]!.reduce((a, b) => a + b, 0);
    return distance(root, tip) > 0.86 * whole;
  };
  const [thumb, ...fingers] = Array.from({ length: FINGERS }, (_, f) => straight(f)) as [
    boolean,
    ...boolean[],
  ];
  const out = fingers.filter(Boolean).length;
  if (out === 4) return 'palm';
  if (out === 1 && fingers[0]) return 'point';
  if (out === 0) return thumb ? 'thumb' : 'fist';
  return null;
};
