/** New cues, actions, controls, prompts, variables and drives: as they are before a creator changes anything. */
import { readyTrigger, type ReadyTrigger } from '../kinds/ready-triggers';
import type {
  Action,
  ActionKind,
  Beat,
  Control,
  ControlId,
  ControlKind,
  Cue,
  CueId,
  Drive,
  DriveId,
  ObjectId,
  Prompt,
  PromptId,
  Signal,
  Variable,
  VariableId,
} from './schema';

const timed = (id: string, targets: readonly ObjectId[]) => ({
  id,
  targets: [...targets],
  duration: 0.4,
  delay: 0,
  easing: 'out' as const,
  repeat: 1,
  thereAndBack: false,
  after: 'stay' as const,
  vary: null,
});

/** Things that go on until they are stopped. */
const goesOn = { repeat: 0, easing: 'steady' as const };

/** What an action of each kind does at first, beside its timing. */
const FRESH: {
  readonly [K in ActionKind]: Omit<Extract<Action, { kind: K }>, keyof ReturnType<typeof timed>> &
    Partial<Action>;
} = {
  show: { kind: 'show', duration: 1 },
  hide: { kind: 'hide', duration: 1 },
  toggle: { kind: 'toggle', duration: 1 },
  fade: { kind: 'fade', opacity: 0 },
  move: { kind: 'move', mode: 'by', by: [0, 0.03, 0], axes: 'parent' },
  turn: { kind: 'turn', mode: 'by', by: [0, 0, 20], axes: 'parent', way: 'typed' },
  size: { kind: 'size', mode: 'to', factor: 1.3 },
  pose: { kind: 'pose', move: [0, 0, 0], turn: [0, 0, 0], scale: [1, 1, 1], way: 'short', duration: 1 },
  circle: {
    kind: 'circle',
    around: 'middle',
    object: null,
    axis: 'y',
    radius: null,
    clockwise: false,
    turns: true,
    duration: 4,
    ...goesOn,
  },
  face: { kind: 'face', duration: 1, ...goesOn },
  follow: { kind: 'follow', object: null, lag: 0.4, swings: 0, duration: 1, ...goesOn },
  shake: { kind: 'shake', distance: 0.004, angle: 3, rate: 12, duration: 1, ...goesOn },
  sway: { kind: 'sway', axis: 'z', angle: 8, duration: 2, ...goesOn },
  bounce: { kind: 'bounce', height: 0.03, duration: 0.7, ...goesOn },
  colour: { kind: 'colour', colour: '#0f6b62' },
  number: { kind: 'number', property: '', mode: 'to', value: 0 },
  play: {
    kind: 'play',
    do: 'play',
    from: 0,
    to: null,
    speed: 1,
    clip: null,
    times: 1,
    blend: 0.2,
    duration: 0,
  },
  picture: { kind: 'picture', go: 'next', number: 1, duration: 0 },
  burst: { kind: 'burst', count: 40, duration: 0 },
  flow: { kind: 'flow', share: 1, duration: 3, after: 'return' },
  variable: { kind: 'variable', variable: null, mode: 'to', value: 1, duration: 0 },
  prompt: { kind: 'prompt', prompt: null, show: true, duration: 0 },
  scene: { kind: 'scene', scene: null, duration: 0 },
  cue: { kind: 'cue', cue: null, do: 'start', duration: 0 },
};

/** Kinds that act on the effect as a whole instead of on objects. */
const WHOLE: ReadonlySet<ActionKind> = new Set(['variable', 'prompt', 'scene', 'cue']);
export const actsOnObjects = (kind: ActionKind): boolean => !WHOLE.has(kind);

export const newAction = (id: string, kind: ActionKind, target: ObjectId | null): Action =>
  ({
    ...timed(id, target !== null && actsOnObjects(kind) ? [target] : []),
    ...structuredClone(FRESH[kind]),
  }) as Action;

export const newBeat = (id: string, actions: readonly Action[]): Beat => ({
  id,
  name: '',
  begins: 1,
  enabled: true,
  actions: [...actions],
});

/** Of a beat, only what matters has to be said. */
export type BeatParts = Pick<Beat, 'id' | 'actions'> & Partial<Beat>;

export const newCue = (
  id: CueId,
  trigger: ReadyTrigger,
  order: number,
  beats: readonly BeatParts[],
): Cue => ({
  id,
  name: '',
  order,
  enabled: true,
  group: '',
  note: '',
  colour: null,
  triggers: [readyTrigger(trigger)],
  conditions: [],
  match: 'all',
  fires: 'each',
  cooldown: 0,
  again: 'restart',
  resets: [],
  beats: beats.map((beat) => ({ ...newBeat(beat.id, beat.actions), ...beat })),
});

export const newVariable = (id: VariableId, name: string, order: number): Variable => ({
  id,
  name,
  order,
  start: 0,
});

export const newControl = (id: ControlId, kind: ControlKind, name: string, order: number): Control => {
  const shared = { id, name, order, scene: null };
  switch (kind) {
    case 'slider':
      return {
        ...shared,
        kind,
        least: 0,
        most: 1,
        step: 0,
        start: 0.5,
        unit: '',
        lowIcon: null,
        highIcon: null,
      };
    case 'choice':
      return {
        ...shared,
        kind,
        options: [
          { name: 'One', picture: null },
          { name: 'Two', picture: null },
        ],
        start: 1,
      };
    case 'switch':
      return { ...shared, kind, start: false };
    case 'button':
      return { ...shared, kind };
  }
};

export const newPrompt = (id: PromptId, order: number): Prompt => ({
  id,
  order,
  text: { kind: 'ready', key: 'openMouth' },
  shownWhen: [{ kind: 'effectStarts' }],
  onlyIf: [],
  hiddenWhen: [readyTrigger('mouthOpens')],
  seconds: 0,
});

export const newDrive = (id: DriveId, order: number, signal: Signal, to: Drive['to']): Drive => ({
  id,
  order,
  enabled: true,
  signal,
  remap: { from: [0, 1], to: [0, 1], curve: [0, 0, 1, 1], bounded: true },
  lag: 0,
  to,
});
