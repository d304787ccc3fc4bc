/**
 * Why a cue does nothing. Reasons are codes with the facts they rest on; the interface words them and
 * offers the way out.
 */
import type { Cue, Effect, ObjectId } from '../document/schema';
import type { Take } from '../takes/take';
import { STEP, type Unit } from '../units';
import { actionLength } from './program';
import { SIGNAL_OF, signalOf, type FaceSignal } from './triggers';
import type { Firing } from './runtime';

export type Reason =
  | { readonly code: 'off' }
  | { readonly code: 'no-actions' }
  | { readonly code: 'no-target'; readonly actionId: string }
  | { readonly code: 'no-scene'; readonly actionId: string }
  | { readonly code: 'target-hidden'; readonly actionId: string; readonly target: ObjectId }
  | { readonly code: 'already-shown'; readonly actionId: string; readonly target: ObjectId }
  | { readonly code: 'already-hidden'; readonly actionId: string; readonly target: ObjectId }
  | { readonly code: 'no-change'; readonly actionId: string; readonly target: ObjectId }
  | { readonly code: 'never-reached'; readonly beatIndex: number }
  | { readonly code: 'not-tapped' }
  | {
      readonly code: 'below-threshold';
      readonly signal: FaceSignal;
      readonly peak: Unit;
      readonly needs: Unit;
    };

/** The highest value a signal reaches on a take. */
export const peakOf = (take: Take, signal: FaceSignal): Unit => {
  let peak = 0;
  for (let t = 0; t < take.duration; t += STEP * 2)
    peak = Math.max(peak, signalOf(take.frameAt(t).faces[0], signal));
  return peak;
};

const changesVisibility = (
  effect: Effect,
  target: ObjectId,
  kinds: readonly string[],
  except?: string,
): boolean =>
  Object.values(effect.cues).some(
    (cue) =>
      cue.enabled &&
      cue.beats.some((beat) =>
        beat.actions.some((a) => a.target === target && kinds.includes(a.kind) && a.id !== except),
      ),
  );

/** Reasons that can be read off the document alone. */
export const standingReasons = (effect: Effect, cue: Cue): Reason[] => {
  const reasons: Reason[] = [];
  if (!cue.enabled) reasons.push({ code: 'off' });
  if (cue.beats.every((beat) => beat.actions.length === 0)) reasons.push({ code: 'no-actions' });
  let endless = false;
  cue.beats.forEach((beat, beatIndex) => {
    if (endless && beat.actions.length > 0) reasons.push({ code: 'never-reached', beatIndex });
    for (const action of beat.actions) {
      if (action.kind === 'scene') {
        if (action.scene === null || !effect.scenes[action.scene])
          reasons.push({ code: 'no-scene', actionId: action.id });
        continue;
      }
      if (actionLength(action) === Infinity) endless = true;
      const target = action.target === null ? undefined : effect.objects[action.target];
      if (!target) {
        reasons.push({ code: 'no-target', actionId: action.id });
        continue;
      }
      const about = { actionId: action.id, target: target.id };
      const shows = ['show', 'toggle'];
      const hides = ['hide', 'toggle'];
      if (action.kind === 'show') {
        const comesAndGoes = action.thereAndBack || changesVisibility(effect, target.id, hides, action.id);
        if (target.visible && !comesAndGoes) reasons.push({ code: 'already-shown', ...about });
      } else if (action.kind === 'hide') {
        const comesAndGoes = action.thereAndBack || changesVisibility(effect, target.id, shows, action.id);
        if (!target.visible && !comesAndGoes) reasons.push({ code: 'already-hidden', ...about });
      } else if (action.kind !== 'toggle') {
        if (!target.visible && !changesVisibility(effect, target.id, [...shows, 'hide']))
          reasons.push({ code: 'target-hidden', ...about });
        const still =
          ((action.kind === 'move' || action.kind === 'turn') &&
            action.mode === 'by' &&
            action.by.every((x) => x === 0)) ||
          (action.kind === 'size' && action.mode === 'by' && action.factor === 1);
        if (still) reasons.push({ code: 'no-change', ...about });
      }
    }
  });
  return reasons;
};

/** All reasons why the cue does nothing on this take; empty when it fired and can be seen. */
export const explain = (effect: Effect, cue: Cue, take: Take, firings: readonly Firing[]): Reason[] => {
  const reasons = standingReasons(effect, cue);
  if (!cue.enabled || firings.some((f) => f.cue === cue.id)) return reasons;
  const signal = SIGNAL_OF[cue.trigger.kind];
  if (signal)
    reasons.push({
      code: 'below-threshold',
      signal,
      peak: peakOf(take, signal),
      needs: cue.trigger.threshold,
    });
  else if (cue.trigger.kind === 'screenTapped') reasons.push({ code: 'not-tapped' });
  return reasons;
};
