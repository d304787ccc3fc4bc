/** Triggers as people think of them, ready to be chosen; each is an ordinary trigger that can be changed afterwards. */
import type { Signal, Trigger } from '../document/schema';

/** How far a signal has to come back before it can cross again, as a share of its level. */
const SLACK_SHARE = 0.3;

const face = (name: Extract<Signal, { kind: 'expression' }>['name']): Signal => ({
  kind: 'expression',
  face: 1,
  name,
});

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

export const READY_TRIGGERS = {
  effectStarts: { kind: 'effectStarts' },
  after: { kind: 'after', seconds: 2 },
  every: { kind: 'every', seconds: 2 },
  screenTapped: { kind: 'screen', gesture: 'tap' },
  screenDoubleTapped: { kind: 'screen', gesture: 'doubleTap' },
  screenHeld: { kind: 'screen', gesture: 'hold' },
  screenDragged: { kind: 'screen', gesture: 'drag' },
  screenPinched: { kind: 'screen', gesture: 'pinch' },
  screenTwisted: { kind: 'screen', gesture: 'twist' },
  objectTapped: { kind: 'touch', gesture: 'tap', object: null },
  objectHeld: { kind: 'touch', gesture: 'hold', object: null },
  objectDragged: { kind: 'touch', gesture: 'drag', object: null },
  mouthOpens: rises(face('jawOpen'), 0.4),
  mouthCloses: fallsBack(face('jawOpen'), 0.4),
  lipsPucker: rises(face('mouthPucker'), 0.45),
  lipsRelax: fallsBack(face('mouthPucker'), 0.45),
  blows: rises(face('blow'), 0.35),
  smiles: rises(face('smile'), 0.4),
  stopsSmiling: fallsBack(face('smile'), 0.4),
  winksLeft: rises(face('winkLeft'), 0.5),
  winksRight: rises(face('winkRight'), 0.5),
  eyesClose: rises(face('eyesClosed'), 0.55, 0.25),
  eyesOpen: fallsBack(face('eyesClosed'), 0.55),
  browsRise: rises(face('browsRaised'), 0.4),
  browsSink: fallsBack(face('browsRaised'), 0.4),
  frowns: rises(face('frown'), 0.35),
  tongueShows: rises(face('tongueShown'), 0.4),
  expression: rises(face('cheekPuff'), 0.4),
  nods: { kind: 'head', gesture: 'nod', face: 1 },
  shakesHead: { kind: 'head', gesture: 'shake', face: 1 },
  tiltsHead: { kind: 'head', gesture: 'tilt', face: 1 },
  // Seen by the camera the head turns about +Y: to its own left is a positive angle.
  turnsLeft: crosses({ kind: 'head', face: 1, of: 'yaw' }, 'rises', 18, 6),
  turnsRight: crosses({ kind: 'head', face: 1, of: 'yaw' }, 'falls', -18, 6),
  faceAppears: { kind: 'face', face: 1, when: 'appears' },
  faceLeaves: { kind: 'face', face: 1, when: 'leaves' },
  facesCount: crosses({ kind: 'faces' }, 'rises', 2, 0.5),
  facesNear: crosses({ kind: 'facesApart', face: 1, other: 2 }, 'falls', 0.25, 0.05),
  handShown: crosses({ kind: 'hand', shape: 'any' }, 'rises', 1, 0.5),
  palmOpens: crosses({ kind: 'hand', shape: 'palm' }, 'rises', 1, 0.5),
  fistCloses: crosses({ kind: 'hand', shape: 'fist' }, 'rises', 1, 0.5),
  thumbUp: crosses({ kind: 'hand', shape: 'thumb' }, 'rises', 1, 0.5),
  handPoints: crosses({ kind: 'hand', shape: 'point' }, 'rises', 1, 0.5),
  pictureFound: { kind: 'picture', target: null, when: 'found' },
  pictureLost: { kind: 'picture', target: null, when: 'lost' },
  surfaceFound: { kind: 'surface', surface: 'floor', when: 'found' },
  surfacePlaced: { kind: 'surface', surface: 'floor', when: 'placed' },
  viewerNear: crosses({ kind: 'apart', object: null, from: null }, 'falls', 0.8, 0.15),
  viewerFar: crosses({ kind: 'apart', object: null, from: null }, 'rises', 1.2, 0.15),
  recordStarts: { kind: 'viewer', event: 'recordStarts' },
  recordStops: { kind: 'viewer', event: 'recordStops' },
  photoTaken: { kind: 'viewer', event: 'photo' },
  cameraFlips: { kind: 'viewer', event: 'cameraFlips' },
  loud: crosses({ kind: 'loudness' }, 'rises', 0.4, 0.15),
  controlChanges: { kind: 'control', control: null },
  cueBegins: { kind: 'cue', cue: null, moment: 'begins', share: 0.5 },
  cueEnds: { kind: 'cue', cue: null, moment: 'ends', share: 0.5 },
  cuePasses: { kind: 'cue', cue: null, moment: 'passes', share: 0.5 },
  variableChanges: { kind: 'variable', variable: null },
  signalCrosses: crosses({ kind: 'time' }, 'rises', 1, 0.1),
} as const satisfies Record<string, Trigger>;

export type ReadyTrigger = keyof typeof READY_TRIGGERS;
export const READY_NAMES = Object.keys(READY_TRIGGERS) as readonly ReadyTrigger[];

/** A copy that may be changed. */
export const readyTrigger = (name: ReadyTrigger): Trigger => structuredClone(READY_TRIGGERS[name]);

/** What of two triggers has to be alike to be called the same: all but amounts and which object, face or cue is meant. */
const gist = (trigger: Trigger): string => {
  switch (trigger.kind) {
    case 'screen':
    case 'touch':
    case 'head':
      return `${trigger.kind} ${trigger.gesture}`;
    case 'face':
    case 'picture':
    case 'surface':
      return `${trigger.kind} ${trigger.when}`;
    case 'viewer':
      return `viewer ${trigger.event}`;
    case 'cue':
      return `cue ${trigger.moment}`;
    case 'level': {
      const { signal } = trigger;
      const of = signal.kind === 'expression' ? signal.name : signal.kind === 'head' ? signal.of : '';
      return `level ${trigger.when} ${signal.kind} ${of} ${signal.kind === 'hand' ? signal.shape : ''} ${
        signal.kind === 'apart' ? signal.from === null : ''
      }`;
    }
    default:
      return trigger.kind;
  }
};
const BY_GIST = new Map<string, ReadyTrigger>(READY_NAMES.map((name) => [gist(READY_TRIGGERS[name]), name]));

/** Which ready trigger this is, whatever its amounts; null where it is none of them. */
export const readyNameOf = (trigger: Trigger): ReadyTrigger | null => {
  const name = BY_GIST.get(gist(trigger)) ?? null;
  if (name === 'expression') return null;
  return name;
};
