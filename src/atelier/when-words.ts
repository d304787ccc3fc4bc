/** What sets cues off, in words: triggers, signals, conditions. */
import { READY, readyNameOf, type ReadyTrigger } from '../core/kinds/triggers/ready-triggers';
import type { TriggerNames } from '../core/kinds/triggers/trigger-kind';
import { triggerKind } from '../core/kinds/triggers/triggers';
import {
  type Comparison,
  type Condition,
  type Cue,
  type CueId,
  type Effect,
  type HeadSignal,
  type ObjectSignal,
  type Signal,
  type SignalKind,
  type Trigger,
} from '../core/document/schema';
import { named, objectName } from './behave-names';
import { written } from '../core/kinds/written';

export const HEAD_WORDS: Record<HeadSignal, string> = {
  pitch: 'pitch (°)',
  yaw: 'turn to the side (°)',
  roll: 'tilt (°)',
  distance: 'distance (m)',
  acrossX: 'place across (m)',
  upY: 'height (m)',
  faceWidth: 'width of the face (m)',
  mouthWidth: 'width of the mouth (m)',
  mouthOpening: 'opening of the mouth (m)',
};
export const OBJECT_WORDS: Record<ObjectSignal, string> = {
  visible: 'is shown',
  opacity: 'opacity',
  moveX: 'move x (m)',
  moveY: 'move y (m)',
  moveZ: 'move z (m)',
  turnX: 'turn x (°)',
  turnY: 'turn y (°)',
  turnZ: 'turn z (°)',
  size: 'size',
  worldX: 'world x (m)',
  worldY: 'world y (m)',
  worldZ: 'world z (m)',
  screenX: 'on the screen, across',
  screenY: 'on the screen, down',
  distance: 'distance to the viewer (m)',
  speed: 'speed (m/s)',
};
export const SIGNAL_KIND_WORDS: Record<SignalKind, string> = {
  expression: 'Expression',
  head: 'Head',
  faces: 'Number of faces',
  facesApart: 'Two faces apart',
  object: 'Object',
  apart: 'Distance of objects',
  angle: 'Angle between objects',
  time: 'Time',
  progress: 'Progress of a cue',
  times: 'Times a cue fired',
  control: 'Control',
  variable: 'Variable',
  scene: 'Scene is on',
  picture: 'Printed picture is seen',
  hand: 'Hand is shown',
  loudness: 'Loudness',
  random: 'Random',
  noise: 'Smooth noise',
};
const HAND_WORDS = {
  any: 'a hand',
  palm: 'an open palm',
  fist: 'a fist',
  thumb: 'a thumb up',
  point: 'pointing',
};
/** The measures of a whole face, as the trade would say; the 52 coefficients keep their names. */
const MEASURE_WORDS: Record<string, string> = {
  smile: 'smile',
  frown: 'frown',
  blow: 'blowing',
  winkLeft: 'left wink',
  winkRight: 'right wink',
  eyesClosed: 'closed eyes',
  browsRaised: 'raised brows',
  tongueShown: 'tongue',
};
export const expressionWords = (name: string): string => MEASURE_WORDS[name] ?? name;

/** What a cue is called: by its name, or by what sets it off. */
export const cueName = (effect: Effect, id: CueId | null): string => {
  const cue = id === null ? undefined : effect.cues[id];
  if (!cue) return id === null ? 'a cue to be chosen' : 'a deleted cue';
  return cue.name || whenWords(effect, cue);
};

export const signalWords = (effect: Effect, signal: Signal): string => {
  const face = 'face' in signal && signal.face > 1 ? ` of face ${signal.face}` : '';
  switch (signal.kind) {
    case 'expression':
      return `${expressionWords(signal.name)}${face}`;
    case 'head':
      return `head ${HEAD_WORDS[signal.of]}${face}`;
    case 'faces':
      return 'number of faces';
    case 'facesApart':
      return `face ${signal.face} to face ${signal.other} (m)`;
    case 'object':
      return `${objectName(effect, signal.object)} ${OBJECT_WORDS[signal.of]}`;
    case 'apart':
      return `${objectName(effect, signal.object)} to ${signal.from === null ? 'the viewer' : objectName(effect, signal.from)} (m)`;
    case 'angle':
      return `angle of ${objectName(effect, signal.object)} to ${signal.from === null ? 'the viewer' : objectName(effect, signal.from)} (°)`;
    case 'time':
      return 'time (s)';
    case 'progress':
      return `progress of “${cueName(effect, signal.cue)}”`;
    case 'times':
      return `times “${cueName(effect, signal.cue)}” fired`;
    case 'control':
      return named(effect.controls, signal.control, 'control');
    case 'variable':
      return named(effect.variables, signal.variable, 'variable');
    case 'scene':
      return `scene ${named(effect.scenes, signal.scene, 'scene')}`;
    case 'picture':
      return `picture ${named(effect.targets, signal.target, 'picture')}`;
    case 'hand':
      return HAND_WORDS[signal.shape];
    case 'loudness':
      return 'loudness';
    case 'random':
      return 'random';
    case 'noise':
      return 'noise';
  }
};

/** What is called by its signal and its level, though it is ready. */
const LEVEL_AS_IT_IS: ReadonlySet<ReadyTrigger> = new Set([
  'viewerNear',
  'viewerFar',
  'facesCount',
  'facesNear',
  'signalCrosses',
]);

/** How things are called in sentences about triggers. */
const namesIn = (effect: Effect): TriggerNames => ({
  object: (id) => objectName(effect, id),
  picture: (id) => named(effect.targets, id, 'printed picture'),
  control: (id) => named(effect.controls, id, 'control'),
  variable: (id) => named(effect.variables, id, 'variable'),
  cue: (id) => cueName(effect, id),
  signal: (signal) => signalWords(effect, signal),
});

/** "mouth opens", "Shell is tapped", "viewer comes within 0.8 m of Crab". */
export const triggerWords = (effect: Effect, trigger: Trigger): string => {
  const own = triggerKind(trigger.kind).words?.(trigger, namesIn(effect));
  if (own) return own;
  const ready = readyNameOf(trigger);
  if (trigger.kind !== 'level') return ready ? READY[ready].words : trigger.kind;
  const { signal, when, level } = trigger;
  if (ready && !LEVEL_AS_IT_IS.has(ready))
    return READY[ready].words + ('face' in signal && signal.face > 1 ? ` (face ${signal.face})` : '');
  return `${signalWords(effect, signal)} ${when === 'rises' ? 'rises to' : 'falls below'} ${written(level)}`;
};

/** All triggers of a cue: "mouth opens or screen is tapped". */
export const whenWords = (effect: Effect, cue: Cue): string =>
  cue.triggers.length === 0
    ? 'another cue starts it'
    : cue.triggers.map((t) => triggerWords(effect, t)).join(' or ');

export const COMPARISON_WORDS: Record<Comparison, string> = {
  above: 'is above',
  below: 'is below',
  equals: 'is',
  differs: 'is not',
};
/** Those that are either so or not so read as a sentence. */
const YES_NO: ReadonlySet<SignalKind> = new Set(['scene', 'picture', 'hand']);
export const conditionWords = (effect: Effect, { signal, is, value }: Condition): string => {
  const yes = (is === 'above' && value < 1) || (is === 'equals' && value === 1);
  const no = (is === 'below' && value > 0) || (is === 'equals' && value === 0);
  if (signal.kind === 'object' && signal.of === 'visible' && (yes || no))
    return `${objectName(effect, signal.object)} is ${yes ? 'shown' : 'hidden'}`;
  if (YES_NO.has(signal.kind) && (yes || no)) {
    const what = { scene: 'is on', picture: 'is seen', hand: 'is shown' }[signal.kind as 'scene'];
    return `${signalWords(effect, signal)} ${yes ? what : what.replace('is', 'is not')}`;
  }
  if (signal.kind === 'times' && (yes || no))
    return `“${cueName(effect, signal.cue)}” has ${yes ? 'fired' : 'not fired'}`;
  return `${signalWords(effect, signal)} ${COMPARISON_WORDS[is]} ${written(value)}`;
};
