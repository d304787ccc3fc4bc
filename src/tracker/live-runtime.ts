/** Steps a runtime along with real time: whole steps only, and never a flood of them after a pause. */
import type { Program } from '../core/behave/program';
import { Runtime } from '../core/behave/runtime';
import { NO_INPUTS, type Inputs } from '../core/behave/triggers';
import type { TrackFrame } from '../core/tracking/track-frame';
import { STEP } from '../core/units';

const MOST_STEPS = 15;

export class LiveRuntime {
  readonly runtime: Runtime;
  private due = 0;
  private last: number | null = null;
  private taps: { x: number; y: number }[] = [];

  constructor(readonly program: Program) {
    this.runtime = new Runtime(program);
  }

  tap(x: number, y: number): void {
    this.taps.push({ x, y });
  }

  /** Catches up to `now` (seconds of any steady clock) with the newest frame. */
  advance(now: number, frame: TrackFrame): void {
    this.due = Math.min(MOST_STEPS * STEP, this.due + (this.last === null ? STEP : now - this.last));
    this.last = now;
    let inputs: Inputs = this.taps.length > 0 ? { taps: this.taps } : NO_INPUTS;
    while (this.due >= STEP - 1e-9) {
      this.runtime.step(frame, inputs);
      if (inputs !== NO_INPUTS) this.taps = [];
      inputs = NO_INPUTS;
      this.due -= STEP;
    }
  }
}
