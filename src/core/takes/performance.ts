/** Curves of a performance: pose, expressions and gaze over time. */
import { fromAngles } from '../maths/quaternion';
import { smoothKeys } from '../maths/scalar';
import { STEP, type Seconds } from '../units';
import type { Expressions, TrackFrame } from '../tracking/track-frame';
import type { ExpressionName } from '../face/expression-names';
import { trueLandmarks, type Gaze, type Performer } from './performer';
import type { Mark, MarkKind, Take } from './take';

/** `[time, value]` keys, smooth between; the last key's value must equal the first's, so that the take loops. */
export type Curve = readonly (readonly [Seconds, number])[];

export interface Performance {
  readonly duration: Seconds;
  /** Degrees: positive yaw turns to the wearer's left, positive pitch looks down, positive roll leans to the wearer's right. */
  readonly yaw: Curve;
  readonly pitch: Curve;
  readonly roll: Curve;
  readonly gazeX: Curve;
  readonly gazeY: Curve;
  readonly expressions: Partial<Record<ExpressionName, Curve>>;
}

/** Distance of the head from the camera, and height of the head's origin over the middle of the picture. */
const DISTANCE = 0.56;
const HEIGHT = 0.004;
/** A phone's front camera held upright. */
export const TAKE_FOV_Y = 44;
export const TAKE_ASPECT = 9 / 16;

const poseAt = (p: Performance, t: Seconds) => {
  const yaw = smoothKeys(p.yaw, t);
  // A head is never quite still: slow sway whose periods divide the take's length.
  const sway = (rounds: number, phase: number) => Math.sin((2 * Math.PI * rounds * t) / p.duration + phase);
  return {
    rotation: fromAngles([
      smoothKeys(p.pitch, t) + 0.7 * sway(3, 1),
      yaw + 0.6 * sway(2, 0),
      smoothKeys(p.roll, t) + 0.5 * sway(2, 2),
    ]),
    position: [0.002 * sway(2, 0.5) + 0.00018 * yaw, HEIGHT + 0.0015 * sway(3, 0), -DISTANCE] as const,
  };
};

const expressionsAt = (p: Performance, t: Seconds): Expressions => {
  const out: Expressions = {};
  for (const [name, curve] of Object.entries(p.expressions) as [ExpressionName, Curve][])
    out[name] = smoothKeys(curve, t);
  const x = smoothKeys(p.gazeX, t) / 30;
  const y = smoothKeys(p.gazeY, t) / 30;
  const positive = (v: number) => Math.max(0, v);
  Object.assign(out, {
    eyeLookOutLeft: positive(x),
    eyeLookInRight: positive(x),
    eyeLookInLeft: positive(-x),
    eyeLookOutRight: positive(-x),
    eyeLookUpLeft: positive(y),
    eyeLookUpRight: positive(y),
    eyeLookDownLeft: positive(-y),
    eyeLookDownRight: positive(-y),
  });
  return out;
};

/** Stretches in which `active` holds; blinks shorter than `least` are left out. */
const stretches = (
  kind: MarkKind,
  duration: Seconds,
  least: Seconds,
  active: (t: Seconds) => boolean,
): Mark[] => {
  const marks: Mark[] = [];
  let from: Seconds | null = null;
  for (let step = 0; step <= Math.round(duration / STEP); step++) {
    const t = step * STEP;
    const on = t < duration && active(t);
    if (on && from === null) from = t;
    if (!on && from !== null) {
      if (t - from >= least) marks.push({ kind, from, to: t });
      from = null;
    }
  }
  return marks;
};

const marksOf = (p: Performance): Mark[] => {
  const value = (name: ExpressionName, t: Seconds) => smoothKeys(p.expressions[name] ?? [[0, 0]], t);
  return [
    ...stretches('turned', p.duration, 0.2, (t) => Math.abs(smoothKeys(p.yaw, t)) > 18),
    ...stretches('eyesClosed', p.duration, 0.25, (t) => value('eyeBlinkLeft', t) > 0.6),
    ...stretches('mouthOpen', p.duration, 0.1, (t) => value('jawOpen', t) >= 0.4),
    ...stretches('pucker', p.duration, 0.1, (t) => value('mouthPucker', t) >= 0.45),
    ...stretches('browsUp', p.duration, 0.1, (t) => value('browInnerUp', t) > 0.4),
  ].sort((a, b) => a.from - b.from);
};

/** The gaze a frame's coefficients stand for, in degrees. */
export const gazeOf = (e: Expressions): Gaze => ({
  x: 30 * ((e.eyeLookOutLeft ?? 0) - (e.eyeLookInLeft ?? 0)),
  y: 30 * ((e.eyeLookUpLeft ?? 0) - (e.eyeLookDownLeft ?? 0)),
});

/** A take of one performer before a still camera. */
export const makeTake = (
  about: { id: string; name: string; about: string },
  performer: Performer,
  performance: Performance,
): Take => ({
  ...about,
  performer,
  duration: performance.duration,
  marks: marksOf(performance),
  frameAt(time: Seconds): TrackFrame {
    const t = ((time % performance.duration) + performance.duration) % performance.duration;
    const expressions = expressionsAt(performance, t);
    let landmarks: Float32Array | null = null;
    return {
      time,
      camera: {
        pose: { position: [0, 0, 0], rotation: [0, 0, 0, 1] },
        fovY: TAKE_FOV_Y,
        aspect: TAKE_ASPECT,
      },
      faces: [
        {
          id: 1,
          pose: poseAt(performance, t),
          // Behaviour does not look at landmarks, so running through a take need not compute them.
          get landmarks() {
            return (landmarks ??= trueLandmarks(performer, expressions, gazeOf(expressions)));
          },
          expressions,
          confidence: 1,
        },
      ],
    };
  },
});
