/**
 * The one runtime for behaviour. It holds no clock and no chance: the same program, frames and inputs give
 * the same values, so a take can be scrubbed both ways.
 *
 *   const runtime = new Runtime(compile(effect));
 *   runtime.step(frame, inputs);          // one sixtieth of a second
 *   runtime.values(0).visible             // the first object's state now
 *   const saved = runtime.save();         // plain JSON; restore(saved) goes on exactly from there
 */
import type { Action, SceneId } from '../document/schema';
import { ease } from '../maths/easing';
import { lerp } from '../maths/scalar';
import { mix, multiply, scale, add, type Vec3 } from '../maths/vec3';
import { facesBySlot, nextPresence, NOBODY, type Presence } from '../placing/presence';
import { Handling, type HandlingState } from '../placing/handling';
import type { ByHand } from '../placing/local';
import type { StateNow } from '../placing/places';
import type { TrackFrame } from '../tracking/track-frame';
import { STEP, type Seconds } from '../units';
import { actionLength, roundLength, type CompiledAction, type CompiledCue, type Program } from './program';
import type { Values } from './values';
import { FIRES_ON, NO_INPUTS, RELEASE_SHARE, SIGNAL_OF, signalOf, type Inputs } from './triggers';

/** A running action: what its object looked like when the action began. */
interface ActionRun {
  from: Values | null;
  done: boolean;
}
interface CueState {
  /** The watched signal is over the threshold. */
  over: boolean;
  /** Step at which the cue last fired; null when it is not running. */
  firedAt: number | null;
  runs: ActionRun[];
}

export interface Snapshot {
  readonly step: number;
  readonly values: Values[];
  readonly cues: CueState[];
  readonly presence: Presence;
  readonly hands: HandlingState;
  readonly scene: SceneId | null;
}

/** A cue that fired, for marks and explanations. */
export interface Firing {
  readonly cue: CompiledCue['id'];
  readonly time: Seconds;
}

const copyValues = (v: Values): Values => ({ ...v });

/**
 * Copies of all that steps change in place. Vectors, and what an action began with, are never changed but replaced,
 * so they are shared: a snapshot each second of hundreds of objects has to cost little.
 */
const copyState = (
  values: readonly Values[],
  cues: readonly CueState[],
): { values: Values[]; cues: CueState[] } => ({
  values: values.map(copyValues),
  cues: cues.map((cue) => ({ ...cue, runs: cue.runs.map((run) => ({ ...run })) })),
});

export class Runtime implements StateNow {
  private stepCount = 0;
  private readonly state: Values[];
  private readonly cues: CueState[];
  private there: Presence = NOBODY;
  private readonly hands: Handling;
  private sceneNow: SceneId | null;

  /** `startScene` begins elsewhere than at the opening scene, for working on one. */
  constructor(
    private readonly program: Program,
    startScene: SceneId | null = null,
  ) {
    this.hands = new Handling(program);
    this.sceneNow =
      startScene !== null && program.effect.scenes[startScene] ? startScene : program.openingScene;
    this.state = program.objects.map((o) => ({
      visible: o.visible,
      opacity: 'opacity' in o ? o.opacity : 1,
      move: o.move,
      turn: o.turn,
      scale: o.scale,
    }));
    this.cues = program.cues.map(() => ({ over: false, firedAt: null, runs: [] }));
  }

  /** Steps taken so far. */
  get steps(): number {
    return this.stepCount;
  }

  /** The state of object `i` of the program. Do not keep or change it. */
  values(i: number): Readonly<Values> {
    return this.state[i]!;
  }

  /** Faces, pictures and surfaces as the last step left them. */
  get presence(): Presence {
    return this.there;
  }
  get scene(): SceneId | null {
    return this.sceneNow;
  }
  /** Whether cue `i` of the program has fired and has not come to its end. */
  isAtWork(i: number): boolean {
    return this.cues[i]!.firedAt !== null;
  }
  /** What the viewer did to object `i`; null when nothing. */
  byHand(i: number): ByHand | null {
    return this.hands.of(i);
  }

  /** Runs one step and tells which cues fired in it. */
  step(frame: TrackFrame, inputs: Inputs = NO_INPUTS): Firing[] {
    const fired: Firing[] = [];
    this.there = nextPresence(this.there, frame, this.program.targets);
    this.hands.step(frame, inputs, this);
    this.program.cues.forEach((cue, i) => {
      const state = this.cues[i]!;
      if (!this.fires(cue, state, frame, inputs)) return;
      state.firedAt = this.stepCount;
      state.runs = cue.actions.map(() => ({ from: null, done: false }));
      fired.push({ cue: cue.id, time: this.stepCount * STEP });
    });
    this.program.cues.forEach((cue, i) => this.advance(cue, this.cues[i]!));
    this.stepCount++;
    return fired;
  }

  private fires(cue: CompiledCue, state: CueState, frame: TrackFrame, inputs: Inputs): boolean {
    const { kind, threshold } = cue.trigger;
    if (kind === 'effectStarts') return this.stepCount === 0;
    if (kind === 'screenTapped') return inputs.taps.length > 0;
    const signal = SIGNAL_OF[kind];
    if (!signal) return false;
    const value = signalOf(facesBySlot(this.there, frame)[0], signal);
    const was = state.over;
    state.over = value >= threshold * (was ? RELEASE_SHARE : 1);
    return FIRES_ON[kind] === 'rise' ? !was && state.over : was && !state.over;
  }

  private advance(cue: CompiledCue, state: CueState): void {
    if (state.firedAt === null) return;
    // Counted in steps, so that no rounding error grows with time.
    const time = (this.stepCount - state.firedAt) * STEP;
    let running = false;
    cue.actions.forEach((compiled, i) => {
      const run = state.runs[i]!;
      if (run.done) return;
      running = true;
      if (time + 1e-9 < compiled.start) return;
      if (compiled.action.kind === 'scene') {
        if (compiled.action.scene !== null && this.program.effect.scenes[compiled.action.scene])
          this.sceneNow = compiled.action.scene;
      } else {
        run.from ??= copyValues(this.state[compiled.target]!);
        this.apply(compiled, run.from, time - compiled.start);
      }
      if (time + 1e-9 >= compiled.end) run.done = true;
    });
    if (!running) state.firedAt = null;
  }

  private apply({ action, target }: CompiledAction, from: Values, elapsed: Seconds): void {
    const values = this.state[target]!;
    const { round, forth } = progress(action, elapsed);
    switch (action.kind) {
      case 'show':
        values.visible = forth;
        return;
      case 'hide':
        values.visible = !forth;
        return;
      case 'toggle':
        values.visible = action.thereAndBack || round % 2 === 0 ? from.visible !== forth : from.visible;
        return;
    }
    const k = eased(action, elapsed);
    // A "by" action that does not come back goes on from where the last round ended.
    const rounds = action.thereAndBack ? 0 : round;
    switch (action.kind) {
      case 'fade':
        values.opacity = lerp(from.opacity, action.opacity, Math.min(1, Math.max(0, k)));
        return;
      case 'move':
        values.move = by(action.mode, from.move, action.by, k, rounds);
        return;
      case 'turn':
        values.turn = by(action.mode, from.turn, action.by, k, rounds);
        return;
      case 'size': {
        const placed = this.program.objects[target]!.scale;
        if (action.mode === 'to') values.scale = mix(from.scale, scale(placed, action.factor), k);
        else {
          const f = lerp(1, action.factor, k) * action.factor ** rounds;
          values.scale = multiply(from.scale, [f, f, f]);
        }
        return;
      }
    }
  }

  save(): Snapshot {
    return {
      step: this.stepCount,
      ...copyState(this.state, this.cues),
      presence: this.there,
      hands: this.hands.state,
      scene: this.sceneNow,
    };
  }

  restore(snapshot: Snapshot): void {
    const copy = copyState(snapshot.values, snapshot.cues);
    this.stepCount = snapshot.step;
    this.there = snapshot.presence;
    this.hands.state = snapshot.hands;
    this.sceneNow = snapshot.scene;
    this.state.splice(0, this.state.length, ...copy.values);
    this.cues.splice(0, this.cues.length, ...copy.cues);
  }
}

const by = (mode: 'to' | 'by', from: Vec3, value: Vec3, k: number, rounds: number): Vec3 =>
  mode === 'to' ? mix(from, value, k) : add(from, scale(value, k + rounds));

/** Which round an action is in, and whether it is on its way there (or stays there) or back. */
const progress = (action: Action, elapsed: Seconds): { round: number; forth: boolean } => {
  const once = roundLength(action);
  const length = actionLength(action);
  if (once === 0 || length === 0) return { round: 0, forth: !action.thereAndBack };
  if (elapsed + 1e-9 >= length) return { round: Math.round(length / once) - 1, forth: !action.thereAndBack };
  const round = Math.floor((elapsed + 1e-9) / once);
  return { round, forth: elapsed - round * once + 1e-9 < action.duration };
};

/** Eased progress within the round: 0 to 1, and back to 0 when it comes back. */
const eased = (action: Action, elapsed: Seconds): number => {
  const once = roundLength(action);
  const length = actionLength(action);
  if (once === 0 || elapsed + 1e-9 >= length) return action.thereAndBack ? 0 : 1;
  const inRound = elapsed - Math.floor((elapsed + 1e-9) / once) * once;
  const t = Math.max(0, inRound) / action.duration;
  return t <= 1 ? ease(action.easing, t) : ease(action.easing, 2 - t);
};
