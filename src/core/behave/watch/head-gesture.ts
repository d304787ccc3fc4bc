/**
 * Nods, shakes and tilts of a head, told from how it is held: a gesture is a swing there and back about one axis, large and
 * quick enough, while the others keep still beside it. Plain data that one step turns into the next.
 */
import { toAngles, type Quaternion } from '../../maths/quaternion';
import { HEAD_GESTURES, type HeadGesture } from '../../kinds/triggers/gestures';
import type { Degrees, Seconds } from '../../units';

/** About which axis each turns: x, y, z of the head. */
const AXIS: Readonly<Record<HeadGesture, 0 | 1 | 2>> = { nod: 0, shake: 1, tilt: 2 };
/** How far it has to swing from where it turned round. A tilt counts by itself, a shake has to go both ways. */
const SWING: Readonly<Record<HeadGesture, Degrees>> = { nod: 7, shake: 9, tilt: 12 };
/** Swings that make one gesture. */
const SWINGS: Readonly<Record<HeadGesture, number>> = { nod: 2, shake: 3, tilt: 1 };
/** How fast rest follows a head that is held another way: the share a second. */
const FOLLOWS = 1.5;
/** They follow each other within this. */
const WITHIN: Seconds = 1.1;
/** After a gesture nothing is one for a while: heads swing on. */
const REST: Seconds = 0.6;

interface Axis {
  /** Where it last turned round, which way it went from there, and how long ago a swing was completed. */
  readonly turn: Degrees;
  readonly farthest: Degrees;
  readonly way: -1 | 0 | 1;
  readonly swings: number;
  readonly since: Seconds;
}
export interface HeadGestureState {
  readonly axes: readonly [Axis, Axis, Axis];
  readonly rest: Seconds;
}

const still = (at: Degrees): Axis => ({ turn: at, farthest: at, way: 0, swings: 0, since: 0 });

/** How the swing about one axis goes on; a swing is completed where it has gone far enough from where it turned round. */
const swung = (axis: Axis, at: Degrees, far: Degrees, step: Seconds): Axis => {
  const since = axis.since + step;
  const forgotten = axis.way !== 0 && since > WITHIN ? still(at) : axis;
  if (forgotten.way === 0) {
    const gone = at - forgotten.turn;
    if (Math.abs(gone) < far)
      // A head that slowly turns elsewhere is not on its way anywhere.
      return { ...forgotten, turn: forgotten.turn + gone * Math.min(1, FOLLOWS * step), farthest: at, since };
    return { turn: forgotten.turn, farthest: at, way: gone > 0 ? 1 : -1, swings: 1, since: 0 };
  }
  const ahead = at - forgotten.farthest;
  if (ahead * forgotten.way >= 0) return { ...forgotten, farthest: at, since };
  if (Math.abs(ahead) < far) return { ...forgotten, since };
  return {
    turn: forgotten.farthest,
    farthest: at,
    way: forgotten.way === 1 ? -1 : 1,
    swings: forgotten.swings + 1,
    since: 0,
  };
};

/** One step of `step` seconds with the head held by `rotation`. `state` is null for a head that is new. */
export const nextHeadGesture = (
  state: HeadGestureState | null,
  rotation: Quaternion,
  step: Seconds,
): { readonly state: HeadGestureState; readonly gesture: HeadGesture | null } => {
  const angles = toAngles(rotation);
  if (!state) return { state: { axes: angles.map(still) as never, rest: 0 }, gesture: null };
  const rest = Math.max(0, state.rest - step);
  const axes = state.axes.map((axis, k) => {
    const of = HEAD_GESTURES.find((g) => AXIS[g] === k)!;
    return swung(axis, angles[k]!, SWING[of], step);
  }) as unknown as HeadGestureState['axes'];
  const done = HEAD_GESTURES.filter((g) => axes[AXIS[g]].since === 0 && axes[AXIS[g]].swings >= SWINGS[g]);
  // Whoever shakes the head tilts it a little too: the one that swung the most counts.
  const reach = (g: HeadGesture): number => {
    const { turn, farthest } = axes[AXIS[g]];
    return Math.abs(farthest - turn) / SWING[g];
  };
  const gesture = rest > 0 ? null : (done.sort((a, b) => reach(b) - reach(a))[0] ?? null);
  if (!gesture) return { state: { axes, rest }, gesture: null };
  return { state: { axes: angles.map(still) as never, rest: REST }, gesture };
};
