/**
 * Triggers watched from step to step: plain state in, plain state and whether it went off out. `rises` and `appears` also go off
 * when things are so from the beginning; `falls`, `leaves` and `lost` need to have been otherwise.
 */
import type { HeadGesture, Trigger } from '../../document/schema';
import { STEP } from '../../units';
import type { ControlId, SurfaceKind, TouchGesture, VariableId, ViewerEvent } from '../../document/schema';
import { signalNow, type Instant } from '../signals';
import { nextLevel } from './level';

/** What happened in this step, or in the one before where it follows from what cues did. */
export interface Happened {
  /** Touches of the picture, and which object each met: its index and those of the groups it hangs in. */
  readonly touches: readonly { readonly gesture: TouchGesture; readonly objects: readonly number[] }[];
  readonly headGestures: readonly { readonly face: number; readonly gesture: HeadGesture }[];
  readonly events: readonly ViewerEvent[];
  readonly controls: ReadonlySet<ControlId>;
  /** By what was dragged and let go: the surface it stands on. */
  readonly placed: SurfaceKind | null;
  readonly variables: ReadonlySet<VariableId>;
  /** Indices of cues that began and ended in the step before. */
  readonly began: ReadonlySet<number>;
  readonly ended: ReadonlySet<number>;
}

export interface WatchState {
  readonly over: boolean;
  readonly since: number;
  /** What was seen last; null before anything was. */
  readonly last: number | null;
}
export const UNWATCHED: WatchState = { over: false, since: 0, last: null };

/** A face that is gone shows no expression; other signals without a value say nothing. */
const levelValue = (trigger: Extract<Trigger, { kind: 'level' }>, at: Instant): number => {
  const value = signalNow(trigger.signal, at);
  return Number.isNaN(value) && trigger.signal.kind === 'expression' ? 0 : value;
};

const nextCrossing = (
  trigger: Extract<Trigger, { kind: 'level' }>,
  state: WatchState,
  at: Instant,
): { state: WatchState; fired: boolean } => {
  const value = levelValue(trigger, at);
  if (Number.isNaN(value)) return { state, fired: false };
  // Falling is rising upside down.
  const way = trigger.when === 'rises' ? 1 : -1;
  const level = way * trigger.level;
  let { over, since } = state;
  // What is below from the beginning has not fallen.
  if (state.last === null && way < 0 && -value >= level) over = true;
  const next = nextLevel(
    { over, since },
    way * value,
    { level, release: level - trigger.slack, hold: trigger.hold },
    STEP,
  );
  ({ over, since } = next.state);
  const same = over === state.over && since === state.since && state.last !== null;
  return { state: same ? state : { over, since, last: 0 }, fired: next.event === 'rise' };
};

/** Something that is or is not: whether it came, or went. */
const nextThere = (
  state: WatchState,
  there: boolean,
  comes: boolean,
): { state: WatchState; fired: boolean } => {
  const was = state.over;
  return {
    state: was === there && state.last !== null ? state : { over: there, since: 0, last: 0 },
    fired: comes ? there && !was : was && !there,
  };
};

export const nextWatch = (
  trigger: Trigger,
  state: WatchState,
  at: Instant,
  happened: Happened,
): { readonly state: WatchState; readonly fired: boolean } => {
  const { now, program } = at;
  const only = (fired: boolean) => ({ state, fired });
  switch (trigger.kind) {
    case 'effectStarts':
      return only(at.step === 0);
    case 'after':
      return only(at.step === Math.round(trigger.seconds / STEP));
    case 'every': {
      const rounds = (steps: number): number => Math.floor((steps * STEP) / trigger.seconds + 1e-9);
      return only(at.step > 0 && rounds(at.step) > rounds(at.step - 1));
    }
    case 'screen':
      return only(happened.touches.some((t) => t.gesture === trigger.gesture));
    case 'touch': {
      const i = trigger.object === null ? undefined : program.indexOf.get(trigger.object);
      return only(
        i !== undefined &&
          happened.touches.some((t) => t.gesture === trigger.gesture && t.objects.includes(i)),
      );
    }
    case 'level':
      return nextCrossing(trigger, state, at);
    case 'head':
      return only(
        happened.headGestures.some((g) => g.face === trigger.face && g.gesture === trigger.gesture),
      );
    case 'face':
      return nextThere(state, now.presence.slots[trigger.face - 1] != null, trigger.when === 'appears');
    case 'picture': {
      const seen = trigger.target !== null && now.presence.pictures[trigger.target]?.seen === true;
      return nextThere(state, seen, trigger.when === 'found');
    }
    case 'surface':
      if (trigger.when === 'placed') return only(happened.placed === trigger.surface);
      return nextThere(state, now.presence.surfaces[trigger.surface] !== undefined, true);
    case 'viewer':
      return only(happened.events.includes(trigger.event));
    case 'control':
      return only(trigger.control !== null && happened.controls.has(trigger.control));
    case 'variable':
      return only(trigger.variable !== null && happened.variables.has(trigger.variable));
    case 'cue': {
      const i = trigger.cue === null ? undefined : program.cueIndex.get(trigger.cue);
      if (i === undefined) return only(false);
      if (trigger.moment === 'begins') return only(happened.began.has(i));
      if (trigger.moment === 'ends') return only(happened.ended.has(i));
      const progress = happened.ended.has(i) ? 1 : now.progress(i);
      // A new round begins below where the last one was left.
      const last = happened.began.has(i) ? 0 : (state.last ?? 0);
      const fired = progress >= trigger.share && last < trigger.share && progress > 0;
      return { state: { over: false, since: 0, last: progress }, fired };
    }
  }
};
