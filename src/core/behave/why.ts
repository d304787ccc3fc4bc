/** Why a cue or an object is as it is at a moment of a take: the chain of causes, from the chronicle of what happened. */
import { cuesActingOn, parentOf } from '../document/queries';
import type { Cue, CueId, Effect, EffectObject, ObjectId } from '../document/schema';
import type { Seconds } from '../units';
import type { Acted, Chronicle } from './chronicle';
import { isNote, standingReasons, type Standing } from './explain';
import type { Refusal } from './witness';

/** What kept a cue from firing up to a moment. */
export type Reason =
  | Standing
  /** Set off, but not let. The last time. */
  | { readonly code: 'refused'; readonly why: Refusal; readonly time: Seconds; readonly times: number }
  /** A level that its signal did not cross. */
  | {
      readonly code: 'not-reached';
      readonly trigger: number;
      readonly value: number | null;
      readonly time: Seconds;
    }
  /** It did not happen on this take. */
  | { readonly code: 'not-happened'; readonly trigger: number };

/** Why a cue had not fired by `time`; with what is wrong with it even if it fired. */
export const whyCue = (effect: Effect, cue: Cue, chronicle: Chronicle, time = Infinity): Reason[] => {
  const standing = standingReasons(effect, cue);
  const fired = chronicle.firings.some((f) => f.cue === cue.id && f.time <= time);
  if (!cue.enabled || fired) return standing;
  const reasons: Reason[] = [...standing];
  const refusals = chronicle.refusals.filter((r) => r.cue === cue.id && r.time <= time);
  const last = refusals.at(-1);
  if (last) {
    reasons.push({ code: 'refused', why: last.why, time: last.time, times: refusals.length });
    return reasons;
  }
  cue.triggers.forEach((trigger, i) => {
    if (standing.some((s) => s.code === 'trigger-lacks' && s.trigger === i)) return;
    if (standing.some((s) => s.code === 'out-of-reach' && s.of === 'trigger' && s.index === i)) return;
    if (trigger.kind === 'level') {
      const near = chronicle.nearest.find((n) => n.cue === cue.id && n.trigger === i);
      reasons.push({ code: 'not-reached', trigger: i, value: near?.value ?? null, time: near?.time ?? 0 });
    } else reasons.push({ code: 'not-happened', trigger: i });
  });
  return reasons;
};

/** One link of the chain: what an object is, and who made it so. */
export type Cause =
  /** It is so from the start. */
  | { readonly code: 'placed'; readonly object: ObjectId; readonly visible: boolean }
  | { readonly code: 'acted'; readonly object: ObjectId; readonly act: Acted }
  | { readonly code: 'group-hidden'; readonly group: ObjectId }
  | { readonly code: 'other-scene'; readonly object: ObjectId }
  | { readonly code: 'transparent'; readonly object: ObjectId }
  /** A cue that would change it has not fired, and why. */
  | { readonly code: 'waits'; readonly cue: CueId; readonly reasons: readonly Reason[] };

/** What an object is at the moment, as the runtime says. */
export interface ObjectState {
  readonly visible: boolean;
  readonly opacity: number;
  readonly inScene: boolean;
}

/** The chain for an object: what it is and since when, then which of its cues have not fired, and why. */
export const whyObject = (
  effect: Effect,
  object: EffectObject,
  chronicle: Chronicle,
  time: Seconds,
  stateOf: (id: ObjectId) => ObjectState | null,
): Cause[] => {
  const causes: Cause[] = [];
  const state = stateOf(object.id);
  const last = (id: ObjectId, change: Acted['changes'][number]): Acted | undefined =>
    chronicle.acts.findLast((a) => a.target === id && a.time <= time && a.changes.includes(change));
  if (state && !state.inScene) causes.push({ code: 'other-scene', object: object.id });
  const shown = last(object.id, 'visible');
  if (shown) causes.push({ code: 'acted', object: object.id, act: shown });
  else causes.push({ code: 'placed', object: object.id, visible: object.visible });
  for (let up = parentOf(effect, object); up; up = parentOf(effect, up))
    if (stateOf(up.id)?.visible === false) causes.push({ code: 'group-hidden', group: up.id });
  if (state && state.visible && state.opacity === 0) {
    const faded = last(object.id, 'opacity');
    causes.push(
      faded ? { code: 'acted', object: object.id, act: faded } : { code: 'transparent', object: object.id },
    );
  }
  for (const change of ['move', 'turn', 'scale', 'colour', 'media', 'open'] as const) {
    const act = last(object.id, change);
    if (act && !causes.some((c) => c.code === 'acted' && c.act === act))
      causes.push({ code: 'acted', object: object.id, act });
  }
  for (const cue of cuesActingOn(effect, object.id)) {
    if (chronicle.firings.some((f) => f.cue === cue.id && f.time <= time)) continue;
    const reasons = whyCue(effect, cue, chronicle, time).filter((r) => !isNote(r));
    causes.push({ code: 'waits', cue: cue.id, reasons });
  }
  return causes;
};
