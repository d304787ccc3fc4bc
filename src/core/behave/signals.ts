/** Signals read from an instant: numbers about faces, objects and the viewer. */
import {
  OBJECT_SIGNALS,
  HEAD_SIGNALS,
  FACE_MEASURES,
  type Condition,
  type FaceMeasure,
  type HeadSignal,
  type ObjectSignal,
  type Signal,
} from '../document/schema';
import type { ExpressionName } from '../tracking/expression-names';
import { faceMeasure } from './face-measures';
import { pcg3d } from '../maths/hash';
import { column, positionOf, type Matrix } from '../maths/matrix';
import { toLocal } from '../maths/pose';
import { compose, inverse, toAngles } from '../maths/quaternion';
import { distance, dot, normalise, pointAt, subtract, type Vec3 } from '../maths/vec3';
import { SCREEN_HEIGHT } from '../placing/anchors';
import type { ObjectPlaces } from '../placing/places';
import { facesBySlot, type Presence } from '../placing/presence';
import { viewOf } from '../placing/touch';
import { expression, type TrackedFace, type TrackFrame } from '../tracking/track-frame';
import { STEP, type Seconds, type Unit } from '../units';
import type { Inputs } from '../program/inputs';
import type { Program } from '../program/program';
import type { Values } from '../kinds/values';

export { HEAD_SIGNALS, OBJECT_SIGNALS };
export type { HeadSignal, ObjectSignal, Signal };

/** What signals are read from: the runtime, at a moment. */
export interface Readable {
  readonly presence: Presence;
  readonly scene: string | null;
  values(i: number): Readonly<Values>;
  /** How far cue `i` is, and how often it has fired. */
  progress(i: number): Unit;
  times(i: number): number;
  control(id: string): number;
  variable(id: string): number;
  /** Where everything is. Costly, so it is only asked for when a signal needs it. */
  places(): readonly ObjectPlaces[];
}

/** Where objects were when their speed was last asked for. */
export type SpeedMemory = Record<string, { step: number; at: Vec3; speed: number }>;

export interface Instant {
  /** The step it is, from 0. */
  readonly step: number;
  readonly program: Program;
  readonly now: Readable;
  readonly frame: TrackFrame;
  readonly inputs: Inputs;
  readonly memory: SpeedMemory;
}

const isMeasure = (name: string): name is FaceMeasure => (FACE_MEASURES as readonly string[]).includes(name);

/** The value now; NaN where there is none: no such face, no such object, nowhere to be found. */
export const signalNow = (signal: Signal, at: Instant): number => {
  const { program, now, frame, inputs } = at;
  const face = (number: number): TrackedFace | undefined => facesBySlot(now.presence, frame)[number - 1];
  switch (signal.kind) {
    case 'expression': {
      const found = face(signal.face);
      if (!found) return NaN;
      return isMeasure(signal.name)
        ? faceMeasure(found, signal.name)
        : expression(found, signal.name as ExpressionName);
    }
    case 'head': {
      const found = face(signal.face);
      return found ? headSignal(signal.of, found, frame) : NaN;
    }
    case 'faces':
      return frame.faces.length;
    case 'facesApart': {
      const [a, b] = [face(signal.face), face(signal.other)];
      return a && b ? distance(a.pose.position, b.pose.position) : NaN;
    }
    case 'object': {
      const i = indexOf(program, signal.object);
      return i < 0 ? NaN : objectSignal(signal.of, i, at);
    }
    case 'apart':
    case 'angle': {
      const i = indexOf(program, signal.object);
      const matrix = i < 0 ? null : matrixOf(i, now);
      const other =
        signal.from === null ? frame.camera.pose.position : positionOfObject(program, signal.from, now);
      if (!matrix || !other) return NaN;
      if (signal.kind === 'apart') return distance(positionOf(matrix), other);
      const way = normalise(subtract(other, positionOf(matrix)));
      const c = dot(normalise(column(matrix, 2)), way);
      return (Math.acos(Math.min(1, Math.max(-1, c))) * 180) / Math.PI;
    }
    case 'time':
      return at.step * STEP;
    case 'progress': {
      const i = signal.cue === null ? undefined : program.cueIndex.get(signal.cue);
      return i === undefined ? NaN : now.progress(i);
    }
    case 'times': {
      const i = signal.cue === null ? undefined : program.cueIndex.get(signal.cue);
      return i === undefined ? NaN : now.times(i);
    }
    case 'control':
      return signal.control === null ? NaN : now.control(signal.control);
    case 'variable':
      return signal.variable === null ? NaN : now.variable(signal.variable);
    case 'scene':
      return signal.scene === null ? NaN : now.scene === signal.scene ? 1 : 0;
    case 'picture':
      return signal.target === null ? NaN : now.presence.pictures[signal.target]?.seen ? 1 : 0;
    case 'hand':
      return frame.hands.some((h) => signal.shape === 'any' || h.gesture === signal.shape) ? 1 : 0;
    case 'loudness':
      return inputs.loudness ?? 0;
    case 'random':
      return chance(signal.seed, Math.floor(at.step * STEP * signal.rate + 1e-9));
    case 'noise':
      return smooth(signal.seed, at.step * STEP * signal.rate);
  }
};

const indexOf = (program: Program, id: string | null): number =>
  id === null ? -1 : (program.indexOf.get(id as never) ?? -1);
const matrixOf = (i: number, now: Readable): Matrix | null => now.places()[i]?.places[0]?.matrix ?? null;
const positionOfObject = (program: Program, id: string, now: Readable): Vec3 | null => {
  const i = indexOf(program, id);
  const matrix = i < 0 ? null : matrixOf(i, now);
  return matrix && positionOf(matrix);
};

const headSignal = (of: HeadSignal, face: TrackedFace, { camera: { pose } }: TrackFrame): number => {
  const apart = (a: number, b: number): number =>
    distance(pointAt(face.landmarks, a), pointAt(face.landmarks, b));
  switch (of) {
    case 'distance':
      return distance(face.pose.position, pose.position);
    case 'acrossX':
      return toLocal(pose, face.pose.position)[0];
    case 'upY':
      return toLocal(pose, face.pose.position)[1];
    // The sides before the ears, the corners of the mouth, the inner edges of the lips.
    case 'faceWidth':
      return apart(234, 454);
    case 'mouthWidth':
      return apart(61, 291);
    case 'mouthOpening':
      return apart(13, 14);
    default: {
      const angles = toAngles(compose(inverse(pose.rotation), face.pose.rotation));
      return angles[['pitch', 'yaw', 'roll'].indexOf(of)]!;
    }
  }
};

const objectSignal = (of: ObjectSignal, i: number, at: Instant): number => {
  const { now, program, frame, inputs } = at;
  const values = now.values(i);
  switch (of) {
    case 'visible':
      return values.visible ? 1 : 0;
    case 'opacity':
      return values.opacity;
    case 'moveX':
    case 'moveY':
    case 'moveZ':
      return values.move['XYZ'.indexOf(of[4]!)]!;
    case 'turnX':
    case 'turnY':
    case 'turnZ':
      return values.turn['XYZ'.indexOf(of[4]!)]!;
    case 'size':
      return Math.cbrt(Math.abs(values.scale[0] * values.scale[1] * values.scale[2]));
  }
  const place = now.places()[i];
  const matrix = place?.places[0]?.matrix;
  if (!place || !matrix) return NaN;
  const position = positionOf(matrix);
  switch (of) {
    case 'worldX':
    case 'worldY':
    case 'worldZ':
      return position['XYZ'.indexOf(of[5]!)]!;
    case 'distance':
      return distance(position, frame.camera.pose.position);
    case 'speed':
      return speedOf(program.objects[i]!.id, position, at);
    case 'screenX':
    case 'screenY': {
      const { fovY, aspect } = viewOf(frame, inputs.view);
      let x = (2 * position[0]) / (SCREEN_HEIGHT * aspect);
      let y = (2 * position[1]) / SCREEN_HEIGHT;
      if (place.layering === 'space') {
        const seen = toLocal(frame.camera.pose, position);
        // Behind the camera it is nowhere on the picture.
        if (seen[2] >= -1e-6) return NaN;
        const half = Math.tan((fovY * Math.PI) / 360) * -seen[2];
        x = seen[0] / (half * aspect);
        y = seen[1] / half;
      }
      return of === 'screenX' ? (x + 1) / 2 : (1 - y) / 2;
    }
  }
};

/** Metres a second since the step before; 0 when it was not asked for then. */
const speedOf = (id: string, at: Vec3, { step, memory }: Instant): number => {
  const before = memory[id];
  if (before?.step === step) return before.speed;
  const speed = before?.step === step - 1 ? distance(before.at, at) / STEP : 0;
  memory[id] = { step, at, speed };
  return speed;
};

/** From 0 to 1, by seed and number, the same everywhere. */
const chance = (seed: number, n: number): Unit => pcg3d(seed, n >>> 0, 77)[0] / 4294967296;
const smooth = (seed: number, at: Seconds): Unit => {
  const n = Math.floor(at);
  const t = at - n;
  const k = t * t * (3 - 2 * t);
  return chance(seed, n) * (1 - k) + chance(seed, n + 1) * k;
};

/** Whether a condition holds; one whose signal has no value does not. */
export const holds = ({ signal, is, value }: Condition, at: Instant): boolean => {
  const v = signalNow(signal, at);
  if (Number.isNaN(v)) return false;
  switch (is) {
    case 'above':
      return v > value;
    case 'below':
      return v < value;
    case 'equals':
      return Math.abs(v - value) < 1e-6;
    case 'differs':
      return Math.abs(v - value) >= 1e-6;
  }
};
