/**
 * Plays an effect over a take so that any moment can be asked for, forwards or backwards: it keeps a snapshot
 * each second and runs the steps between.
 */
import type { Effect } from '../document/schema';
import type { Take } from '../takes/take';
import { STEP, STEPS_PER_SECOND, type Seconds, type Unit } from '../units';
import { compile, type Program } from './program';
import { Runtime, type Firing, type Snapshot } from './runtime';
import { NO_INPUTS, type Inputs } from './triggers';

/** A tap of the viewer, recorded on the take. */
export interface RecordedTap {
  readonly time: Seconds;
  readonly x: Unit;
  readonly y: Unit;
}

export const stepAt = (time: Seconds): number => Math.round(time * STEPS_PER_SECOND);

export class Player {
  readonly program: Program;
  private readonly runtime: Runtime;
  private readonly snapshots: Snapshot[] = [];
  private readonly tapsAt = new Map<number, Inputs>();

  constructor(
    effect: Effect,
    readonly take: Take,
    taps: readonly RecordedTap[] = [],
  ) {
    this.program = compile(effect);
    this.runtime = new Runtime(this.program);
    for (const tap of taps) {
      const step = stepAt(tap.time);
      const before = this.tapsAt.get(step)?.taps ?? [];
      this.tapsAt.set(step, { taps: [...before, { x: tap.x, y: tap.y }] });
    }
    this.snapshots.push(this.runtime.save());
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

  /** Every firing of every cue over the whole take. */
  firings(): Firing[] {
    const all: Firing[] = [];
    this.runtime.restore(this.snapshots[0]!);
    while (this.runtime.steps < stepAt(this.take.duration)) all.push(...this.stepOnce());
    return all;
  }

  private stepOnce(): Firing[] {
    const step = this.runtime.steps;
    const fired = this.runtime.step(this.take.frameAt(step * STEP), this.tapsAt.get(step) ?? NO_INPUTS);
    const at = this.runtime.steps / STEPS_PER_SECOND;
    if (Number.isInteger(at) && at === this.snapshots.length) this.snapshots.push(this.runtime.save());
    return fired;
  }
}
