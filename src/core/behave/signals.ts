/** Signals read from an instant of the runtime. What each kind is stands in `kinds/signals`. */
import type { ControlId, CueId, ObjectId, TargetId, VariableId } from '../document/schema';
import { holds, readSignal, type Condition, type Signal } from '../kinds/signals/signals';
import type { SignalSource } from '../kinds/signals/signal-kind';
import { readNumber } from '../kinds/numbers';
import type { Values } from '../kinds/values';
import { positionOf, type Matrix } from '../maths/matrix';
import { toLocal } from '../maths/pose';
import { distance, type Vec3 } from '../maths/vec3';
import { SCREEN_HEIGHT } from '../placing/anchors';
import type { ObjectPlaces } from '../placing/places';
import { faceInSlot, type Presence } from '../placing/presence';
import { viewOf } from '../placing/touch';
import type { Inputs } from '../program/inputs';
import type { Program } from '../program/program';
import type { TrackedFace, TrackFrame } from '../tracking/track-frame';
import { STEP, type Seconds, type Unit } from '../units';

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

/** The value now; NaN where there is none: no such face, no such object, nowhere to be found. */
export const signalNow = (signal: Signal, at: Instant): number => readSignal(signal, new SourceAt(at));
/** Whether a condition holds; one whose signal has no value does not. */
export const holdsNow = (condition: Condition, at: Instant): boolean => holds(condition, new SourceAt(at));

class SourceAt implements SignalSource {
  constructor(private readonly at: Instant) {}

  get time(): Seconds {
    return this.at.step * STEP;
  }
  get frame(): TrackFrame {
    return this.at.frame;
  }
  get loudness(): Unit {
    return this.at.inputs.loudness ?? 0;
  }
  get scene(): string | null {
    return this.at.now.scene;
  }
  face(number: number): TrackedFace | undefined {
    return faceInSlot(this.at.now.presence, this.at.frame, number - 1);
  }
  values(object: ObjectId): Readonly<Values> | null {
    const i = this.at.program.indexOf.get(object);
    return i === undefined ? null : this.at.now.values(i);
  }
  numberOf(object: ObjectId, path: string): number {
    const i = this.at.program.indexOf.get(object);
    if (i === undefined) return NaN;
    return readNumber(this.at.program.objects[i]!, this.at.now.values(i), path) ?? NaN;
  }
  matrixOf(object: ObjectId): Matrix | null {
    return this.placesOf(object)?.places[0]?.matrix ?? null;
  }
  onScreen(object: ObjectId): readonly [x: number, y: number] | null {
    const { frame, inputs } = this.at;
    const place = this.placesOf(object);
    const matrix = this.matrixOf(object);
    if (!place || !matrix) return null;
    const position = positionOf(matrix);
    const { fovY, aspect } = viewOf(frame, inputs.view);
    let x = (2 * position[0]) / (SCREEN_HEIGHT * aspect);
    let y = (2 * position[1]) / SCREEN_HEIGHT;
    if (place.layering === 'space') {
      const seen = toLocal(frame.camera.pose, position);
      // Behind the camera it is nowhere on the picture.
      if (seen[2] >= -1e-6) return null;
      const half = Math.tan((fovY * Math.PI) / 360) * -seen[2];
      x = seen[0] / (half * aspect);
      y = seen[1] / half;
    }
    return [(x + 1) / 2, (1 - y) / 2];
  }
  speedOf(object: ObjectId, position: Vec3): number {
    const { memory, step } = this.at;
    const before = memory[object];
    if (before?.step === step) return before.speed;
    const speed = before?.step === step - 1 ? distance(before.at, position) / STEP : 0;
    memory[object] = { step, at: position, speed };
    return speed;
  }
  progress(cue: CueId): Unit {
    const i = this.at.program.cueIndex.get(cue);
    return i === undefined ? NaN : this.at.now.progress(i);
  }
  timesFired(cue: CueId): number {
    const i = this.at.program.cueIndex.get(cue);
    return i === undefined ? NaN : this.at.now.times(i);
  }
  control(id: ControlId): number {
    return this.at.now.control(id);
  }
  variable(id: VariableId): number {
    return this.at.now.variable(id);
  }
  seesPicture(id: TargetId): boolean {
    return this.at.now.presence.pictures[id]?.seen === true;
  }
  private placesOf(object: ObjectId): ObjectPlaces | undefined {
    const i = this.at.program.indexOf.get(object);
    return i === undefined ? undefined : this.at.now.places()[i];
  }
}
