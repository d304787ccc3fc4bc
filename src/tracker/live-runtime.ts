/** Steps a runtime along with real time: whole steps only, and never a flood of them after a pause. */
import type { Program } from '../core/program/program';
import { Runtime } from '../core/behave/runtime';
import type { Witness } from '../core/behave/witness';
import type { ControlSet, Finger, View } from '../core/program/inputs';
import type { ScriptEngine } from '../core/script/engine';
import type { ControlId, ViewerEvent } from '../core/document/schema';
import type { TrackFrame } from '../core/tracking/track-frame';
import { STEP } from '../core/units';

const MOST_STEPS = 15;

export class LiveRuntime {
  private current: Runtime;
  private compiled: Program;
  private due = 0;
  private last: number | null = null;
  private taps: { x: number; y: number }[] = [];
  private fingers: readonly Finger[] = [];
  private view: View | undefined;
  private controls: ControlSet[] = [];
  private events: ViewerEvent[] = [];
  private loudness = 0;

  constructor(
    program: Program,
    private scripts: ScriptEngine | null = null,
    private readonly witness: Witness | null = null,
  ) {
    this.compiled = program;
    this.current = new Runtime(program, { scripts, witness });
  }

  get runtime(): Runtime {
    return this.current;
  }
  get program(): Program {
    return this.compiled;
  }

  /** The document was changed, or what runs scripts is there now: values change, what is under way goes on. */
  change(program: Program, scripts: ScriptEngine | null = this.scripts): void {
    if (program === this.compiled && scripts === this.scripts) return;
    const next = new Runtime(program, { scripts, witness: this.witness });
    this.scripts = scripts;
    next.carryOn(this.compiled, this.current.save());
    this.compiled = program;
    this.current = next;
  }

  tap(x: number, y: number): void {
    this.taps.push({ x, y });
  }

  /** The fingers that lie on the picture from now on. */
  touch(fingers: readonly Finger[]): void {
    this.fingers = fingers;
  }

  /** What of the camera is seen. */
  setView(view: View): void {
    this.view = view;
  }

  /** Brings a control to a value. */
  control(control: ControlId, value: number): void {
    this.controls.push({ control, value });
  }

  /** What was done with the camera application. */
  event(event: ViewerEvent): void {
    this.events.push(event);
  }

  /** How loud the microphone hears it, from 0 to 1. */
  hear(loudness: number): void {
    this.loudness = loudness;
  }

  /** Catches up to `now` (seconds of any steady clock) with the newest frame. */
  advance(now: number, frame: TrackFrame): void {
    this.due = Math.min(MOST_STEPS * STEP, this.due + (this.last === null ? STEP : now - this.last));
    this.last = now;
    while (this.due >= STEP - 1e-9) {
      const { taps, fingers, view, controls, events, loudness } = this;
      this.taps = [];
      this.controls = [];
      this.events = [];
      this.runtime.step(frame, { taps, fingers, controls, events, loudness, ...(view ? { view } : {}) });
      this.due -= STEP;
    }
  }
}
