/** Why nothing happens, in sentences. */
import { type Cause, type Reason } from '../core/behave/why';
import { type Missing } from '../core/behave/explain';
import { type Acted } from '../core/behave/chronicle';
import { type Action, type Cue, type Effect } from '../core/document/schema';
import {
  conditionWords,
  cueName,
  namesIn,
  sentenceOf,
  signalWords,
  triggerWords,
  valueWords,
} from './when-words';
import { isTruth } from '../core/kinds/signals/signals';
import { actionKind, unsuited } from '../core/kinds/actions/actions';
import { actionSummary } from './then-words';
import { objectName } from './behave-names';
import { written } from '../core/kinds/written';

/** What has to be chosen. */
export const LACKS: Record<Missing, string> = {
  object: 'an object',
  picture: 'a printed picture',
  control: 'a control',
  cue: 'a cue',
  variable: 'a variable',
  scene: 'a scene',
  prompt: 'a prompt',
  material: 'a material',
  asset: 'a picture that was brought in',
  compound: 'a compound',
};

const actionById = (cue: Cue, id: string): Action | undefined =>
  cue.beats.flatMap((b) => b.actions).find((a) => a.id === id);

/** Why a cue does nothing, as a sentence. */
export const reasonWords = (effect: Effect, cue: Cue, reason: Reason): string => {
  const trigger = (i: number): string => {
    const found = cue.triggers[i];
    return found ? triggerWords(effect, found) : '';
  };
  /** In the unit of the signal that cannot get there. */
  const range = ({ of, index, reach }: Extract<Reason, { code: 'out-of-reach' }>): string => {
    const asked = of === 'trigger' ? cue.triggers[index] : cue.conditions[index];
    const [from, to] = reach.map((end) =>
      asked && 'signal' in asked ? valueWords(asked.signal, end, namesIn(effect)) : written(end),
    );
    return `from ${from} to ${to}`;
  };
  switch (reason.code) {
    case 'off':
      return 'This cue is switched off.';
    case 'no-triggers':
      return 'Nothing sets it off: say when it happens.';
    case 'no-actions':
      return 'Nothing happens: the cue has no action yet.';
    case 'beat-off':
      return `Beat ${reason.beat + 1} is switched off.`;
    case 'no-target': {
      const action = actionById(cue, reason.actionId);
      return `“${action ? actionSummary(effect, action) : 'An action'}” has no target: choose what it acts on.`;
    }
    case 'action-lacks':
      return `An action needs ${LACKS[reason.what]}: choose one.`;
    case 'trigger-lacks':
      return `What sets it off needs ${LACKS[reason.what]}: choose one.`;
    case 'condition-lacks':
      return `A condition needs ${LACKS[reason.what]}: choose one.`;
    case 'out-of-reach':
      return reason.of === 'trigger'
        ? `It can never fire: ${trigger(reason.index)}, but that only goes ${range(reason)}.`
        : `It can never fire: only if ${conditionWords(effect, cue.conditions[reason.index]!)}, but that only goes ${range(reason)}.`;
    case 'wrong-kind': {
      const action = actionById(cue, reason.actionId);
      const object = effect.objects[reason.target];
      const why = action && object && unsuited(action, object, effect.assets);
      const name = objectName(effect, reason.target);
      if (object?.kind === 'group')
        return `Nothing in ${name} can do this: ${action ? actionSummary(effect, action) : 'it'}.`;
      return `${name} ${why ?? 'does nothing here'}.`;
    }
    case 'target-hidden':
      return `${objectName(effect, reason.target)} is hidden and no cue shows it, so this cannot be seen.`;
    case 'already-shown':
      return `${objectName(effect, reason.target)} is shown from the start, so showing it changes nothing.`;
    case 'already-hidden':
      return `${objectName(effect, reason.target)} is hidden from the start, so hiding it changes nothing.`;
    case 'no-change':
      return `The action leaves ${objectName(effect, reason.target)} as it is: its amount is zero.`;
    case 'never-reached':
      return `Beat ${reason.beatIndex + 1} never starts: the beat before it repeats without end.`;
    case 'endless':
      return 'It goes on without end and nothing stops it: not wrong, if that is meant.';
    case 'sets-itself-off':
      return 'It sets itself off, again and again.';
    case 'two-writers':
      return `“${cueName(effect, reason.other)}” changes the same of ${objectName(effect, reason.target)} at the same time: the lower cue wins.`;
    case 'refused':
      return refusedWords(effect, cue, reason);
    case 'not-reached': {
      const found = cue.triggers[reason.trigger];
      if (found?.kind !== 'level') return 'Not fired on this take.';
      const name = signalWords(effect, found.signal);
      if (isTruth(found.signal)) {
        const happened = sentenceOf(found.signal, namesIn(effect), found.when === 'rises') ?? name;
        return `Not fired on this take: it never comes that ${happened}.`;
      }
      if (reason.value === null) return `Not fired on this take: ${name} had no value.`;
      return found.when === 'rises'
        ? `Not fired on this take: ${name} peaked at ${reason.value.toFixed(2)}, needs ${found.level.toFixed(2)}.`
        : `Not fired on this take: ${name} went down to ${reason.value.toFixed(2)}, needs less than ${found.level.toFixed(2)}.`;
    }
    case 'not-happened': {
      const found = cue.triggers[reason.trigger];
      if (found?.kind === 'screen' && found.gesture === 'tap')
        return 'Not fired on this take: no tap is recorded. Tap the picture to record one.';
      if (found?.kind === 'viewer')
        return `Not fired on this take: ${trigger(reason.trigger)} did not happen. Do it with the buttons under the picture.`;
      return `Not fired on this take: ${trigger(reason.trigger)} did not happen.`;
    }
  }
};

const refusedWords = (
  effect: Effect,
  cue: Cue,
  { why, time, times }: Extract<Reason, { code: 'refused' }>,
): string => {
  const when = `Set off at ${time.toFixed(2)} s${times > 1 ? ` (${times} times in all)` : ''}, but`;
  switch (why.code) {
    case 'once':
      return `${when} it fires only once.`;
    case 'busy':
      return `${when} it was still at work.`;
    case 'cooldown':
      return `${when} it had fired less than ${written(cue.cooldown)} s before.`;
    case 'condition': {
      const condition = cue.conditions[why.index];
      if (!condition) return `${when} a condition did not hold.`;
      const was =
        why.value === null
          ? 'had no value'
          : `was ${valueWords(condition.signal, why.value, namesIn(effect))}`;
      return `${when} not: ${conditionWords(effect, condition)} (it ${was}).`;
    }
  }
};

const WHAT_WORDS: Record<Acted['what'], string> = {
  begins: 'did it',
  returns: 'put it back',
  turnsBack: 'went back',
  resets: 'was reset',
};

/** One link of the chain of causes. */
export const causeWords = (effect: Effect, cause: Cause): string => {
  switch (cause.code) {
    case 'placed':
      return cause.visible ? 'Shown from the start.' : 'Hidden from the start.';
    case 'acted': {
      const cue = effect.cues[cause.act.cue];
      const action = cue && actionById(cue, cause.act.action);
      const what = action ? actionSummary(effect, action) : actionKind(cause.act.kind).name;
      return `${what}: the cue “${cueName(effect, cause.act.cue)}” ${WHAT_WORDS[cause.act.what]} at ${cause.act.time.toFixed(1)} s.`;
    }
    case 'group-hidden':
      return `Its group ${objectName(effect, cause.group)} is hidden.`;
    case 'other-scene':
      return 'Another scene is on.';
    case 'transparent':
      return 'Its opacity is 0 %.';
    case 'waits': {
      const cue = effect.cues[cause.cue]!;
      const why = cause.reasons
        .map((r) => reasonWords(effect, cue, r).replace(/^Not fired on this take: /, ''))
        .join(' ');
      return `“${cueName(effect, cause.cue)}” has not fired${why ? `: ${why}` : '.'}`;
    }
  }
};
