/**
 * Plays an effect over a take so that any moment can be asked for, forwards or backwards: it keeps a snapshot
 * each second and runs the steps between.
 */
import type { CueId, Effect, SceneId, ViewerEvent } from '../document/schema';
import type { Take } from '../takes/take';
import type { TrackFrame } from '../tracking/track-frame';
import { STEP, STEPS_PER_SECOND, type Seconds, type Unit } from '../units';
import { compile, type Program } from './program';
import { Runtime, type Snapshot } from './runtime';
import type { Firing, Witness } from './witness';
import { NO_INPUTS, type ControlSet, type Finger, type Inputs } from './inputs';
import { heardOn } from './loudness';

/** A tap of the viewer, recorded on the take. */
export interface RecordedTap {
  readonly time: Seconds;
  readonly x: Unit;
  readonly y: Unit;
}

/** Which fingers lie on the picture from this moment on, until the next such record. */
export interface RecordedTouch {
  readonly time: Seconds;
  readonly fingers: readonly Finger[];
}

/** A control that was brought to a value, and what was done with the camera application, recorded on the take. */
export interface RecordedControl extends ControlSet {
  readonly time: Seconds;
}
export interface RecordedEvent {
  readonly time: Seconds;
  readonly event: ViewerEvent;
}

export interface PlayerOptions {
  /** In order of time. */
  readonly touches?: readonly RecordedTouch[];
  readonly controls?: readonly RecordedControl[];
  readonly events?: readonly RecordedEvent[];
  /** Only this cue fires, at the start. */
  readonly only?: CueId | null;
  /** Without particles, for whoever does not draw. */
  readonly fountains?: boolean;
  readonly witness?: Witness | null;
  /**
   * A player of the same effect on the same take: what it has found out up to where the records differ is not run again. So
   * whoever taps or drags a control at a moment does not wait for all that was before.
   */
  readonly before?: Player | null;
  /** Begins in this scene instead of the opening scene. */
  readonly scene?: SceneId | null;
}

/** One step of a run, after it was taken. */
export interface Moment {
  readonly step: number;
  readonly runtime: Runtime;
  readonly frame: TrackFrame;
  readonly fired: readonly Firing[];
}

const byStep = <T extends { readonly time: Seconds }>(records: readonly T[]): Map<number, T[]> => {
  const map = new Map<number, T[]>();
  for (const record of records) {
    const step = stepAt(record.time);
    map.set(step, [...(map.get(step) ?? []), record]);
  }
  return map;
};

interface Records {
  readonly taps: readonly RecordedTap[];
  readonly touches: readonly RecordedTouch[];
  readonly controls: readonly RecordedControl[];
  readonly events: readonly RecordedEvent[];
}
/** The first step for which there is a record in one of the two alone. */
const firstDifference = (a: Records, b: Records): number => {
  const all = (r: Records): ReadonlySet<{ readonly time: Seconds }> =>
    new Set([...r.taps, ...r.touches, ...r.controls, ...r.events]);
  const [inA, inB] = [all(a), all(b)];
  const differ = [...[...inA].filter((r) => !inB.has(r)), ...[...inB].filter((r) => !inA.has(r))];
  return differ.reduce((first, { time }) => Math.min(first, stepAt(time)), Infinity);
};

export const stepAt = (time: Seconds): number => Math.round(time * STEPS_PER_SECOND);

export class Player {
  readonly program: Program;
  private readonly runtime: Runtime;
  private readonly records: Records;
  private readonly played: string;
  private readonly snapshots: Snapshot[] = [];
  private readonly tapsAt: ReadonlyMap<number, RecordedTap[]>;
  private readonly touches: readonly { readonly step: number; readonly fingers: readonly Finger[] }[];
  private readonly controlsAt: ReadonlyMap<number, RecordedControl[]>;
  private readonly eventsAt: ReadonlyMap<number, RecordedEvent[]>;

  constructor(
    effect: Effect,
    readonly take: Take,
    taps: readonly RecordedTap[] = [],
    {
      touches = [],
      controls = [],
      events = [],
      scene = null,
      only = null,
      fountains = true,
      witness = null,
      before = null,
    }: PlayerOptions = {},
  ) {
    this.program = before?.program.effect === effect ? before.program : compile(effect);
    this.records = { taps, touches, controls, events };
    this.played = `${scene} ${only} ${fountains}`;
    this.runtime = new Runtime(this.program, { scene, only, fountains, witness });
    this.tapsAt = byStep(taps);
    this.controlsAt = byStep(controls);
    this.eventsAt = byStep(events);
    this.touches = touches.map(({ time, fingers }) => ({ step: stepAt(time), fingers }));
    this.snapshots.push(this.runtime.save());
    if (before && before.program === this.program && before.take === take && before.played === this.played) {
      const same = firstDifference(before.records, this.records);
      this.snapshots.push(...before.snapshots.slice(1).filter((s) => s.step <= same));
    }
  }

  /**
   * Brings the runtime to the moment `time`: the state after the step that begins there.
   * Returns it for reading; it is valid until the next call.
   */
  at(time: Seconds): Runtime {
    const wanted = stepAt(time) + 1;
    if (wanted < this.runtime.steps || wanted > this.runtime.steps + STEPS_PER_SECOND) {
      const nearest = Math.min(Math.floor(wanted / STEPS_PER_SECOND), this.snapshots.length - 1);
      const saved = this.snapshots[nearest]!;
      if (wanted < this.runtime.steps || saved.step > this.runtime.steps) this.runtime.restore(saved);
    }
    while (this.runtime.steps < wanted) this.stepOnce();
    return this.runtime;
  }

  /** Runs the whole take from its start and tells of every step. The runtime is valid during the call. */
  run(visit: (moment: Moment) => void): void {
    this.runtime.restore(this.snapshots[0]!);
    while (this.runtime.steps < stepAt(this.take.duration)) {
      const step = this.runtime.steps;
      visit({ step, runtime: this.runtime, ...this.stepOnce() });
    }
  }

  private inputsAt(step: number, frame: TrackFrame): Inputs {
    const taps = this.tapsAt.get(step);
    const fingers = this.touches.findLast((t) => t.step <= step)?.fingers;
    const controls = this.controlsAt.get(step);
    const events = this.eventsAt.get(step);
    const loudness = heardOn(frame);
    if (!taps && !fingers?.length && !controls && !events && loudness === 0) return NO_INPUTS;
    return {
      taps: taps ?? [],
      fingers: fingers ?? [],
      loudness,
      ...(controls ? { controls } : {}),
      ...(events ? { events: events.map((e) => e.event) } : {}),
    };
  }

  private stepOnce(): Pick<Moment, 'frame' | 'fired'> {
    const step = this.runtime.steps;
    const frame = this.take.frameAt(step * STEP);
    const fired = this.runtime.step(frame, this.inputsAt(step, frame));
    const at = this.runtime.steps / STEPS_PER_SECOND;
    if (Number.isInteger(at) && at === this.snapshots.length) this.snapshots.push(this.runtime.save());
    return { frame, fired };
  }
}
