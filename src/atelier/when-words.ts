/** What sets cues off, in words: triggers, signals, conditions. */
import { READY, readyNameOf, type ReadyTrigger } from '../core/kinds/triggers/ready-triggers';
import { shownIn, signalKind } from '../core/kinds/signals/signals';
import { triggerKind } from '../core/kinds/triggers/triggers';
import {
  type Comparison,
  type Condition,
  type Cue,
  type CueId,
  type Effect,
  type ObjectId,
  type Signal,
  type Trigger,
} from '../core/document/schema';
import { named, objectName, promptName } from './behave-names';
import { numberName, unitOfNumber } from '../core/kinds/numbers';
import type { Names } from '../core/kinds/names';
import { writtenIn } from '../core/kinds/written';

/** What a cue is called: by its name, or by what sets it off. `within` are cues whose names are being made: they may set each other off. */
export const cueName = (
  effect: Effect,
  id: string | null,
  within: ReadonlySet<string> = new Set(),
): string => {
  const cue = id === null ? undefined : effect.cues[id as CueId];
  if (!cue) return id === null ? 'a cue to be chosen' : 'a deleted cue';
  if (cue.name) return cue.name;
  return within.has(cue.id) ? 'a cue without a name' : whenWords(effect, cue, new Set([...within, cue.id]));
};

/** How things are called in sentences. */
export const namesIn = (effect: Effect, within?: ReadonlySet<string>): Names => ({
  object: (id) => objectName(effect, id),
  cue: (id) => cueName(effect, id, within),
  prompt: (id) => promptName(effect, id),
  scene: (id) => named(effect.scenes, id, 'scene'),
  control: (id) => named(effect.controls, id, 'control'),
  variable: (id) => named(effect.variables, id, 'variable'),
  picture: (id) => named(effect.targets, id, 'printed picture'),
  compound: (id) => named(effect.compounds, id, 'compound'),
  numberOf: (id, path) => numberName(id === null ? undefined : effect.objects[id as ObjectId], path),
  unitOfNumber: (id, path) => unitOfNumber(id === null ? undefined : effect.objects[id as ObjectId], path),
});

/** A value that a signal may have, with its unit where it has one. */
export const valueWords = (signal: Signal, value: number, names: Names): string =>
  writtenIn(shownIn(signal, names.unitOfNumber), value);

const wordsOf = (signal: Signal, names: Names): string => signalKind(signal.kind).words(signal, names);
export const signalWords = (effect: Effect, signal: Signal): string => wordsOf(signal, namesIn(effect));

/** What is called by its signal and its level, though it is ready. */
const LEVEL_AS_IT_IS: ReadonlySet<ReadyTrigger> = new Set([
  'viewerNear',
  'viewerFar',
  'facesCount',
  'facesNear',
  'signalCrosses',
]);

/** "mouth opens", "Shell is tapped", "viewer comes within 0.8 m of Crab". */
export const triggerWords = (effect: Effect, trigger: Trigger): string =>
  triggerNamed(trigger, namesIn(effect));

const triggerNamed = (trigger: Trigger, names: Names): string => {
  const own = triggerKind(trigger.kind).words?.(trigger, names);
  if (own) return own;
  const ready = readyNameOf(trigger);
  if (trigger.kind !== 'level') return ready ? READY[ready].words : trigger.kind;
  const { signal, when, level } = trigger;
  if (ready && !LEVEL_AS_IT_IS.has(ready))
    return READY[ready].words + ('face' in signal && signal.face > 1 ? ` (face ${signal.face})` : '');
  return `${wordsOf(signal, names)} ${when === 'rises' ? 'rises to' : 'falls below'} ${valueWords(signal, level, names)}`;
};

/** All triggers of a cue: "mouth opens or screen is tapped". */
export const whenWords = (effect: Effect, cue: Cue, within?: ReadonlySet<string>): string => {
  const names = namesIn(effect, within ?? new Set([cue.id]));
  return cue.triggers.length === 0
    ? 'another cue starts it'
    : cue.triggers.map((trigger) => triggerNamed(trigger, names)).join(' or ');
};

export const COMPARISON_WORDS: Record<Comparison, string> = {
  above: 'is above',
  below: 'is below',
  equals: 'is',
  differs: 'is not',
};
/** "Crab is shown", "an open palm is not shown"; null for what is a number. */
export const sentenceOf = (signal: Signal, names: Names, yes: boolean): string | null => {
  const { sentence } = signalKind(signal.kind);
  if (!sentence || sentence.of?.(signal) === false) return null;
  return `${sentence.words?.(signal, names) ?? wordsOf(signal, names)} ${yes ? sentence.yes : sentence.no}`;
};
export const conditionWords = (effect: Effect, { signal, is, value }: Condition): string => {
  const yes = (is === 'above' && value < 1) || (is === 'equals' && value === 1);
  const no = (is === 'below' && value > 0) || (is === 'equals' && value === 0);
  const names = namesIn(effect);
  if (yes || no) {
    const sentence = sentenceOf(signal, names, yes);
    if (sentence) return sentence;
  }
  return `${wordsOf(signal, names)} ${COMPARISON_WORDS[is]} ${valueWords(signal, value, names)}`;
};
