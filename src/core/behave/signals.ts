/** Signals: numbers about the face, the head and the objects of an effect that can be drawn over time, or drive something. */
import type { ObjectId } from '../document/schema';
import type { ExpressionName } from '../face/expression-names';
import { toLocal } from '../maths/pose';
import { compose, inverse, toAngles } from '../maths/quaternion';
import { distance } from '../maths/vec3';
import { facesBySlot } from '../placing/presence';
import { expression, type TrackFrame } from '../tracking/track-frame';
import type { Program } from './program';
import type { Runtime } from './runtime';

/** What of an object can be asked for. */
export const OBJECT_SIGNALS = [
  'visible',
  'opacity',
  'moveX',
  'moveY',
  'moveZ',
  'turnX',
  'turnY',
  'turnZ',
  'size',
] as const;
export type ObjectSignal = (typeof OBJECT_SIGNALS)[number];
/** Angles in degrees, distances in metres: as the camera sees the head. */
export const HEAD_SIGNALS = ['pitch', 'yaw', 'roll', 'distance', 'acrossX', 'upY'] as const;
export type HeadSignal = (typeof HEAD_SIGNALS)[number];

/** `face` is its number, from 1. */
export type Signal =
  | { readonly kind: 'expression'; readonly face: number; readonly name: ExpressionName }
  | { readonly kind: 'head'; readonly face: number; readonly of: HeadSignal }
  | { readonly kind: 'faces' }
  | { readonly kind: 'object'; readonly object: ObjectId; readonly of: ObjectSignal };

/** The value now; NaN where there is none: no such face, no such object. */
export const signalNow = (signal: Signal, program: Program, runtime: Runtime, frame: TrackFrame): number => {
  if (signal.kind === 'object') {
    const i = program.indexOf.get(signal.object);
    return i === undefined ? NaN : objectSignal(signal.of, runtime.values(i));
  }
  if (signal.kind === 'faces') return frame.faces.length;
  const face = facesBySlot(runtime.presence, frame)[signal.face - 1];
  if (!face) return NaN;
  if (signal.kind === 'expression') return expression(face, signal.name);
  const { pose } = frame.camera;
  if (signal.of === 'distance') return distance(face.pose.position, pose.position);
  if (signal.of === 'acrossX') return toLocal(pose, face.pose.position)[0];
  if (signal.of === 'upY') return toLocal(pose, face.pose.position)[1];
  const angles = toAngles(compose(inverse(pose.rotation), face.pose.rotation));
  return angles[['pitch', 'yaw', 'roll'].indexOf(signal.of)]!;
};

const objectSignal = (of: ObjectSignal, values: ReturnType<Runtime['values']>): number => {
  switch (of) {
    case 'visible':
      return values.visible ? 1 : 0;
    case 'opacity':
      return values.opacity;
    case 'moveX':
      return values.move[0];
    case 'moveY':
      return values.move[1];
    case 'moveZ':
      return values.move[2];
    case 'turnX':
      return values.turn[0];
    case 'turnY':
      return values.turn[1];
    case 'turnZ':
      return values.turn[2];
    case 'size':
      return Math.cbrt(Math.abs(values.scale[0] * values.scale[1] * values.scale[2]));
  }
};
