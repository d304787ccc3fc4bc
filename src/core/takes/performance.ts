/** What a performer does before the camera: curves of pose, face, gaze and hands. */
import type { ExpressionName } from '../tracking/expression-names';
import type { Pose } from '../maths/pose';
import { fromAngles } from '../maths/quaternion';
import type { Expressions, Gesture } from '../tracking/track-frame';
import type { Seconds } from '../units';
import { valueAt, type Curve } from './curve';
import { HAND_SHAPES, mixBends, type HandBend } from '../hand/skeleton';
import { expressionsOfGaze } from './head-mesh';

/** Keys of a hand: when, where (metres from where the head rests), angles, shape. Smooth between. */
export interface HandKey {
  readonly at: Seconds;
  readonly place: readonly [number, number, number];
  readonly angles: readonly [number, number, number];
  readonly shape: Gesture | 'relaxed';
}
export interface HandPath {
  readonly side: 'left' | 'right';
  readonly keys: readonly HandKey[];
  /** Carries a mug. */
  readonly mug?: boolean;
}

export interface Performance {
  readonly id: string;
  readonly name: string;
  readonly duration: Seconds;
  /** Degrees: positive yaw turns to the wearer's left, positive pitch looks down, positive roll leans to the wearer's right. */
  readonly yaw?: Curve;
  readonly pitch?: Curve;
  readonly roll?: Curve;
  /** Metres from where the performer stands. */
  readonly x?: Curve;
  readonly y?: Curve;
  readonly z?: Curve;
  readonly gazeX?: Curve;
  readonly gazeY?: Curve;
  readonly expressions: Partial<Record<ExpressionName, Curve>>;
  readonly hands?: readonly HandPath[];
}

const value = (keys: Curve | undefined, t: Seconds): number => (keys ? valueAt(keys, t) : 0);

/** The head's pose relative to where the performer stands. */
export const headPoseAt = (p: Performance, t: Seconds): Pose => {
  const yaw = value(p.yaw, t);
  // A head is never quite still: slow sway whose periods divide the performance's length.
  const sway = (rounds: number, phase: number) => Math.sin((2 * Math.PI * rounds * t) / p.duration + phase);
  return {
    rotation: fromAngles([
      value(p.pitch, t) + 0.7 * sway(3, 1),
      yaw + 0.6 * sway(2, 0),
      value(p.roll, t) + 0.5 * sway(2, 2),
    ]),
    position: [
      value(p.x, t) + 0.002 * sway(2, 0.5) + 0.00018 * yaw,
      value(p.y, t) + 0.0015 * sway(3, 0),
      value(p.z, t),
    ],
  };
};

/** The expression coefficients of a performance at a moment. */
export const expressionsAt = (p: Performance, t: Seconds): Expressions => {
  const out: Expressions = {};
  for (const [name, keys] of Object.entries(p.expressions) as [ExpressionName, Curve][])
    out[name] = valueAt(keys, t);
  return { ...out, ...expressionsOfGaze({ x: value(p.gazeX, t), y: value(p.gazeY, t) }) };
};

export interface HandMoment {
  readonly pose: Pose;
  readonly bend: HandBend;
}
/** Where a hand is at a moment, and how it is bent. */
export const handAt = ({ keys }: HandPath, t: Seconds): HandMoment => {
  const track = (of: (key: HandKey) => number) =>
    valueAt(
      keys.map((k) => [k.at, of(k)] as const),
      t,
    );
  const next = keys.findIndex((k) => k.at > t);
  const [a, b] = next <= 0 ? [keys.at(-1)!, keys.at(-1)!] : [keys[next - 1]!, keys[next]!];
  const between =
    next <= 0
      ? 0
      : valueAt(
          [
            [a.at, 0],
            [b.at, 1],
          ],
          t,
        );
  return {
    pose: {
      position: [track((k) => k.place[0]), track((k) => k.place[1]), track((k) => k.place[2])],
      rotation: fromAngles([track((k) => k.angles[0]), track((k) => k.angles[1]), track((k) => k.angles[2])]),
    },
    bend: mixBends(HAND_SHAPES[a.shape], HAND_SHAPES[b.shape], between),
  };
};
