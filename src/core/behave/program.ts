/** Compiles the cues of a document into what the runtime steps through. */
import { cueOrder, stackOrder } from '../document/queries';
import type { Action, CueId, Effect, EffectObject, ObjectId, Trigger } from '../document/schema';
import type { Seconds } from '../units';

export interface CompiledAction {
  readonly action: Action;
  /** Index of the target in `Program.objects`. */
  readonly target: number;
  /** From the moment the cue fires, delay included. */
  readonly start: Seconds;
  readonly end: Seconds;
}

export interface CompiledCue {
  readonly id: CueId;
  readonly trigger: Trigger;
  readonly actions: readonly CompiledAction[];
  readonly end: Seconds;
}

export interface Program {
  readonly objects: readonly EffectObject[];
  readonly cues: readonly CompiledCue[];
}

/** Time one round of an action takes. */
export const roundLength = (action: Action): Seconds => action.duration * (action.thereAndBack ? 2 : 1);

/** Time an action takes after its delay; Infinity when it repeats without end. */
export const actionLength = (action: Action): Seconds => {
  const once = roundLength(action);
  // Showing and hiding happen at once, unless they come back or repeat.
  if ((action.kind === 'show' || action.kind === 'hide') && !action.thereAndBack) return 0;
  if (action.kind === 'toggle' && !action.thereAndBack && action.repeat === 1) return 0;
  return action.repeat === 0 && once > 0 ? Infinity : once * Math.max(1, action.repeat);
};

/** Actions without a target, and disabled cues, are left out; `explain.ts` says so on the cue. */
export const compile = (effect: Effect): Program => {
  const objects = stackOrder(effect);
  const indexOf = new Map<ObjectId, number>(objects.map((o, i) => [o.id, i]));
  const cues = cueOrder(effect)
    .filter((cue) => cue.enabled)
    .map((cue): CompiledCue => {
      const actions: CompiledAction[] = [];
      let beatStart = 0;
      for (const beat of cue.beats) {
        let beatEnd = beatStart;
        for (const action of beat.actions) {
          const start = beatStart + action.delay;
          const end = start + actionLength(action);
          beatEnd = Math.max(beatEnd, end);
          const target = action.target === null ? undefined : indexOf.get(action.target);
          if (target !== undefined && start < Infinity) actions.push({ action, target, start, end });
        }
        beatStart = beatEnd;
      }
      return { id: cue.id, trigger: cue.trigger, actions, end: beatStart };
    });
  return { objects, cues };
};
