/** Triggers as people think of them, ready to be chosen; each is an ordinary trigger that can be changed afterwards. */
import type { Signal } from '../signals/signals';
import { gistOf, type Trigger } from './triggers';

/** How far a signal has to come back before it can cross again, as a share of its level. */
const SLACK_SHARE = 0.3;

const face = (name: Extract<Signal, { kind: 'expression' }>['name']): Signal => ({
  kind: 'expression',
  face: 1,
  name,
});

/** A signal reaches a level and stays there for `hold` seconds. */
export const rises = (signal: Signal, level: number, hold = 0): Trigger => ({
  kind: 'level',
  signal,
  when: 'rises',
  level,
  slack: SLACK_SHARE * Math.abs(level),
  hold,
});
/** Falls back from where `rises` at this level can happen again. */
export const fallsBack = (signal: Signal, level: number, hold = 0): Trigger => ({
  kind: 'level',
  signal,
  when: 'falls',
  level: level * (1 - SLACK_SHARE),
  slack: SLACK_SHARE * Math.abs(level),
  hold,
});
const crosses = (signal: Signal, when: 'rises' | 'falls', level: number, slack: number): Trigger => ({
  kind: 'level',
  signal,
  when,
  level,
  slack,
  hold: 0,
});

/** What a creator looks for first, in groups. */
export const READY_GROUPS = [
  'Time',
  'Mouth and face',
  'Head and people',
  'Hand',
  'Touch',
  'Room and pictures',
  'Camera',
  'Cues and numbers',
] as const;
export type ReadyGroup = (typeof READY_GROUPS)[number];

interface Ready {
  readonly group: ReadyGroup;
  /** "mouth opens" */
  readonly words: string;
  readonly trigger: Trigger;
}

export const READY = {
  effectStarts: { group: 'Time', words: 'effect starts', trigger: { kind: 'effectStarts' } },
  after: { group: 'Time', words: 'some time has passed', trigger: { kind: 'after', seconds: 2 } },
  every: { group: 'Time', words: 'every few seconds', trigger: { kind: 'every', seconds: 2 } },
  mouthOpens: { group: 'Mouth and face', words: 'mouth opens', trigger: rises(face('jawOpen'), 0.4) },
  mouthCloses: { group: 'Mouth and face', words: 'mouth closes', trigger: fallsBack(face('jawOpen'), 0.4) },
  lipsPucker: { group: 'Mouth and face', words: 'lips pucker', trigger: rises(face('mouthPucker'), 0.45) },
  lipsRelax: { group: 'Mouth and face', words: 'lips relax', trigger: fallsBack(face('mouthPucker'), 0.45) },
  blows: { group: 'Mouth and face', words: 'face blows', trigger: rises(face('blow'), 0.35) },
  smiles: { group: 'Mouth and face', words: 'face smiles', trigger: rises(face('smile'), 0.4) },
  stopsSmiling: { group: 'Mouth and face', words: 'smile ends', trigger: fallsBack(face('smile'), 0.4) },
  winksLeft: { group: 'Mouth and face', words: 'left eye winks', trigger: rises(face('winkLeft'), 0.5) },
  winksRight: { group: 'Mouth and face', words: 'right eye winks', trigger: rises(face('winkRight'), 0.5) },
  eyesClose: { group: 'Mouth and face', words: 'eyes close', trigger: rises(face('eyesClosed'), 0.55, 0.25) },
  eyesOpen: {
    group: 'Mouth and face',
    words: 'eyes open again',
    trigger: fallsBack(face('eyesClosed'), 0.55),
  },
  browsRise: { group: 'Mouth and face', words: 'brows rise', trigger: rises(face('browsRaised'), 0.4) },
  browsSink: {
    group: 'Mouth and face',
    words: 'brows sink again',
    trigger: fallsBack(face('browsRaised'), 0.4),
  },
  frowns: { group: 'Mouth and face', words: 'face frowns', trigger: rises(face('frown'), 0.35) },
  tongueShows: {
    group: 'Mouth and face',
    words: 'tongue is shown',
    trigger: rises(face('tongueShown'), 0.4),
  },
  expression: {
    group: 'Mouth and face',
    words: 'expression reaches a level',
    trigger: rises(face('cheekPuff'), 0.4),
  },
  nods: { group: 'Head and people', words: 'head nods', trigger: { kind: 'head', gesture: 'nod', face: 1 } },
  shakesHead: {
    group: 'Head and people',
    words: 'head shakes',
    trigger: { kind: 'head', gesture: 'shake', face: 1 },
  },
  tiltsHead: {
    group: 'Head and people',
    words: 'head tilts',
    trigger: { kind: 'head', gesture: 'tilt', face: 1 },
  },
  // Seen by the camera the head turns about +Y: to its own left is a positive angle.
  turnsLeft: {
    group: 'Head and people',
    words: 'head turns left',
    trigger: crosses({ kind: 'head', face: 1, of: 'yaw' }, 'rises', 18, 6),
  },
  turnsRight: {
    group: 'Head and people',
    words: 'head turns right',
    trigger: crosses({ kind: 'head', face: 1, of: 'yaw' }, 'falls', -18, 6),
  },
  faceAppears: {
    group: 'Head and people',
    words: 'face appears',
    trigger: { kind: 'face', face: 1, when: 'appears' },
  },
  faceLeaves: {
    group: 'Head and people',
    words: 'face leaves',
    trigger: { kind: 'face', face: 1, when: 'leaves' },
  },
  facesCount: {
    group: 'Head and people',
    words: 'number of faces grows',
    trigger: crosses({ kind: 'faces' }, 'rises', 2, 0.5),
  },
  facesNear: {
    group: 'Head and people',
    words: 'two faces come near',
    trigger: crosses({ kind: 'facesApart', face: 1, other: 2 }, 'falls', 0.25, 0.05),
  },
  handShown: {
    group: 'Hand',
    words: 'hand is shown',
    trigger: crosses({ kind: 'hand', shape: 'any' }, 'rises', 1, 0.5),
  },
  palmOpens: {
    group: 'Hand',
    words: 'open palm is shown',
    trigger: crosses({ kind: 'hand', shape: 'palm' }, 'rises', 1, 0.5),
  },
  fistCloses: {
    group: 'Hand',
    words: 'fist is shown',
    trigger: crosses({ kind: 'hand', shape: 'fist' }, 'rises', 1, 0.5),
  },
  thumbUp: {
    group: 'Hand',
    words: 'thumb goes up',
    trigger: crosses({ kind: 'hand', shape: 'thumb' }, 'rises', 1, 0.5),
  },
  handPoints: {
    group: 'Hand',
    words: 'hand points',
    trigger: crosses({ kind: 'hand', shape: 'point' }, 'rises', 1, 0.5),
  },
  handPinches: {
    group: 'Hand',
    words: 'thumb and finger pinch',
    trigger: crosses({ kind: 'hand', shape: 'pinch' }, 'rises', 1, 0.5),
  },
  twoFingers: {
    group: 'Hand',
    words: 'two fingers are held up',
    trigger: crosses({ kind: 'hand', shape: 'victory' }, 'rises', 1, 0.5),
  },
  screenTapped: { group: 'Touch', words: 'screen is tapped', trigger: { kind: 'screen', gesture: 'tap' } },
  screenDoubleTapped: {
    group: 'Touch',
    words: 'screen is double-tapped',
    trigger: { kind: 'screen', gesture: 'doubleTap' },
  },
  screenHeld: { group: 'Touch', words: 'screen is held', trigger: { kind: 'screen', gesture: 'hold' } },
  screenDragged: { group: 'Touch', words: 'screen is dragged', trigger: { kind: 'screen', gesture: 'drag' } },
  screenPinched: {
    group: 'Touch',
    words: 'screen is pinched',
    trigger: { kind: 'screen', gesture: 'pinch' },
  },
  screenTwisted: {
    group: 'Touch',
    words: 'screen is twisted',
    trigger: { kind: 'screen', gesture: 'twist' },
  },
  objectTapped: {
    group: 'Touch',
    words: 'object is tapped',
    trigger: { kind: 'touch', gesture: 'tap', object: null },
  },
  objectHeld: {
    group: 'Touch',
    words: 'object is held',
    trigger: { kind: 'touch', gesture: 'hold', object: null },
  },
  objectDragged: {
    group: 'Touch',
    words: 'object is dragged',
    trigger: { kind: 'touch', gesture: 'drag', object: null },
  },
  controlChanges: { group: 'Touch', words: 'control is used', trigger: { kind: 'control', control: null } },
  surfaceFound: {
    group: 'Room and pictures',
    words: 'surface is found',
    trigger: { kind: 'surface', surface: 'floor', when: 'found' },
  },
  surfacePlaced: {
    group: 'Room and pictures',
    words: 'something is placed on a surface',
    trigger: { kind: 'surface', surface: 'floor', when: 'placed' },
  },
  viewerNear: {
    group: 'Room and pictures',
    words: 'viewer comes near',
    trigger: crosses({ kind: 'apart', object: null, from: null }, 'falls', 0.8, 0.15),
  },
  viewerFar: {
    group: 'Room and pictures',
    words: 'viewer goes away',
    trigger: crosses({ kind: 'apart', object: null, from: null }, 'rises', 1.2, 0.15),
  },
  pictureFound: {
    group: 'Room and pictures',
    words: 'printed picture is found',
    trigger: { kind: 'picture', target: null, when: 'found' },
  },
  pictureLost: {
    group: 'Room and pictures',
    words: 'printed picture is lost',
    trigger: { kind: 'picture', target: null, when: 'lost' },
  },
  recordStarts: {
    group: 'Camera',
    words: 'recording starts',
    trigger: { kind: 'viewer', event: 'recordStarts' },
  },
  recordStops: {
    group: 'Camera',
    words: 'recording stops',
    trigger: { kind: 'viewer', event: 'recordStops' },
  },
  photoTaken: { group: 'Camera', words: 'photo is taken', trigger: { kind: 'viewer', event: 'photo' } },
  cameraFlips: {
    group: 'Camera',
    words: 'camera is flipped',
    trigger: { kind: 'viewer', event: 'cameraFlips' },
  },
  loud: {
    group: 'Camera',
    words: 'it gets loud',
    trigger: crosses({ kind: 'loudness' }, 'rises', 0.4, 0.15),
  },
  cueBegins: {
    group: 'Cues and numbers',
    words: 'another cue begins',
    trigger: { kind: 'cue', cue: null, moment: 'begins', share: 0.5 },
  },
  cueEnds: {
    group: 'Cues and numbers',
    words: 'another cue ends',
    trigger: { kind: 'cue', cue: null, moment: 'ends', share: 0.5 },
  },
  cuePasses: {
    group: 'Cues and numbers',
    words: 'another cue is part-way',
    trigger: { kind: 'cue', cue: null, moment: 'passes', share: 0.5 },
  },
  variableChanges: {
    group: 'Cues and numbers',
    words: 'variable changes',
    trigger: { kind: 'variable', variable: null },
  },
  signalCrosses: {
    group: 'Cues and numbers',
    words: 'any signal crosses a level',
    trigger: crosses({ kind: 'time' }, 'rises', 1, 0.1),
  },
} as const satisfies Record<string, Ready>;

export type ReadyTrigger = keyof typeof READY;
export const READY_NAMES = Object.keys(READY) as readonly ReadyTrigger[];
export const READY_BY_GROUP: readonly (readonly [ReadyGroup, readonly ReadyTrigger[]])[] = READY_GROUPS.map(
  (group) => [group, READY_NAMES.filter((name) => READY[name].group === group)],
);

/** A copy that may be changed. */
export const readyTrigger = (name: ReadyTrigger): Trigger => structuredClone(READY[name].trigger);

const BY_GIST = new Map<string, ReadyTrigger>(READY_NAMES.map((name) => [gistOf(READY[name].trigger), name]));

/** Which ready trigger this is, whatever its amounts; null where it is none of them. */
export const readyNameOf = (trigger: Trigger): ReadyTrigger | null => {
  const name = BY_GIST.get(gistOf(trigger)) ?? null;
  return name === 'expression' ? null : name;
};
