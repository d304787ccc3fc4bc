/** The skin of a performer's hand: it follows the bones as they bend. */
import { bonesOf, FINGERS, HAND_SHAPES, ROOTS, type HandBend } from '../hand/skeleton';
import { smoothUnion, surfaceNet, taperedCapsule } from '../maths/surface-nets';
import { multiplyQuaternions, conjugate, rotate } from '../maths/quaternion';
import { add, pointAt, scale, subtract, type Vec3 } from '../maths/vec3';
import type { Metres } from '../units';

const RADII: readonly Metres[] = [0.0115, 0.0092, 0.0094, 0.0088, 0.0078];

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
