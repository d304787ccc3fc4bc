/** What cues do, in words: actions, curves, times, numbers. */
import {
  type Action,
  type Drive,
  type EasingChoice,
  type Effect,
  type MaterialId,
  type NodeId,
  type ReadyPrompt,
} from '../core/document/schema';
import { type Easing } from '../core/maths/easing';
import type { ActionNames } from '../core/kinds/actions/action-kind';
import { actionKind } from '../core/kinds/actions/actions';
import { bareNumberName, unitOfNumber } from '../core/kinds/numbers';
import { promptText } from '../core/behave/prompt-texts';
import { SURFACE_NODES, portLabel } from '../core/surface/catalogue';
import { drivenLengths } from '../core/document/behaviour-queries';
import { namesIn, signalWords } from './when-words';
import { written, writtenIn } from '../core/kinds/written';

export const EASING_WORDS: Record<Easing, string> = {
  steady: 'steady',
  in: 'slow start',
  out: 'slow end',
  inOut: 'slow start and end',
  overshoot: 'overshoot',
  spring: 'spring',
};
export const easingWords = (easing: EasingChoice): string => {
  if (typeof easing === 'string') return EASING_WORDS[easing];
  if (easing.kind === 'steps') return `${easing.count} steps`;
  return easing.kind === 'bezier' ? 'own curve' : 'own spring';
};

/** How things are called in sentences about an action. */
const namesFor = (effect: Effect, { targets: [first] }: Action): ActionNames => {
  const object = first === undefined ? undefined : effect.objects[first];
  return {
    ...namesIn(effect),
    number: (property) => bareNumberName(object, property),
    amountOf: (property, value) => writtenIn(unitOfNumber(object, property), value),
  };
};

/** What an action does, without saying to what: "size to 130 %", "move by 0, 3, 0 cm". */
export const actionSummary = (effect: Effect, action: Action): string => {
  const { summary, name } = actionKind(action.kind);
  return summary?.(action, namesFor(effect, action)) ?? name;
};

export const readyPromptWords = (key: ReadyPrompt): string =>
  promptText({ text: { kind: 'ready', key } }, 'en');

/** On what: "Kelp crown", "Crab and 11 more". */
export const targetsWords = (effect: Effect, action: Action): string => {
  const names = action.targets.flatMap((id) => effect.objects[id]?.name ?? []);
  if (names.length <= 2) return names.join(' and ');
  return `${names[0]} and ${names.length - 1} more`;
};

/** How long a driven action takes: "0.8 to 10 s by Speed of the glass". */
export const drivenWords = (effect: Effect, drive: Drive): string => {
  const [shortest, longest] = drivenLengths(drive);
  const length = shortest === longest ? written(longest) : `${written(shortest)} to ${written(longest)}`;
  return `${length} s by ${signalWords(effect, drive.signal)}`;
};

/** How long, how often: "0.4 s after 1 s, 3 times". `driven` is said instead of its own length. */
export const timingWords = (action: Action, atOnce: boolean, driven: string | null = null): string => {
  const wait = action.delay > 0 ? ` after ${written(action.delay)} s` : '';
  if (atOnce) return `at once${wait}`;
  const back = action.thereAndBack ? ', there and back' : '';
  const times = action.repeat === 0 ? ', without end' : action.repeat > 1 ? `, ${action.repeat} times` : '';
  return `${driven ?? `${written(action.duration)} s`}${wait}${back}${times}${action.after === 'return' ? ', then as before' : ''}`;
};

/** "Water light: noise, scale" */
export const circuitInputWords = (
  effect: Effect,
  material: MaterialId,
  node: NodeId,
  port: string,
): string => {
  const found = effect.materials[material];
  const type = found?.circuit?.[node]?.type;
  return `${found?.name ?? 'a deleted material'}: ${type ? SURFACE_NODES[type].name.toLowerCase() : 'a deleted node'}, ${portLabel(type, port)}`;
};
