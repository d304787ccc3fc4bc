/** Face morphs: how far landmarks move for sliders and sculpted meshes, faded out by region, several added up. */
import type { Unit } from '../../units';
import { regionsField } from '../region-mask';
import { shapeHead } from '../head-shape';
import { FACE_LANDMARKS } from '../landmarks';
import { NEUTRAL_FACE, UV } from '../neutral';
import type { FaceRegion } from '../region-names';
import type { ShapeName } from '../shape-names';
import { FACE_WIDTH } from './sculpted';

/** Moves are x, y, z for each of the 468 landmarks, in head space, metres, of a face of the usual width. */
export type Moves = Float32Array;

/** Effects go farther than people differ: factors on how far they do. */
const USUAL_REACH = 2;
const REACH: Partial<Record<ShapeName, number>> = { eyes: 4, eyeSpacing: 3, eyeTilt: 2.5, mouthWidth: 2.5 };

const known = new Map<string, Moves>();

/** What one slider does at 1. Moves are in step with the amount, so half of it is half as far. */
export const sliderMoves = (name: ShapeName): Moves => {
  const kept = known.get(name);
  if (kept) return kept;
  const still = shapeHead(Float64Array.from(NEUTRAL_FACE), {});
  const full = shapeHead(Float64Array.from(NEUTRAL_FACE), { [name]: 1 });
  const reach = REACH[name] ?? USUAL_REACH;
  const moves = Float32Array.from(full, (v, i) => reach * (v - still[i]!));
  known.set(name, moves);
  return moves;
};

const SIZE = 128;
const weights = new Map<string, Float32Array>();

/** How much each landmark belongs to any of the regions, 0 to 1; see `regionsField`. */
export const regionWeights = (regions: readonly FaceRegion[], fade: Unit): Float32Array => {
  const key = `${[...regions].sort().join()} ${fade.toFixed(3)}`;
  const kept = weights.get(key);
  if (kept) return kept;
  const sum = regionsField(regions, fade, SIZE);
  const at = (u: number, v: number): number => {
    const cut = (x: number) => Math.min(SIZE - 1, Math.max(0, Math.floor(x * SIZE)));
    return Math.min(1, sum[cut(v) * SIZE + cut(u)]!);
  };
  const out = Float32Array.from({ length: FACE_LANDMARKS }, (_, i) => at(UV[2 * i]!, UV[2 * i + 1]!));
  weights.set(key, out);
  return out;
};

export interface Morphing {
  readonly moves: Moves;
  /** 1 is as sculpted; below 0 the other way, up to 2. */
  readonly amount: number;
  /** Where it counts; null is everywhere. */
  readonly weights: Float32Array | null;
}

/** Morphs added up. */
export const sumMoves = (morphs: readonly Morphing[]): Moves => {
  const sum = new Float32Array(FACE_LANDMARKS * 3);
  for (const { moves, amount, weights: share } of morphs)
    for (let i = 0; i < FACE_LANDMARKS; i++) {
      const k = amount * (share ? share[i]! : 1);
      if (k === 0) continue;
      for (let axis = 0; axis < 3; axis++) sum[3 * i + axis]! += k * moves[3 * i + axis]!;
    }
  return sum;
};

/** Landmarks of a face after morphs, irises with their eyes. Larger faces are moved farther. */
export const morphed = (landmarks: Float32Array, moves: Moves): Float32Array => {
  const out = landmarks.slice();
  const width = Math.hypot(...[0, 1, 2].map((k) => landmarks[3 * 454 + k]! - landmarks[3 * 234 + k]!));
  const k = width / FACE_WIDTH;
  for (let i = 0; i < moves.length; i++) out[i]! += k * moves[i]!;
  // The five points of each iris go as far as the corners of their eye on the whole.
  for (const [first, corners] of [
    [FACE_LANDMARKS, [33, 133, 159, 145]],
    [FACE_LANDMARKS + 5, [263, 362, 386, 374]],
  ] as const)
    for (let axis = 0; axis < 3; axis++) {
      const shift = corners.reduce((s, c) => s + moves[3 * c + axis]!, 0) / corners.length;
      for (let p = 0; p < 5 && 3 * (first + p) + axis < out.length; p++)
        out[3 * (first + p) + axis]! += k * shift;
    }
  return out;
};
