/**
 * One cue at work: its beats begin one after the other, the actions of a beat run side by side. Plain state, so that a run can be
 * saved and restored at any step. Times are counted in steps, so that no rounding error grows.
 */
import type { Action } from '../document/schema';
import { eased } from '../maths/curve';
import { STEP } from '../units';
import type { Carried, World } from '../kinds/actions/action-kind';
import { actionKind } from '../kinds/actions/actions';
import { act, begun, overlaid } from './acting';
import { goneBack, putBack } from './put-back';
import type { CueWrites } from './parts/writing';
import type { CompiledAction, CompiledBeat, CompiledCue, Program } from '../program/program';
import type { Values } from '../kinds/values';
import { UNWATCHED, type WatchState } from '../kinds/triggers/trigger-kind';

/** An action under way. */
export interface Run {
  /** Steps until its delay is over. */
  wait: number;
  /** Steps since then, in its own time: it may be driven faster or slower. */
  clock: number;
  begun: boolean;
  done: boolean;
  /** What its object looked like when it began. */
  from: Values | null;
  carried: Carried | null;
  /** What its object looked like when the cue turned back. */
  back: Values | null;
}

export interface CueState {
  watches: WatchState[];
  resets: WatchState[];
  /** Step at which it was set going; null while it rests. */
  firedAt: number | null;
  /** Step at which it last fired, however long ago. */
  lastFired: number | null;
  times: number;
  /** It has acted, and what it did has not been taken back since: a reset, or the way back, has something to do. */
  out: boolean;
  /** The beats that have begun. */
  beats: Run[][];
  /** On its way there, or back to how things were. */
  forth: boolean;
  /** Steps it has been on its way back. */
  backClock: number;
  progress: number;
}

/** A cue before anything has happened. */
export const restingCue = ({ cue }: CompiledCue): CueState => ({
  watches: cue.triggers.map(() => UNWATCHED),
  resets: cue.resets.map(() => UNWATCHED),
  firedAt: null,
  lastFired: null,
  times: 0,
  out: false,
  beats: [],
  forth: true,
  backClock: 0,
  progress: 0,
});

/** A state that can be changed without changing this one. */
export const copiedCueState = (state: CueState): CueState => ({
  ...state,
  watches: [...state.watches],
  resets: [...state.resets],
  beats: state.beats.map((runs) => runs.map((run) => ({ ...run }))),
});

export interface Work {
  readonly program: Program;
  readonly write: CueWrites;
  readonly world: World;
  readonly step: number;
  /** Told when an action begins on an object, or puts it back. */
  readonly acted: ((compiled: CompiledAction, what: 'begins' | 'returns') => void) | null;
  /** How much faster than set an action runs now. */
  rate(action: Action): number;
}

const EPSILON = 1e-9;

const beginBeat = (beat: CompiledBeat, late: number): Run[] =>
  beat.actions.map(({ delay, speed }) => {
    const wait = delay / STEP - late;
    return {
      wait: Math.max(0, wait),
      clock: Math.max(0, -wait) * speed,
      begun: false,
      done: false,
      from: null,
      carried: null,
      back: null,
    };
  });

/**
 * Sets it going from its beginning. What was on its way and was to come back is first put back: else the way it was caught at
 * would count as how things were.
 */
export const startCue = (
  compiled: CompiledCue,
  state: CueState,
  program: Program,
  values: readonly Values[],
  step: number,
): void => {
  takeBack(compiled, state, program, values, ({ thereAndBack, after }) => thereAndBack || after === 'return');
  state.out = true;
  state.firedAt = step;
  state.forth = true;
  state.progress = 0;
  state.beats = compiled.beats.length > 0 ? [beginBeat(compiled.beats[0]!, 0)] : [];
};

/** Turns it back to how things were when it was first set going. */
export const turnBack = (
  compiled: CompiledCue,
  state: CueState,
  values: readonly Values[],
  step: number,
): void => {
  state.out = false;
  state.firedAt = step;
  state.forth = false;
  state.backClock = 0;
  forEachRun(compiled, state, ({ target }, run) => {
    run.back = target < 0 ? null : { ...values[target]! };
  });
};

/** Puts back what unfinished actions of a kind have changed, the last to have begun first. */
const takeBack = (
  compiled: CompiledCue,
  state: CueState,
  program: Program,
  values: readonly Values[],
  which: (action: Action) => boolean,
): void => {
  if (state.firedAt === null) return;
  const begun: [CompiledAction, Values][] = [];
  forEachRun(compiled, state, (action, run) => {
    if (run.from && !run.done && which(action.action)) begun.unshift([action, run.from]);
  });
  for (const [action, from] of begun) putBack(program, action, values[action.target]!, from);
};

/** Stops it where it is; what is only to last as long as its action is as before. */
export const stopCue = (
  compiled: CompiledCue,
  state: CueState,
  program: Program,
  values: readonly Values[],
): void => {
  takeBack(compiled, state, program, values, ({ after }) => after === 'return');
  state.firedAt = null;
  state.beats = [];
  state.forth = true;
  state.progress = 0;
};

const forEachRun = (
  compiled: CompiledCue,
  state: CueState,
  visit: (action: CompiledAction, run: Run) => void,
): void =>
  state.beats.forEach((runs, b) => runs.forEach((run, i) => visit(compiled.beats[b]!.actions[i]!, run)));

/** How far the slowest action of a beat is: 1 when it has ended. */
const leadShare = (beat: CompiledBeat, runs: readonly Run[]): number => {
  if (beat.lead < 0 || beat.span === 0) return beat.lead < 0 || runs[beat.lead]!.begun ? 1 : 0;
  const { delay, speed } = beat.actions[beat.lead]!;
  const run = runs[beat.lead]!;
  return (delay - run.wait * STEP + (run.clock * STEP) / speed) / beat.span;
};

const onceOnly = ({ action, target, amount }: CompiledAction, { write, program, step }: Work): void => {
  const { bid, once } = actionKind(action.kind);
  if (target < 0) return bid?.(action, write);
  const object = program.objects[target]!;
  once?.({ action, object, values: write.objects[target]!, amount, assets: program.effect.assets, step });
};

const perform = (compiled: CompiledAction, run: Run, work: Work): void => {
  const { target } = compiled;
  const values = target < 0 ? null : work.write.objects[target]!;
  if (!run.begun) {
    run.begun = true;
    run.from = values && { ...values };
    run.carried = values && begun(compiled, values, work.program, work.world);
    onceOnly(compiled, work);
    work.acted?.(compiled, 'begins');
  }
  if (!values) return;
  const elapsed = run.clock * STEP;
  const { from, carried } = run;
  run.carried = act(compiled, { values, from: from!, carried }, elapsed, work.program, work.world);
  const over = elapsed + EPSILON >= compiled.length ? null : overlaid(compiled, elapsed);
  if (over) work.write.addMotion(target, over);
};

/** One step of a run; false when there is nothing left to do. */
const stepRun = (compiled: CompiledAction, run: Run, work: Work): boolean => {
  if (run.done) return false;
  if (run.wait <= EPSILON) {
    perform(compiled, run, work);
    if (run.clock * STEP + EPSILON >= compiled.length) {
      run.done = true;
      if (compiled.action.after === 'return' && run.from && compiled.target >= 0) {
        work.acted?.(compiled, 'returns');
        putBack(work.program, compiled, work.write.objects[compiled.target]!, run.from);
      }
    }
  }
  return true;
};

/** Time goes on to the next step. */
const passTime = ({ action, speed }: CompiledAction, run: Run, work: Work): void => {
  if (run.done) return;
  const rate = speed * work.rate(action);
  if (run.wait <= EPSILON) run.clock += rate;
  else if (run.wait >= 1) run.wait -= 1;
  else {
    run.clock += (1 - run.wait) * rate;
    run.wait = 0;
  }
};

/** One step of a cue at work. True when it ended in it. */
export const stepCue = (compiled: CompiledCue, state: CueState, work: Work): boolean => {
  if (state.firedAt === null) return false;
  if (!state.forth) return stepBack(compiled, state, work);
  let running = false;
  for (let b = 0; b < state.beats.length; b++) {
    const beat = compiled.beats[b]!;
    const runs = state.beats[b]!;
    runs.forEach((run, i) => {
      if (stepRun(beat.actions[i]!, run, work)) running = true;
    });
    const next = compiled.beats[b + 1];
    if (!next || b + 1 < state.beats.length) continue;
    const share = leadShare(beat, runs);
    // What never ends is never over; a part of its first round is.
    if (beat.endless && next.begins === 1) continue;
    if (share + EPSILON < next.begins) continue;
    state.beats.push(beginBeat(next, Math.max(0, ((share - next.begins) * beat.span) / STEP)));
    running = true;
  }
  const last = state.beats.length - 1;
  if (last >= 0) {
    const { start, span } = compiled.beats[last]!;
    const share = Math.min(1, leadShare(compiled.beats[last]!, state.beats[last]!));
    state.progress = compiled.total > 0 ? Math.min(1, (start + share * span) / compiled.total) : 1;
  }
  forEachRun(compiled, state, (action, run) => passTime(action, run, work));
  const waits = state.beats.length < compiled.beats.length && !stuck(compiled, state);
  if (running || waits) return false;
  return end(state, compiled);
};

/** Whether the next beat waits for something that never ends. */
const stuck = (compiled: CompiledCue, state: CueState): boolean =>
  compiled.beats[state.beats.length - 1]!.endless;

const end = (state: CueState, { cue }: CompiledCue): boolean => {
  state.firedAt = null;
  state.progress = 0;
  // What it began with is needed for the way back.
  if (cue.fires !== 'toggle' || !state.forth) state.beats = [];
  return true;
};

const stepBack = (compiled: CompiledCue, state: CueState, work: Work): boolean => {
  let far = true;
  // The last to have begun goes first: what was there before all of them is put down last.
  const all: [CompiledAction, Run][] = [];
  forEachRun(compiled, state, (action, run) => all.unshift([action, run]));
  for (const [action, run] of all) {
    if (!run.begun || !run.from || !run.back || action.target < 0) continue;
    const time = action.length === 0 ? 0 : action.action.duration;
    const t = time > 0 ? Math.min(1, (state.backClock * STEP + EPSILON) / time) : 1;
    if (t < 1) far = false;
    goneBack(
      work.program,
      action,
      work.write.objects[action.target]!,
      run.back,
      run.from,
      t >= 1 ? 1 : eased(action.action.easing, t),
    );
  }
  state.backClock++;
  state.progress = far ? 0 : state.progress;
  return far ? end(state, compiled) : false;
};
