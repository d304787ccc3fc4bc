/** Cues in words: what sets them off, only if, then what; and why nothing happens. */
import type { Cause, Reason } from '../core/behave/why';
import type { Missing } from '../core/behave/explain';
import { readyNameOf, type ReadyTrigger } from '../core/behave/ready-triggers';
import type { Acted } from '../core/behave/chronicle';
import type {
  Action,
  ActionKind,
  Comparison,
  Condition,
  Cue,
  CueId,
  EasingChoice,
  Effect,
  HeadSignal,
  MaterialId,
  NodeId,
  ObjectSignal,
  ReadyPrompt,
  Signal,
  SignalKind,
  Trigger,
} from '../core/document/schema';
import type { Easing } from '../core/maths/easing';
import { promptText } from '../core/behave/prompt-texts';
import { NODE_WORDS, portWords } from './material-words';

export const READY_WORDS: Record<ReadyTrigger, string> = {
  effectStarts: 'effect starts',
  after: 'some time has passed',
  every: 'every few seconds',
  screenTapped: 'screen is tapped',
  screenDoubleTapped: 'screen is double-tapped',
  screenHeld: 'screen is held',
  screenDragged: 'screen is dragged',
  screenPinched: 'screen is pinched',
  screenTwisted: 'screen is twisted',
  objectTapped: 'object is tapped',
  objectHeld: 'object is held',
  objectDragged: 'object is dragged',
  mouthOpens: 'mouth opens',
  mouthCloses: 'mouth closes',
  lipsPucker: 'lips pucker',
  lipsRelax: 'lips relax',
  blows: 'face blows',
  smiles: 'face smiles',
  stopsSmiling: 'smile ends',
  winksLeft: 'left eye winks',
  winksRight: 'right eye winks',
  eyesClose: 'eyes close',
  eyesOpen: 'eyes open again',
  browsRise: 'brows rise',
  browsSink: 'brows sink again',
  frowns: 'face frowns',
  tongueShows: 'tongue is shown',
  expression: 'expression reaches a level',
  nods: 'head nods',
  shakesHead: 'head shakes',
  tiltsHead: 'head tilts',
  turnsLeft: 'head turns left',
  turnsRight: 'head turns right',
  faceAppears: 'face appears',
  faceLeaves: 'face leaves',
  facesCount: 'number of faces grows',
  facesNear: 'two faces come near',
  handShown: 'hand is shown',
  palmOpens: 'open palm is shown',
  fistCloses: 'fist is shown',
  thumbUp: 'thumb goes up',
  handPoints: 'hand points',
  pictureFound: 'printed picture is found',
  pictureLost: 'printed picture is lost',
  surfaceFound: 'surface is found',
  surfacePlaced: 'something is placed on a surface',
  viewerNear: 'viewer comes near',
  viewerFar: 'viewer goes away',
  recordStarts: 'recording starts',
  recordStops: 'recording stops',
  photoTaken: 'photo is taken',
  cameraFlips: 'camera is flipped',
  loud: 'it gets loud',
  controlChanges: 'control is used',
  cueBegins: 'another cue begins',
  cueEnds: 'another cue ends',
  cuePasses: 'another cue is part-way',
  variableChanges: 'variable changes',
  signalCrosses: 'any signal crosses a level',
};
/** What a creator looks for first, in groups. */
export const READY_GROUPS: readonly (readonly [string, readonly ReadyTrigger[]])[] = [
  ['Time', ['effectStarts', 'after', 'every']],
  [
    'Mouth and face',
    [
      'mouthOpens',
      'mouthCloses',
      'lipsPucker',
      'lipsRelax',
      'blows',
      'smiles',
      'stopsSmiling',
      'winksLeft',
      'winksRight',
      'eyesClose',
      'eyesOpen',
      'browsRise',
      'browsSink',
      'frowns',
      'tongueShows',
      'expression',
    ],
  ],
  [
    'Head and people',
    [
      'nods',
      'shakesHead',
      'tiltsHead',
      'turnsLeft',
      'turnsRight',
      'faceAppears',
      'faceLeaves',
      'facesCount',
      'facesNear',
    ],
  ],
  ['Hand', ['handShown', 'palmOpens', 'fistCloses', 'thumbUp', 'handPoints']],
  [
    'Touch',
    [
      'screenTapped',
      'screenDoubleTapped',
      'screenHeld',
      'screenDragged',
      'screenPinched',
      'screenTwisted',
      'objectTapped',
      'objectHeld',
      'objectDragged',
      'controlChanges',
    ],
  ],
  [
    'Room and pictures',
    ['surfaceFound', 'surfacePlaced', 'viewerNear', 'viewerFar', 'pictureFound', 'pictureLost'],
  ],
  ['Camera', ['recordStarts', 'recordStops', 'photoTaken', 'cameraFlips', 'loud']],
  ['Cues and numbers', ['cueBegins', 'cueEnds', 'cuePasses', 'variableChanges', 'signalCrosses']],
];

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

const named = (
  map: Readonly<Record<string, { readonly name: string }>>,
  id: string | null,
  what: string,
): string =>
  id === null ? `${article(what)} to be chosen` : (map[id]?.name ?? `a deleted ${what}`) || article(what);
const article = (what: string): string => (/^[aeiou]/.test(what) ? `an ${what}` : `a ${what}`);
export const objectName = (effect: Effect, id: string | null): string => named(effect.objects, id, 'object');

const trim = (n: number): string => String(Math.round(n * 100) / 100);

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

const TOUCH_WORDS = {
  tap: 'tapped',
  doubleTap: 'double-tapped',
  hold: 'held',
  drag: 'dragged',
  pinch: 'pinched',
  twist: 'twisted',
} as const;
const LEVEL_AS_IT_IS: ReadonlySet<ReadyTrigger> = new Set([
  'viewerNear',
  'viewerFar',
  'facesCount',
  'facesNear',
  'signalCrosses',
]);

/** "mouth opens", "Shell is tapped", "viewer comes within 0.8 m of Crab". */
export const triggerWords = (effect: Effect, trigger: Trigger): string => {
  const ready = readyNameOf(trigger);
  switch (trigger.kind) {
    case 'after':
      return `${trim(trigger.seconds)} s have passed`;
    case 'every':
      return `${trim(trigger.seconds)} s pass, again and again`;
    case 'touch':
      return `${objectName(effect, trigger.object)} is ${TOUCH_WORDS[trigger.gesture]}`;
    case 'head':
      return `head ${trigger.gesture}s${trigger.face > 1 ? ` (face ${trigger.face})` : ''}`;
    case 'face':
      return `face ${trigger.face} ${trigger.when}`;
    case 'picture':
      return `${named(effect.targets, trigger.target, 'printed picture')} is ${trigger.when}`;
    case 'surface':
      return trigger.when === 'found'
        ? `${trigger.surface} is found`
        : `something is placed on the ${trigger.surface}`;
    case 'control':
      return `${named(effect.controls, trigger.control, 'control')} is used`;
    case 'variable':
      return `${named(effect.variables, trigger.variable, 'variable')} changes`;
    case 'cue': {
      const what = trigger.moment === 'passes' ? `is ${trim(trigger.share * 100)} % done` : trigger.moment;
      return `“${cueName(effect, trigger.cue)}” ${what}`;
    }
    case 'level': {
      const { signal, when, level } = trigger;
      if (signal.kind === 'apart') {
        const from = signal.from === null ? 'viewer' : objectName(effect, signal.from);
        const how = when === 'falls' ? 'comes within' : 'goes beyond';
        return `${from} ${how} ${trim(level)} m of ${objectName(effect, signal.object)}`;
      }
      if (ready && !LEVEL_AS_IT_IS.has(ready))
        return READY_WORDS[ready] + ('face' in signal && signal.face > 1 ? ` (face ${signal.face})` : '');
      return `${signalWords(effect, signal)} ${when === 'rises' ? 'rises to' : 'falls below'} ${trim(level)}`;
    }
    default:
      return ready ? READY_WORDS[ready] : trigger.kind;
  }
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
  return `${signalWords(effect, signal)} ${COMPARISON_WORDS[is]} ${trim(value)}`;
};

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
        : `${numberWords(action.property)} ${action.mode} ${trim(action.value)}`;
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

const NUMBER_WORDS: Record<string, string> = {
  moveX: 'move x (m)',
  moveY: 'move y (m)',
  moveZ: 'move z (m)',
  turnX: 'turn x (°)',
  turnY: 'turn y (°)',
  turnZ: 'turn z (°)',
  'life.0': 'shortest life (s)',
  'life.1': 'longest life (s)',
  'speed.0': 'least speed (m/s)',
  'speed.1': 'most speed (m/s)',
  'spin.0': 'least spin',
  'spin.1': 'most spin',
  'wind.0': 'wind x (m/s)',
  'wind.1': 'wind y (m/s)',
  'wind.2': 'wind z (m/s)',
  visible: 'shown',
  'area.radius': 'radius (m)',
  'area.width': 'width (m)',
  'area.depth': 'depth (m)',
  'area.size.0': 'extent x (m)',
  'area.size.1': 'extent y (m)',
  'area.size.2': 'extent z (m)',
  floor: 'bounce off the floor',
  face: 'bounce off the head',
  rate: 'rate (a second)',
  sizeVaries: 'size varies',
  'smooth.strength': 'smoothing',
  'smooth.detail': 'smoothing, detail',
  'underEyes.amount': 'under-eyes',
  'eyes.amount': 'eyes',
  'teeth.amount': 'teeth',
};
export const numberWords = (path: string): string =>
  NUMBER_WORDS[path] ??
  path
    .replace(/^sliders\./, 'shape: ')
    .replace(/^over\.(\d)\.(\w+)/, (_, i: string, what: string) => `${what} at age ${Number(i) + 1}`)
    .replace(/([A-Z])/g, ' $1')
    .toLowerCase();

const LACKS: Record<Missing, string> = {
  object: 'an object',
  picture: 'a printed picture',
  control: 'a control',
  cue: 'a cue',
  variable: 'a variable',
  scene: 'a scene',
  prompt: 'a prompt',
};

const actionById = (cue: Cue, id: string): Action | undefined =>
  cue.beats.flatMap((b) => b.actions).find((a) => a.id === id);

/** Why a cue does nothing, as a sentence. */
export const reasonWords = (effect: Effect, cue: Cue, reason: Reason): string => {
  const trigger = (i: number): string => {
    const found = cue.triggers[i];
    return found ? triggerWords(effect, found) : '';
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
        ? `It can never fire: ${trigger(reason.index)}, but that only goes from ${trim(reason.reach[0])} to ${trim(reason.reach[1])}.`
        : `It can never fire: only if ${conditionWords(effect, cue.conditions[reason.index]!)}, but that only goes from ${trim(reason.reach[0])} to ${trim(reason.reach[1])}.`;
    case 'wrong-kind': {
      const action = actionById(cue, reason.actionId);
      return `“${action ? actionSummary(effect, action) : 'This'}” does nothing to ${objectName(effect, reason.target)}: it is no such thing.`;
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
      return `${when} it had fired less than ${trim(cue.cooldown)} s before.`;
    case 'condition': {
      const condition = cue.conditions[why.index];
      if (!condition) return `${when} a condition did not hold.`;
      const was = why.value === null ? 'had no value' : `was ${trim(why.value)}`;
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
      const what = action ? actionSummary(effect, action) : ACTION_WORDS[cause.act.kind];
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
