/** What cues do, in words: actions, curves, times, numbers. */
import {
  type Action,
  type ActionKind,
  type EasingChoice,
  type Effect,
  type EffectObject,
  type MaterialId,
  type NodeId,
  type ReadyPrompt,
} from '../core/document/schema';
import { type Easing } from '../core/maths/easing';
import { numberName } from '../core/kinds/numbers';
import { promptText } from '../core/behave/prompt-texts';
import { NODE_WORDS, portWords } from './material-words';
import { cueName } from './when-words';
import { named, objectName, trim } from './behave-names';

export const ACTION_WORDS: Record<ActionKind, string> = {
  show: 'show',
  hide: 'hide',
  toggle: 'show or hide',
  fade: 'fade',
  move: 'move',
  turn: 'turn',
  size: 'size',
  pose: 'go to a captured pose',
  circle: 'circle',
  face: 'face the viewer',
  follow: 'follow',
  shake: 'shake',
  sway: 'sway',
  bounce: 'bounce',
  colour: 'colour',
  number: 'change a number',
  play: 'play or stop',
  picture: 'next picture',
  burst: 'burst',
  flow: 'let it flow',
  variable: 'set a variable',
  prompt: 'prompt',
  scene: 'go to scene',
  cue: 'start or stop a cue',
};
export const ACTION_GROUPS: readonly (readonly [string, readonly ActionKind[]])[] = [
  ['Seen or not', ['show', 'hide', 'toggle', 'fade', 'colour']],
  ['Move', ['move', 'turn', 'size', 'pose', 'circle', 'follow', 'face']],
  ['Keeps moving', ['sway', 'shake', 'bounce']],
  ['Play', ['play', 'picture', 'burst', 'flow']],
  ['Values', ['number', 'variable']],
  ['Effect', ['prompt', 'scene', 'cue']],
];

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

/** The first object it acts on. */
const objectOf = (effect: Effect, { targets: [id] }: Action): EffectObject | undefined =>
  id === undefined ? undefined : effect.objects[id];

/** What an action does, without saying to what: "size to 130 %", "move by 0, 3, 0 cm". */
export const actionSummary = (effect: Effect, action: Action): string => {
  const list = (v: readonly number[], k: number) => v.map((n) => trim(n * k)).join(', ');
  switch (action.kind) {
    case 'fade':
      return `fade to ${trim(action.opacity * 100)} %`;
    case 'move':
      return `move ${action.mode} ${list(action.by, 100)} cm`;
    case 'turn':
      return `turn ${action.mode} ${list(action.by, 1)}°`;
    case 'size':
      return `size ${action.mode} ${trim(action.factor * 100)} %`;
    case 'pose':
      return 'go to the captured pose';
    case 'circle':
      return `circle ${action.around === 'viewer' ? 'the viewer' : action.around === 'middle' ? 'its middle' : objectName(effect, action.object)}`;
    case 'follow':
      return `follow ${action.object === null ? 'the viewer' : objectName(effect, action.object)}`;
    case 'sway':
      return `sway ${trim(action.angle)}°`;
    case 'bounce':
      return `bounce ${trim(action.height * 100)} cm`;
    case 'colour':
      return `colour to ${action.colour}`;
    case 'number':
      return action.property === ''
        ? 'change a number to be chosen'
        : `${numberName(objectOf(effect, action), action.property)} ${action.mode} ${trim(action.value)}`;
    case 'play':
      return { play: 'play', pause: 'pause', stop: 'stop' }[action.do];
    case 'picture':
      return action.go === 'to' ? `picture ${action.number}` : `${action.go} picture`;
    case 'burst':
      return `burst of ${action.count}`;
    case 'flow':
      return action.share === 1 ? 'flow' : `flow at ${trim(action.share * 100)} %`;
    case 'variable': {
      const name = named(effect.variables, action.variable, 'variable');
      return action.mode === 'to'
        ? `set ${name} to ${trim(action.value)}`
        : `change ${name} by ${trim(action.value)}`;
    }
    case 'prompt':
      return `${action.show ? 'show' : 'hide'} the prompt “${promptName(effect, action.prompt)}”`;
    case 'scene':
      return `go to ${named(effect.scenes, action.scene, 'scene')}`;
    case 'cue':
      return `${action.do} “${cueName(effect, action.cue)}”`;
    default:
      return ACTION_WORDS[action.kind];
  }
};

export const promptName = (effect: Effect, id: string | null): string => {
  const prompt = id === null ? undefined : effect.prompts[id as keyof Effect['prompts']];
  if (!prompt) return id === null ? 'a prompt to be chosen' : 'a deleted prompt';
  return promptText(prompt, 'en') || 'empty prompt';
};
export const readyPromptWords = (key: ReadyPrompt): string =>
  promptText({ text: { kind: 'ready', key } }, 'en');

/** On what: "Kelp crown", "Crab and 11 more". */
export const targetsWords = (effect: Effect, action: Action): string => {
  const names = action.targets.flatMap((id) => effect.objects[id]?.name ?? []);
  if (names.length <= 2) return names.join(' and ');
  return `${names[0]} and ${names.length - 1} more`;
};

/** How long, how often: "0.4 s after 1 s, 3 times". */
export const timingWords = (action: Action, atOnce: boolean): string => {
  const wait = action.delay > 0 ? ` after ${trim(action.delay)} s` : '';
  if (atOnce) return `at once${wait}`;
  const back = action.thereAndBack ? ', there and back' : '';
  const times = action.repeat === 0 ? ', without end' : action.repeat > 1 ? `, ${action.repeat} times` : '';
  return `${trim(action.duration)} s${wait}${back}${times}${action.after === 'return' ? ', then as before' : ''}`;
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
  return `${found?.name ?? 'a deleted material'}: ${type ? NODE_WORDS[type].name.toLowerCase() : 'a deleted node'}, ${portWords(port)}`;
};
