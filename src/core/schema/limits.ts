/** How far away and how small or large things may be: beyond it nobody sees them, and numbers get coarse. */
import { clamp } from '../maths/scalar';
import type { Degrees, Metres } from '../units';
import type { Vec3 } from '../maths/vec3';

export const FARTHEST: Metres = 100;
export const SMALLEST: Metres = 0.0001;
export const LARGEST: Metres = 100;
export const MOST_TURN: Degrees = 100_000;
const LEAST_SCALE = 1e-4;
const MOST_SCALE = 1e4;

// JSON knows no -0, so none is written down: x + 0 turns it into 0.
/** A move kept within `FARTHEST` metres an axis; what is not a number is 0. */
export const boundedMove = (move: Vec3): [number, number, number] =>
  move.map((x) => clamp(Number.isFinite(x) ? x : 0, -FARTHEST, FARTHEST) + 0) as [number, number, number];

/** Sizes keep their sign, which mirrors, but never reach 0: nothing could be pulled out of it again. */
export const boundedScale = (scale: Vec3): [number, number, number] =>
  scale.map((s) => {
    const size = clamp(Number.isFinite(s) ? Math.abs(s) : 1, LEAST_SCALE, MOST_SCALE);
    return s < 0 ? -size : size;
  }) as [number, number, number];

/** Angles that stay within bounds; what is no number is 0. */
export const boundedTurn = (turn: Vec3): [number, number, number] =>
  turn.map((a) => clamp(Number.isFinite(a) ? a : 0, -MOST_TURN, MOST_TURN) + 0) as [number, number, number];
