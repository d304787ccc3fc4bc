/**
 * Plays an effect over a take so that any moment can be asked for, forwards or backwards: it keeps a snapshot
 * each second and runs the steps between.
 */
import type { CueId, Effect, SceneId } from '../document/schema';
import type { ScriptEngine } from '../script/engine';
import type { Take } from '../takes/take';
import { withColours, type TakeColours } from '../takes/take-colours';
import type { TrackFrame } from '../tracking/track-frame';
import { STEP, STEPS_PER_SECOND, type Seconds, type Unit } from '../units';
import { compile, type Program } from '../program/program';
import { recordedOf, stepAt, type InputKind, type InputOf, type Recorded } from './recorded';
import { Runtime, type Snapshot } from './runtime';
import type { Firing, Witness } from './witness';
import { NO_INPUTS, type Finger, type Inputs } from '../program/inputs';
import { heardOn } from './loudness';

export interface PlayerOptions {
  /** What the viewer did, in order of time. */
  readonly recorded?: readonly Recorded[];
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
  /** The colours of the take's pictures, for effects that ask for them. */
  readonly colours?: TakeColours | null;
  /** Runs scripts; without it they rest. */
  readonly scripts?: ScriptEngine | null;
}

/** One step of a run, after it was taken. */
export interface Moment {
  readonly step: number;
  readonly runtime: Runtime;
  readonly frame: TrackFrame;
  readonly fired: readonly Firing[];
}

const byStep = (recorded: readonly Recorded[]): ReadonlyMap<number, readonly Recorded[]> => {
  const map = new Map<number, Recorded[]>();
  for (const record of recorded) {
    const step = stepAt(record.time);
    const there = map.get(step);
    if (there) there.push(record);
    else map.set(step, [record]);
  }
  return map;
};

/** The first step for which there is a record in one of the two alone. */
const firstDifference = (a: readonly Recorded[], b: readonly Recorded[]): number => {
  const [inA, inB] = [new Set(a), new Set(b)];
  const differ = [...a.filter((r) => !inB.has(r)), ...b.filter((r) => !inA.has(r))];
  return differ.reduce((first, { time }) => Math.min(first, stepAt(time)), Infinity);
};

export class Player {
  readonly program: Program;
  private readonly runtime: Runtime;
  private readonly recorded: readonly Recorded[];
  private readonly played: string;
  private readonly colours: TakeColours | null;
  private readonly snapshots: Snapshot[] = [];
  private readonly recordedAt: ReadonlyMap<number, readonly Recorded[]>;
  private readonly fingers: readonly { readonly step: number; readonly fingers: readonly Finger[] }[];
  private readonly noises: readonly { readonly step: number; readonly level: Unit }[];

  constructor(
    effect: Effect,
    readonly take: Take,
    {
      recorded = [],
      scene = null,
      only = null,
      fountains = true,
      witness = null,
      before = null,
      scripts = null,
      colours = null,
    }: PlayerOptions = {},
  ) {
    this.program = before?.program.effect === effect ? before.program : compile(effect);
    this.recorded = recorded;
    this.colours = colours;
    this.played = `${scene} ${only} ${fountains} ${scripts !== null}`;
    this.runtime = new Runtime(this.program, { scene, only, fountains, witness, scripts });
    this.recordedAt = byStep(recorded);
    this.fingers = recordedOf(recorded, 'fingers').map(({ time, input }) => ({
      step: stepAt(time),
      fingers: input.fingers,
    }));
    this.noises = recordedOf(recorded, 'noise').map(({ time, input }) => ({
      step: stepAt(time),
      level: input.level,
    }));
    this.snapshots.push(this.runtime.save());
    if (
      before &&
      before.program === this.program &&
      before.take === take &&
      before.colours === colours &&
      before.played === this.played
    ) {
      const same = firstDifference(before.recorded, recorded);
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
    const now = this.recordedAt.get(step) ?? [];
    const fingers = this.fingers.findLast((t) => t.step <= step)?.fingers ?? [];
    const noise = this.noises.findLast((n) => n.step <= step)?.level ?? 0;
    const loudness = Math.max(heardOn(frame), noise);
    if (now.length === 0 && fingers.length === 0 && loudness === 0) return NO_INPUTS;
    const of = <Kind extends InputKind>(kind: Kind): InputOf<Kind>[] =>
      recordedOf(now, kind).map((r) => r.input);
    return {
      taps: of('tap'),
      fingers,
      loudness,
      controls: of('control'),
      events: of('event').map((e) => e.event),
    };
  }

  private stepOnce(): Pick<Moment, 'frame' | 'fired'> {
    const step = this.runtime.steps;
    const frame = withColours(this.take.frameAt(step * STEP), this.colours);
    const fired = this.runtime.step(frame, this.inputsAt(step, frame));
    const at = this.runtime.steps / STEPS_PER_SECOND;
    if (Number.isInteger(at) && at === this.snapshots.length) this.snapshots.push(this.runtime.save());
    return { frame, fired };
  }
}
